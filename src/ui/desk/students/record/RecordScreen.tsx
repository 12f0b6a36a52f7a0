import Link from 'next/link';
import { nameOf, type Child } from '@/core/students';
import type { RecordView } from '@/server/students/viewRecord';
import { momentIn } from '../../../shared/days';
import { ActionForm, type WordedAction } from '../../parts/ActionForm.client';
import { languageName } from '../../../shared/languageName';
import { factWords } from './factWords';
import { RecordForm, type KeepRecord } from './RecordForm.client';

export function NewChildScreen({ view, keep }: { view: RecordView; keep: KeepRecord }) {
  return (
    <>
      <h1 className="text-[24px]">New student</h1>
      <p className="text-soft">
        Only the first row is required. To add many students at once, use{' '}
        <Link className="link" href="/students/import">
          a list
        </Link>
        .
      </p>
      <RecordForm child={null} schools={view.schools.map(({ name }) => name)} languages={view.languages} things={view.things} keep={keep} />
    </>
  );
}

interface Props {
  readonly view: RecordView & { readonly child: Child };
  readonly keep: KeepRecord;
  readonly askHome: WordedAction;
  readonly settleHome: WordedAction;
}

/** Shows a student's information, to be changed, and earlier changes. */
export function RecordScreen({ view, keep, askHome, settleHome }: Props) {
  const { child, history } = view;
  return (
    <>
      <h1 className="text-[24px]">
        <Link href={`/students/${child.id}`} prefetch={false} className="hover:underline">
          {nameOf(child)}
        </Link>{' '}
        <span className="font-text text-[16px] font-normal text-soft">all information</span>
      </h1>
      <Told view={view} settle={settleHome} />
      <RecordForm
        key={history[0]?.id ?? 0}
        child={child}
        schools={view.schools.map(({ name }) => name)}
        languages={view.languages}
        things={view.things}
        keep={keep}
      />
      <section className="mt-8 max-w-[980px]">
        <h2 className="text-[18px]">Materials at home</h2>
        <p className="text-soft">The family can answer on one page. You review and add their answers.</p>
        <ActionForm action={askHome} hidden={{ childId: child.id }} className="mt-2">
          <button className="act">Ask the family</button>
        </ActionForm>
      </section>
      <section className="mt-8 max-w-[980px]">
        <h2 className="text-[18px]">What changed, and who changed it</h2>
        {history.length === 0 && <p className="text-soft">No changes since the student was added.</p>}
        <ul>
          {history.map((change) => (
            <li key={change.id} className="border-t border-line py-1">
              {momentIn(change.changedAt, child.timeZone)}, {change.who}: {change.changes.map(factWords).join('; ')}
            </li>
          ))}
        </ul>
      </section>
    </>
  );
}

/** Shows the family's answers about its home, beside the stored facts. */
function Told({ view: { child, told, things }, settle }: { view: Props['view']; settle: WordedAction }) {
  if (!told) return null;
  const { answers } = told;
  const nameOfThing = (id: string) => things.find((thing) => thing.id === id)?.name.en ?? id;
  const came = answers.materialsAtHome.filter((id) => !child.materialsAtHome.includes(id));
  const lines = [
    `${answers.minutesPerDay} minutes per day (here ${child.minutesPerDay})`,
    answers.hasPrinter ? 'has a printer' : 'has no printer',
    `who helps: ${answers.helpers || 'not reported'}`,
    `languages: ${answers.homeLanguages.map(languageName).join(', ') || 'not reported'}`,
    `reports by ${answers.reportWay}`,
    `${answers.materialsAtHome.length} materials at home${came.length ? `, new: ${came.map(nameOfThing).join(', ')}` : ''}`,
  ];
  return (
    <section className="mt-3 max-w-[980px] border-l-4 border-straw bg-straw-tint px-4 py-3">
      <h2 className="text-[16px]">The family listed the materials at home, {momentIn(told.toldAt, child.timeZone)}</h2>
      <ul className="list-disc pl-5">
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      {answers.words && <p>“{answers.words}”</p>}
      <div className="mt-2 flex gap-3">
        <ActionForm action={settle} hidden={{ childId: child.id, answerId: told.id, takes: 'yes' }}>
          <button className="act act-main">Add to student information</button>
        </ActionForm>
        <ActionForm action={settle} hidden={{ childId: child.id, answerId: told.id, takes: 'no' }}>
          <button className="act">Cancel</button>
        </ActionForm>
      </div>
    </section>
  );
}
