'use client';

import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { PromptFading } from '@/core/stepRules';
import {
  CANDIDATE_IDS,
  CANDIDATES,
  USUAL_FAMILIES,
  type CandidateId,
  type Families,
  type FitCheck,
  type LogFigures,
  type TrialFigures,
  type TrialOptions,
} from '@/core/simulation';
import type { Ladder } from '@/server/stepRules/viewLab';
import { words } from '../../shared/deskWords';
import { KeyCap } from '../parts/KeyCap';
import { CANDIDATE_WORDS, fitSentence, percent, percents } from './labWords';
import { useLab } from './useLab';

/** The chart's library is fetched once there is something to draw. */
const TrialChart = dynamic(() => import('./TrialChart').then((each) => each.TrialChart), { ssr: false });

interface Props {
  readonly ladders: readonly Ladder[];
  readonly log: LogFigures | null;
}

const ORDERS: readonly PromptFading[] = ['leastToMost', 'mostToLeast'];
const WEEKS = 40;
const CHILDREN = [200, 1_000, 4_000];
const FEWEST = 2;

/** Simulated students under each of the chosen rules: the same children, with the same luck. */
export function TrialPanel({ ladders, log }: Props) {
  const [slug, setSlug] = useState(ladders[0]!.slug);
  const [order, setOrder] = useState<PromptFading>('leastToMost');
  const [chosen, setChosen] = useState<readonly CandidateId[]>(['row2', 'row3', 'row4', 'four5', 'band70']);
  const [families, setFamilies] = useState<Families>(USUAL_FAMILIES);
  const [children, setChildren] = useState(CHILDREN[1]!);
  const [seed, setSeed] = useState(1);
  const [found, setFound] = useState<{ readonly ids: readonly CandidateId[]; readonly figures: readonly TrialFigures[] }>({
    ids: [],
    figures: [],
  });
  const [checks, setChecks] = useState<readonly FitCheck[] | null>(null);
  const { share, fault, ask, stop } = useLab((answer) => {
    if (answer.kind === 'trial') setFound((before) => ({ ...before, figures: [...before.figures, answer.figures] }));
    if (answer.kind === 'fitted') {
      setFamilies({ ...answer.families, practises: Math.round(answer.families.practises * 100) / 100 });
      setChecks(answer.checks);
    }
  });
  const ladder = ladders.find((each) => each.slug === slug)!;
  const base = (id: CandidateId): Omit<TrialOptions, 'families' | 'children'> => ({
    rule: CANDIDATES[id],
    order,
    demands: ladder.demands,
    startStep: ladder.startStep,
    target: ladder.target,
    weeks: WEEKS,
    seed,
  });
  const run = () => {
    const ids = CANDIDATE_IDS.filter((id) => chosen.includes(id));
    setFound({ ids, figures: [] });
    ask({ kind: 'trials', wishes: ids.map((id) => ({ ...base(id), families, children })) });
  };
  const rows = found.figures.map((figures, index) => ({ id: found.ids[index]!, name: CANDIDATE_WORDS[found.ids[index]!], figures }));
  return (
    <section aria-labelledby="trial-title">
      <h2 id="trial-title" className="mt-6 border-b border-ink pb-1 text-[18px]">
        Simulated students
      </h2>
      <p className="mt-1 max-w-[80ch] text-soft">
        The same simulated students, with the same luck, under each rule. Their chance of success depends on their ability and the step’s
        demand. They learn most when about three of four tries succeed. This compares rules. It does not predict any real student.
      </p>
      <div className="mt-2 flex flex-wrap items-end gap-x-4 gap-y-2">
        <label>
          <span className="block text-[13px] font-semibold text-soft">ladder</span>
          <select className="field" value={slug} onChange={(event) => setSlug(event.target.value)}>
            {ladders.map((each) => (
              <option key={each.slug} value={each.slug}>
                {each.title.en}, {each.demands.length} steps
              </option>
            ))}
          </select>
        </label>
        <label>
          <span className="block text-[13px] font-semibold text-soft">help</span>
          <select className="field" value={order} onChange={(event) => setOrder(event.target.value as PromptFading)}>
            {ORDERS.map((each) => (
              <option key={each} value={each}>
                {words(`settings.promptFading.${each}`)}
              </option>
            ))}
          </select>
        </label>
        <label>
          <span className="block text-[13px] font-semibold text-soft">students</span>
          <select className="field" value={children} onChange={(event) => setChildren(Number(event.target.value))}>
            {CHILDREN.map((each) => (
              <option key={each} value={each}>
                {each}
              </option>
            ))}
          </select>
        </label>
        <label>
          <span className="block text-[13px] font-semibold text-soft">Random seed</span>
          <input
            type="number"
            min={0}
            max={9999}
            className="field w-[76px]"
            value={seed}
            onChange={(event) => setSeed(Math.max(0, Math.round(Number(event.target.value))))}
          />
        </label>
      </div>
      <FamilyFields
        {...{ families, setFamilies, checks }}
        isBusy={share !== null}
        fit={
          log &&
          (() => {
            setChecks(null);
            ask({ kind: 'fit', log, options: { ...base('row3'), weeks: 26 } });
          })
        }
      />
      <fieldset className="mt-3">
        <legend className="text-[13px] font-semibold text-soft">Rules</legend>
        <span className="flex flex-wrap gap-x-4 gap-y-1">
          {CANDIDATE_IDS.map((id) => (
            <label key={id} className="flex items-center gap-2">
              <input
                type="checkbox"
                checked={chosen.includes(id)}
                onChange={(event) => setChosen(event.target.checked ? [...chosen, id] : chosen.filter((each) => each !== id))}
              />
              {CANDIDATE_WORDS[id]}
            </label>
          ))}
        </span>
      </fieldset>
      <p className="mt-3 flex flex-wrap items-baseline gap-4">
        <button
          type="button"
          className="act act-main"
          onClick={run}
          disabled={share !== null || chosen.length < FEWEST}
          data-key="r"
          data-key-says="Run"
        >
          Run it <KeyCap>R</KeyCap>
        </button>
        {share !== null && (
          <>
            <progress value={share} aria-label="How far it is" />
            <button type="button" className="link" onClick={stop}>
              Stop
            </button>
          </>
        )}
        {chosen.length < FEWEST && <span className="text-soft">Choose at least two rules.</span>}
        <span role="status">
          {fault ?? (share === null && rows.length > 0 && rows.length < found.ids.length ? 'Stopped: these rules were done.' : '')}
        </span>
      </p>
      {rows.length > 0 && (
        <>
          <TrialChart rows={rows} />
          <TrialTable rows={rows} />
        </>
      )}
    </section>
  );
}

