import { RULE_NAMES } from '@/core/stepRules';
import type { LabView } from '@/server/stepRules/viewLab';
import { longDay } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';
import { CANDIDATE_WORDS, replayCells } from './labWords';
import { TrialPanel } from './TrialPanel.client';

/** Which advancing rule suits? The log under other rules, simulated children under each, and the rule that is taken, with why. */
export function LabScreen({ view, adopt }: { view: LabView; adopt: WordedAction }) {
  const { child, replays, since, ladders, log, ownRule, ownReason } = view;
  const stays = replays[0]!.figures.stays;
  return (
    <>
      <h1 className="text-[24px]">Step rules</h1>
      <p className="mt-1 max-w-[80ch] text-soft">
        Compare rules for when to move a student up or down a step, using your own records and simulated students. No rule changes a step on
        its own. You decide.
      </p>
      <section aria-labelledby="replay-title">
        <h2 id="replay-title" className="mt-4 border-b border-ink pb-1 text-[18px]">
          {child ? `Records of ${child.name}` : 'Your records'} under other rules
        </h2>
        <form action="/step-rules" className="mt-2 flex items-baseline gap-2">
          <label>
            Students{' '}
            <select name="child" className="field" defaultValue={child?.childId ?? ''}>
              <option value="">The whole caseload</option>
              {view.children.map(({ childId, name }) => (
                <option key={childId} value={childId}>
                  {name}
                </option>
              ))}
            </select>
          </label>
          <button className="link">Show</button>
        </form>
        <p className="mt-2 max-w-[80ch] text-[14px]">
          {stays === 0
            ? `There are no reports since ${longDay(since)} to compare the rules on.`
            : `${stays} times a student stayed at a step since ${longDay(since)}. For each rule: when would it have suggested a move, and what did you do? What would have happened after a different move is unknown.`}
        </p>
        {stays > 0 && (
          <table className="mt-2 w-full border-collapse text-[14px]">
            <thead>
              <tr className="border-b border-ink text-left align-bottom">
                {[
                  'Rule',
                  'Up',
                  'Down',
                  'Same day',
                  'Sooner',
                  'Not by then',
                  'Opposite',
                  'Still at the step',
                  'Difficult sessions after “down”',
                ].map((name) => (
                  <th key={name} scope="col" className="pr-4">
                    {name}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {replays.map(({ id, figures }) => (
                <tr key={id} className="border-b border-line">
                  <th scope="row" className="py-1 pr-4 text-left font-normal">
                    {CANDIDATE_WORDS[id]}
                  </th>
                  {replayCells(figures).map((cell, index) => (
                    <td key={index} className="pr-4">
                      {cell}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </section>
      {ladders.length > 0 && <TrialPanel ladders={ladders} log={log} />}
      <section aria-labelledby="adopt-title" className="mt-6">
        <h2 id="adopt-title" className="border-b border-ink pb-1 text-[18px]">
          Your rule
        </h2>
        <p className="mt-1">
          For the students you lead: {words(`settings.advancing.${ownRule}`)}.{ownReason && ` You wrote: “${ownReason}”`}
        </p>
        <ActionForm action={adopt} hidden={{}} className="mt-2">
          <span className="flex flex-wrap items-end gap-3">
            <select name="rule" aria-label="Rule" defaultValue={ownRule} key={ownRule} className="field">
              {RULE_NAMES.map((rule) => (
                <option key={rule} value={rule}>
                  {words(`settings.advancing.${rule}`)}
                </option>
              ))}
            </select>
            <label className="grow">
              <span className="block text-[13px] font-semibold text-soft">why, for you and your team to read later</span>
              <input name="reason" maxLength={300} className="field w-full" required />
            </label>
            <button className="act">Take this rule</button>
          </span>
        </ActionForm>
        <p className="mt-1 text-[14px] text-soft">
          Rules with other numbers than these are for trying: what a student or a task needs otherwise is chosen in its own settings.
        </p>
      </section>
    </>
  );
}
