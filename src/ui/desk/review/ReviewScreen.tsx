import { isOfStop, mostLaterDays, PLAIN_KINDS, plainCases, type Decision } from '@/core/review';
import type { DecisionInFull, ReviewView } from '@/server/review/viewReview';
import { momentIn, timeIn } from '../../shared/days';
import { BASE_LANGUAGE } from '@/core/text';
import { languageName } from '../../shared/languageName';
import { words } from '../../shared/deskWords';
import { safetyWords } from '../parts/taskWords';
import { Colleagues, ToDoLine } from './Besides';
import { CardList, type CardListItem } from './CardList';
import { fromCard, reviewAddress } from './reviewAddress';
import { ReviewEvidence } from './ReviewEvidence';
import { Snoozed, snoozedInWords } from './Snoozed';
import { ReviewActs } from './ReviewActs.client';
import { actsFor, stopChoices } from './actsFor';
import type { ActionOf, Decide, ToFamily } from './reviewAct';
import { afterLadder, decisionTitle, decisionWhy, movedKnobs, triesInWords } from './suggestionWords';

export interface ReviewProps {
  readonly view: ReviewView;
  readonly decide: Decide;
  readonly undo: ActionOf;
}

const URGENT = new Set(['safetyWord', 'maybeHurt', 'unsafe', 'question', 'text']);

export function ReviewScreen({ view, decide, undo }: ReviewProps) {
  const { here, open, settledToday, onlyStep } = view;
  const addressOf = (key: string) => reviewAddress(key, onlyStep);
  const place = open.findIndex((decision) => decision.key === here?.decision.key);
  const total = settledToday.length + open.length;
  const next = open[place + 1] ?? open[0];
  const posts: CardListItem[] = [
    ...settledToday.map((settled) => ({
      state: 'settled' as const,
      label: `${view.names[settled.childId]}: ${words(`decisionKinds.${settled.kind}`)}, done`,
      href: null,
    })),
    ...open.map((decision, index) => ({
      state: index === place ? ('here' as const) : URGENT.has(decision.kind) ? ('urgent' as const) : ('open' as const),
      label: `${view.names[decision.childId]}: ${words(`decisionKinds.${decision.kind}`)}`,
      href: addressOf(decision.key),
    })),
  ];
  return (
    <>
      <h1 className="sr-only">Review</h1>
      <div className="flex items-end gap-6">
        <CardList posts={posts} />
        <p className="shrink-0 pb-1 leading-tight">
          <strong>
            {Math.min(total, settledToday.length + Math.max(0, place) + (here ? 1 : 0))} of {total}
          </strong>
          <br />
          <span className="text-[13px] text-soft">
            {settledToday.length} done today, {open.length} open
          </span>
        </p>
      </div>
      <AtOneStep view={view} />
      {here?.mayChange && <Plain open={open} />}
      <InThePost view={view} />
      <Snoozed view={view} undo={undo} />
      <Colleagues view={view} />
      <ToDoLine toDo={view.toDo} />
      {here ? (
        <div data-decision={here.decision.key} className="mt-3 grid grid-cols-1 gap-6 min-[900px]:grid-cols-[minmax(0,1fr)_330px]">
          <ReviewEvidence here={here} today={view.today} />
          <aside>
            <Why decision={here.decision} task={here.task} stepOutcomes={here.stepOutcomes} findings={here.findings} />
            <EarlierActions here={here} timeZone={view.timeZone} />
            <ReviewActs
              key={here.decision.key}
              decide={decide}
              undo={undo}
              acts={actsFor(here.decision, here.task, here.mayChange)}
              decisionKey={here.decision.key}
              childId={here.child.id}
              version={here.program.number}
              stop={isOfStop(here.decision.kind) ? stopChoices(here) : null}
              mayTakeOut={here.mayChange && here.findings.length > 0}
              mostLaterDays={mostLaterDays(here.decision.kind)}
              toFamily={toFamily(here)}
              betweenHref={
                here.decision.kind === 'stuck' && here.task
                  ? fromCard(`/tasks/${here.task.content.slug}#step-${here.decision.suggestion!.toStep}`, here.decision.key)
                  : null
              }
              paperHref={here.decision.kind === 'quiet' || here.decision.kind === 'neverOpened' ? `/students/${here.child.id}/print` : null}
              builderHref={here.mayChange ? fromCard(`/students/${here.child.id}/program`, here.decision.key) : null}
              nextHref={next && next.key !== here.decision.key ? addressOf(next.key) : null}
              doneHref={addressOf('')}
              nextIsSameChild={next?.childId === here.child.id}
              lastDecisionId={settledToday.at(-1)?.id ?? null}
            />
          </aside>
        </div>
      ) : (
        <div className="mt-10 max-w-[560px]">
          <p className="font-title text-[22px] font-bold">
            {view.snoozed.length === 0
              ? view.holds > 0
                ? `On hold after an injury report: ${view.holds}. Nothing else needs a decision right now.`
                : 'Nothing needs a decision right now.'
              : `Nothing else needs you today: ${snoozedInWords(view)}.`}
          </p>
          <p className="mt-2 text-soft">The caseload shows all students.</p>
          <ReviewActs
            decide={decide}
            undo={undo}
            acts={[]}
            decisionKey=""
            childId={0}
            version={0}
            stop={null}
            mayTakeOut={false}
            mostLaterDays={1}
            toFamily={null}
            betweenHref={null}
            paperHref={null}
            builderHref={null}
            nextHref={null}
            doneHref={addressOf('')}
            nextIsSameChild={false}
            lastDecisionId={settledToday.at(-1)?.id ?? null}
          />
        </div>
      )}
    </>
  );
}

