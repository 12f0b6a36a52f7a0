import type { Suggestion } from '../stepRules';
import { daysBetween, type CalendarDay } from '../calendar';
import { groupBy } from '../groupBy';
import { isEnding, restOf, SILENCE_DAYS, silentSince } from '../programs';
import type { Danger } from '../safety';
import { inOrder } from './urgency';
import type { DecisionKind, Decision } from './decision';

/** Facts about one student, as far as they can call for a decision. */
export interface ChildSituation {
  readonly childId: number;
  readonly programId: number;
  readonly versionNumber: number;
  readonly sentOn: CalendarDay;
  readonly startsOn: CalendarDay;
  readonly endsOn: CalendarDay;
  /** A person ended the practice. */
  readonly isEnded: boolean;
  /** The day on which it goes on after a rest; null where it had none. */
  readonly resumesOn: CalendarDay | null;
  /** The day of the latest report, by any way; null where none ever came. */
  readonly lastWordOn: CalendarDay | null;
  readonly linkOpened: boolean;
  readonly tasks: readonly { readonly taskId: number; readonly stepSinceVersion: number; readonly suggestion: Suggestion }[];
  /** Reports that a person has to read, oldest first. */
  readonly unreadReports: readonly {
    readonly reportId: number;
    readonly taskId: number;
    readonly isQuestion: boolean;
  }[];
  /** Texts that a person has to read, oldest first. */
  readonly unreadTextIds: readonly number[];
  /** Clips and pictures from the family that nobody has looked at, oldest first. */
  readonly unseenClips: readonly { readonly clipId: number; readonly taskId: number }[];
  /** Tasks that facts of today stop at steps that the family may do: what a rule blocks, or asks a reason for. */
  readonly stoppedTasks: readonly { readonly taskId: number; readonly blocks: boolean; readonly findingKeys: readonly string[] }[];
  /** The change by which the hand settled, in the last weeks; null where none did. */
  readonly handChangeId: number | null;
  /** The day on which a link sent more than it may, in the last weeks; null where none did. */
  readonly floodedOn: CalendarDay | null;
  /** Holds on tasks of the student, until a person lifts them, oldest first. */
  readonly stops: readonly { readonly reportId: number; readonly taskId: number; readonly danger: Danger; readonly mistake?: boolean }[];
}

/** From so many days after sending a link counts as never opened. Common practice, no source. */
const NEVER_OPENED_DAYS = 3;

/**
 * Everything that asks for a person, most urgent first, see `KIND_WEIGHTS`. The cards of one child stand together.
 * @param settled what was settled on this day
 */
export function decisionsFor(
  situations: readonly ChildSituation[],
  today: CalendarDay,
  settled: readonly Pick<Decision, 'childId' | 'kind'>[] = [],
): Decision[] {
  const all = situations.flatMap((situation) => [
    ...fromStops(situation),
    ...fromFacts(situation),
    ...fromReports(situation),
    ...fromSuggestions(situation),
    ...fromSilence(situation, today),
  ]);
  return inOrder(all, settled);
}

/** Returns a card for each task on hold, as long as it is on hold: a further injury report makes it a new card. */
function fromStops({ childId, stops }: ChildSituation): Decision[] {
  return [...groupBy(stops, ({ taskId }) => taskId)].map(([taskId, own]) => {
    const kind = own.every(({ mistake }) => mistake)
      ? 'pressed'
      : own.every(({ danger }) => danger === 'words')
        ? 'maybeHurt'
        : 'safetyWord';
    const reportIds = own.map(({ reportId }) => reportId);
    return decision(kind, childId, `${taskId}:${reportIds.at(-1)}`, { taskId, reportIds });
  });
}

/** Cards from today's facts about the running program: no report raises them, and no silence. */
function fromFacts({ childId, stoppedTasks, handChangeId, isEnded }: ChildSituation): Decision[] {
  if (isEnded) return [];
  return [
    ...stoppedTasks.map(({ taskId, blocks, findingKeys }) =>
      decision(blocks ? 'unsafe' : 'unsuitable', childId, `${taskId}:${findingKeys.join(',')}`.slice(0, 90), { taskId }),
    ),
    ...(handChangeId === null ? [] : [decision('handSettled', childId, `${handChangeId}`, {})]),
  ];
}

