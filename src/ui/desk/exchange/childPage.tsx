import { nameOf } from '@/core/students';
import type { ChildExport } from '@/server/exchange/exportChild';
import { momentIn, longDay } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { criterionWords } from '../goals/goalWords';
import { factWords } from '../students/record/factWords';

const STYLE =
  'body{font:15px/1.5 system-ui,sans-serif;max-width:60rem;margin:2rem auto;padding:0 1rem}h2{margin-top:2rem}td,th{text-align:left;vertical-align:top;padding:.2rem .8rem .2rem 0;border-top:1px solid #ccc}';

/** Everything that is kept of a child, as a page that needs nothing else, with the same as data at its end. */
export async function childPage(all: ChildExport): Promise<string> {
  const { renderToStaticMarkup } = await import('react-dom/server');
  return `<!doctype html>${renderToStaticMarkup(<Page all={all} />)}`;
}

function Page({ all }: { all: ChildExport }) {
  const { child } = all;
  const at = (moment: Parameters<typeof momentIn>[0]) => momentIn(moment, child.timeZone);
  const titleOf = (taskId: number) =>
    all.programs.flatMap((program) => program?.tasks ?? []).find((task) => task.taskId === taskId)?.content.title.en ?? `task ${taskId}`;
  return (
    <html lang="en">
      {/* eslint-disable-next-line @next/next/no-head-element -- a file of its own, no page of the frame */}
      <head>
        <meta charSet="utf-8" />
        <title>{nameOf(child)}</title>
        <style dangerouslySetInnerHTML={{ __html: STYLE }} />
      </head>
      <body>
        <h1>{nameOf(child)}</h1>
        <p>
          All data about this student in Yard Steps, exported on {longDay(all.writtenOn)} {all.writtenOn.slice(0, 4)}. Private: share it
          only with people who may see it.
        </p>
        <h2>Student information</h2>
        <Rows
          rows={Object.entries(child)
            .filter(([name]) => name !== 'id')
            .map(([name, value]) => [name, typeof value === 'string' ? value : JSON.stringify(value)])}
        />
        <h2>Changes to student information</h2>
        <Rows rows={all.changes.map((change) => [at(change.changedAt), change.who, change.changes.map(factWords).join('; ')])} />
        <h2>Who works with this student</h2>
        <Rows rows={all.people.map(({ name, role, access }) => [name, role, access])} />
        <Rows rows={all.handOvers.map((each) => [at(each.at), `${each.from} → ${each.to}`, each.note])} />
        <h2>Goals</h2>
        <Rows
          rows={all.goals.flatMap((goal) =>
            goal.versions.map((version) => [
              at(version.writtenAt),
              version.content.statement,
              criterionWords(version.content),
              version.why,
            ]),
          )}
        />
        <h2>Programs</h2>
        <Rows
          rows={all.programs.flatMap((program) =>
            (program?.tasks ?? []).map((task) => [
              `version ${program!.number}, sent ${program!.sentOn}, ${program!.startsOn} to ${program!.endsOn}`,
              task.content.title.en,
              `step ${task.step} ${task.content.ladder.steps[task.step - 1]?.name.en ?? ''}`,
            ]),
          )}
        />
        <h2>Reports</h2>
        <Rows
          rows={all.reports.map((report) => [
            report.doneOn,
            titleOf(report.taskId),
            `step ${report.step}`,
            report.done ? `done${report.amount === null ? '' : `, ${report.amount} of ${report.target ?? '–'}`}` : 'not done',
            report.words,
            report.way,
          ])}
        />
        <h2>Step changes</h2>
        <Rows
          rows={all.gradeChanges.map((change) => [
            at(change.changedAt),
            titleOf(change.taskId),
            `${change.fromStep ?? '–'} → ${change.toStep}`,
            change.changedBy,
            change.reason,
          ])}
        />
        <h2>Decisions</h2>
        <Rows
          rows={all.decisions.map((each) => [
            at(each.decidedAt),
            words(`decisionKinds.${each.kind}`),
            each.answer,
            each.decidedByName,
            each.reason,
          ])}
        />
        <h2>After something hurt</h2>
        <Rows rows={all.lifts.map((lift) => [at(lift.liftedAt), titleOf(lift.taskId), lift.found, lift.spokeTo, lift.liftedByName])} />
        <h2>Messages from the therapist</h2>
        <Rows rows={all.notes.map((note) => [at(note.writtenAt), note.words])} />
        <h2>Messages</h2>
        <Rows rows={all.messages.map((message) => [at(message.createdAt), message.words, message.status])} />
        <h2>The same, as data</h2>
        <pre style={{ whiteSpace: 'pre-wrap' }}>{JSON.stringify(all)}</pre>
      </body>
    </html>
  );
}

function Rows({ rows }: { rows: readonly (readonly (string | number)[])[] }) {
  if (rows.length === 0) return <p>None.</p>;
  return (
    <table>
      <tbody>
        {rows.map((row, index) => (
          <tr key={index}>
            {row.map((cell, place) => (
              <td key={place}>{cell}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