/** How the simulated families practice and report, and how near they come to those of the log. */
function FamilyFields({
  families,
  setFamilies,
  checks,
  isBusy,
  fit,
}: {
  families: Families;
  setFamilies: (families: Families) => void;
  checks: readonly FitCheck[] | null;
  isBusy: boolean;
  /** Fits them to the log; null where there is none. */
  fit: (() => void) | null;
}) {
  const number = (name: keyof Families, says: string, [least, most, step]: readonly [number, number, number]) => (
    <label>
      <span className="block text-[13px] font-semibold text-soft">{says}</span>
      <input
        type="number"
        min={least}
        max={most}
        step={step}
        className="field w-[92px]"
        value={families[name]}
        onChange={(event) => setFamilies({ ...families, [name]: Math.min(most, Math.max(least, Number(event.target.value))) })}
      />
    </label>
  );
  return (
    <fieldset className="mt-3">
      <legend className="text-[13px] font-semibold text-soft">Families</legend>
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        {number('practises', 'practice, of planned days', [0, 1, 0.05])}
        {number('tells', 'Share of practice that is reported', [0, 1, 0.05])}
        {number('rosy', 'Reported as better than it was, by', [0, 0.3, 0.05])}
        {number('headStart', 'begin above the step by', [-1, 2, 0.1])}
        {number('growth', 'grow a session by', [0.001, 0.2, 0.005])}
        {fit && (
          <button type="button" className="act" disabled={isBusy} onClick={fit}>
            Match the families in your records
          </button>
        )}
      </div>
      {checks && (
        <ul className="mt-2 list-disc pl-5 text-[14px]">
          {checks.map((check) => (
            <li key={check.figure} className={check.fits ? '' : 'font-semibold'}>
              {fitSentence(check)}
            </li>
          ))}
        </ul>
      )}
    </fieldset>
  );
}

function TrialTable({ rows }: { rows: readonly { readonly id: CandidateId; readonly name: string; readonly figures: TrialFigures }[] }) {
  return (
    <table className="mt-3 w-full border-collapse text-[14px]">
      <caption className="text-left text-[13px] text-soft">
        Intervals: 95% for shares and means. For weeks, the middle half of the students. {WEEKS} weeks at most.
      </caption>
      <thead>
        <tr className="border-b border-ink text-left">
          <th scope="col">Rule</th>
          <th scope="col">Reached the top step</th>
          <th scope="col">Of those, independent</th>
          <th scope="col">Weeks to get there</th>
          <th scope="col">Difficult sessions</th>
          <th scope="col">Step changes per month</th>
          <th scope="col">Independent at the end</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ id, name, figures: { reachedTop, holdShare, weeksToTop, struggledShare, changesAMonth, helpAtEnd, children } }) => (
          <tr key={id} className="border-b border-line">
            <th scope="row" className="py-1 text-left font-normal">
              {name}
            </th>
            <td>
              {percent(reachedTop.share)} <span className="text-soft">({percents(reachedTop.low, reachedTop.high)})</span>
            </td>
            <td>{holdShare === null ? '–' : percent(holdShare)}</td>
            <td>
              {weeksToTop ? (
                <>
                  {weeksToTop.median.toFixed(0)}{' '}
                  <span className="text-soft">
                    ({weeksToTop.low.toFixed(0)}–{weeksToTop.high.toFixed(0)})
                  </span>
                </>
              ) : (
                '–'
              )}
            </td>
            <td>
              {percent(struggledShare.mean)} <span className="text-soft">({percents(struggledShare.low, struggledShare.high)})</span>
            </td>
            <td>
              {changesAMonth.mean.toFixed(1)}{' '}
              <span className="text-soft">
                ({changesAMonth.low.toFixed(1)}–{changesAMonth.high.toFixed(1)})
              </span>
            </td>
            <td>{percent(helpAtEnd.alone / children)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