function fromReports({ childId, unreadReports, unreadTextIds, unseenClips, floodedOn }: ChildSituation): Decision[] {
  const flooded = floodedOn === null ? [] : [decision('flooded', childId, floodedOn, {})];
  const read = unreadReports
    .filter(({ isQuestion }) => isQuestion)
    .map((report) => decision('question', childId, `${report.reportId}`, { taskId: report.taskId, reportIds: [report.reportId] }));
  const comments = unreadReports.filter(({ isQuestion }) => !isQuestion).map(({ reportId }) => reportId);
  const toRead = comments.length === 0 ? [] : [decision('comment', childId, `${comments.at(-1)}`, { reportIds: comments })];
  // Makes one card for all of them: the latest makes it a new one.
  const texts = unreadTextIds.length === 0 ? [] : [decision('text', childId, `${unreadTextIds.at(-1)}`, { textIds: unreadTextIds })];
  const lastClip = unseenClips.at(-1);
  const clips = lastClip
    ? [decision('sentBack', childId, `${lastClip.clipId}`, { taskId: lastClip.taskId, clipIds: unseenClips.map(({ clipId }) => clipId) })]
    : [];
  return [...flooded, ...read, ...texts, ...toRead, ...clips];
}

function fromSuggestions({ childId, tasks, isEnded }: ChildSituation): Decision[] {
  if (isEnded) return [];
  const kinds = { up: 'ready', down: 'tooHard', ladderEnd: 'ladderEnd', stuck: 'stuck' } as const;
  return tasks.flatMap(({ taskId, stepSinceVersion, suggestion }) => {
    if (suggestion.move === 'hold' || suggestion.move === 'holdForPerson') return [];
    const { reportIds } = suggestion.evidence;
    // Stuck is a thing of the ladder, not of the last report: a way out that was chosen stands for a while.
    const last = suggestion.move === 'stuck' ? `t${suggestion.tries?.length ?? 0}` : reportIds.at(-1);
    const evidence = `${taskId}:s${stepSinceVersion}:${last}`;
    return [decision(kinds[suggestion.move], childId, evidence, { taskId, reportIds, suggestion })];
  });
}

/** Silence and a program that has ended come back by themselves after so many days. Common practice, no source. */
const COMES_BACK_AFTER = [7, 14, 28] as const;

/** How often something that goes on has come back: a new stage makes it a new decision. */
function stageOf(days: number): number {
  return COMES_BACK_AFTER.filter((after) => days >= after).length;
}

/**
 * A link that was never opened is not also silence; a program's end hides no silence. Silence counts from the last report; where
 * none has come since the program began, or since a pause ended, from that day, since before it nothing could come. Sending a new
 * step does not restart the count. After a person ended or paused the practice, no report is expected.
 */
function fromSilence(situation: ChildSituation, today: CalendarDay): Decision[] {
  const { childId, programId, versionNumber, sentOn, startsOn, endsOn, lastWordOn, linkOpened, resumesOn } = situation;
  if (restOf(situation, today)) return [];
  const left = daysBetween(today, endsOn);
  if (left < 0) return [decision('ended', childId, `${programId}:${endsOn}:${stageOf(-left)}`, { days: -left })];
  const ending = isEnding(situation, today) ? [decision('ending', childId, `${programId}:${endsOn}`, { days: left })] : [];
  const sent = [sentOn, startsOn, resumesOn ?? startsOn].sort().at(-1)!;
  const sinceSent = daysBetween(sent, today);
  if (!linkOpened && (lastWordOn === null || lastWordOn < sent)) {
    const version = `${programId}:v${versionNumber}:${stageOf(sinceSent)}`;
    return [...(sinceSent >= NEVER_OPENED_DAYS ? [decision('neverOpened', childId, version, { days: sinceSent })] : []), ...ending];
  }
  const since = silentSince(situation, lastWordOn);
  const silent = daysBetween(since, today);
  const quiet = silent >= SILENCE_DAYS ? [decision('quiet', childId, `${since}:${stageOf(silent)}`, { days: silent })] : [];
  return [...quiet, ...ending];
}

function decision(kind: DecisionKind, childId: number, evidence: string, rest: Partial<Decision>): Decision {
  return {
    key: `${kind}:${childId}:${evidence}`,
    kind,
    childId,
    taskId: null,
    reportIds: [],
    textIds: [],
    clipIds: [],
    suggestion: null,
    days: null,
    ...rest,
  };
}