/** Returns the reader of a message from this card. */
function toFamily({ child, phrases, decision, reports, texts }: DecisionInFull): ToFamily {
  const question = reports.find(({ reportId }) => decision.kind === 'question' && decision.reportIds.includes(reportId));
  return {
    language: child.familyLanguage,
    languageName: languageName(child.familyLanguage),
    isOther: child.familyLanguage !== BASE_LANGUAGE,
    phrases,
    asked: question?.words ?? texts.at(-1)?.text ?? null,
  };
}

type WhyProps = Pick<DecisionInFull, 'decision' | 'task' | 'stepOutcomes' | 'findings'>;

function Why({ decision, task, stepOutcomes, findings }: WhyProps) {
  const { why, otherwise } = decisionWhy(decision);
  // Counts only those who came by a step up: others were placed at it, or came back to it.
  const stayed = stepOutcomes ? stepOutcomes.came - stepOutcomes.wentUp - stepOutcomes.wentBack : 0;
  const urgent = URGENT.has(decision.kind);
  const after = decision.kind === 'ladderEnd' ? afterLadder(task) : [];
  const knobs = task && decision.suggestion && decision.kind !== 'stuck' ? movedKnobs(task, task.step, decision.suggestion.toStep) : [];
  return (
    <section
      className={`rounded-[4px] border border-line border-l-[5px] bg-sheet px-5 py-4 ${urgent ? 'border-l-brick' : 'border-l-green'}`}
      aria-label="Suggestion and its rule"
    >
      <h2 className="text-[18px]">{decisionTitle(decision, task)}</h2>
      {triesInWords(decision) && <p className="mt-2 font-semibold text-brick">{triesInWords(decision)}</p>}
      <p className="mt-2">{why}</p>
      {findings.length > 0 && (
        <ul className="mt-2 font-semibold text-brick">
          {findings.map((finding) => (
            <li key={finding.key}>{safetyWords(finding)}</li>
          ))}
        </ul>
      )}
      {knobs.length > 0 && (
        <p className="mt-2">
          {knobs.length === 1 ? 'One grading factor changes' : `${knobs.length} grading factors change`}:{' '}
          <strong>{knobs.join('; ')}</strong>.
        </p>
      )}
      {stepOutcomes && stepOutcomes.came > 1 && (
        <p className="mt-2 text-[14px]">
          Of your students, {stepOutcomes.came} reached step {stepOutcomes.step}: {stepOutcomes.wentUp} moved up, {stepOutcomes.wentBack}{' '}
          moved back
          {stayed > 0 && `, ${stayed} ${stayed === 1 ? 'is' : 'are'} still there`}.
        </p>
      )}
      {after.map((next) => (
        <p key={next.words} className="mt-2 font-semibold">
          {next.slug ? <a href={`/tasks/${next.slug}`}>{next.words}</a> : next.words}
        </p>
      ))}
      <p className="mt-2 text-soft">{otherwise}</p>
    </section>
  );
}

/** Offers several plain cards of a kind as a list, to settle in one go. */
function Plain({ open }: { open: readonly Decision[] }) {
  const counts = PLAIN_KINDS.map((kind) => ({ kind, count: plainCases(open, kind).length })).filter(({ count }) => count > 1);
  if (counts.length === 0) return null;
  return (
    <p className="mt-1 text-[13px] text-soft">
      <span className="font-semibold">Review together:</span>{' '}
      {counts.map(({ kind, count }, index) => (
        <span key={kind}>
          {index > 0 && ' · '}
          <a className="link" href={`/review/together?kind=${kind}`}>
            {count} clear cases of “{words(`decisionKinds.${kind}`)}”
          </a>
        </span>
      ))}
    </p>
  );
}

/** Points out several students at one step: looked at together, it may be the ladder and not the student. */
function AtOneStep({ view: { outcomesPerStep, onlyStep } }: { view: ReviewView }) {
  if (outcomesPerStep.length === 0) return null;
  return (
    <p className="mt-1 text-[13px] text-soft">
      <span className="font-semibold">Same step, several students:</span>{' '}
      {outcomesPerStep.map((group, index) => {
        const { taskId, step, title, keys, stepOutcomes } = group;
        const isHere = group === onlyStep;
        const held =
          stepOutcomes && stepOutcomes.came > 0
            ? `, ${stepOutcomes.came - stepOutcomes.wentBack} of ${stepOutcomes.came} held it before`
            : '';
        return (
          <span key={`${taskId}:${step}`}>
            {index > 0 && ' · '}
            <a
              className={isHere ? 'font-semibold text-ink' : 'link'}
              aria-current={isHere ? 'true' : undefined}
              href={reviewAddress(null, group)}
            >
              {title.en} to step {step}
            </a>
            : {keys.length} students{held}
          </span>
        );
      })}
      {onlyStep && (
        <>
          {' · '}
          <a className="link" href="/review">
            Show all cards
          </a>
        </>
      )}
    </p>
  );
}

/** Lists today's messages to this person's families, and until when each can still be taken back. */
function InThePost({ view: { post, names, timeZone } }: { view: ReviewView }) {
  if (post.length === 0) return null;
  return (
    <p className="mt-1 text-[13px] text-soft">
      <span className="font-semibold">Messages today:</span>{' '}
      {post
        .map(({ childId, kind, status, sendAt, handedOverAt }) => {
          const state =
            status === 'waiting' && sendAt !== null
              ? `sending at ${timeIn(sendAt, timeZone)}`
              : status === 'handedOver' && handedOverAt !== null
                ? `went out at ${timeIn(handedOverAt, timeZone)}`
                : words(`messageStates.${status}`);
          return `${names[childId]}, ${words(`messageKinds.${kind}`)}, ${state}`;
        })
        .join(' · ')}
    </p>
  );
}

/** Lists the earlier actions on this family's silence. */
function EarlierActions({ here: { earlierActions }, timeZone }: { here: DecisionInFull; timeZone: string }) {
  if (earlierActions.length === 0) return null;
  return (
    <ul className="mt-2 text-[14px]" aria-label="Earlier actions">
      {earlierActions.map(({ id, silenceAction, reason, decidedAt, decidedByName }) => (
        <li key={id} className="border-t border-line py-1">
          {momentIn(decidedAt, timeZone)}, {decidedByName}: {words(`silenceActions.${silenceAction!}`)}
          {reason && <span className="text-soft"> “{reason}”</span>}
        </li>
      ))}
    </ul>
  );
}
