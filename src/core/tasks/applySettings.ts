import type { KnobKey } from '../knobs';
import { SETTING_WORDS } from './settingWords';
import { SHAPE_ORDERS, type TaskSettings } from './settings';
import { withSpans, type TaskContent, type TaskStep } from './taskContent';
import { mapText, say, type LocalText } from '../text';

/** Seconds for which a helper waits before helping, where prompts go from least to most. */
const WAIT_SECONDS = 5;
/** Why a ladder starts at its end where a setting took the steps beyond away: a code, in place of an author's reason. */
const LEFT_BY_SETTING = 'leftBySetting';
/** A ladder is never thinned under this many steps by a setting. */
const LEAST_STEPS = 4;

/**
 * A task as one school of thought does it: the chosen settings change its ladder, its dose and what the family reads.
 * Only settings that the task knows (`task.settings`) do anything; where nobody chose, the task's own take effect.
 * @example applySettings(task, { hands: 'bothInTurn' }).dose.hands // 'each'
 */
export function applySettings(task: TaskContent, chosen: TaskSettings): TaskContent {
  const known = Object.keys(task.settings) as (keyof TaskSettings)[];
  const settings = Object.fromEntries(known.map((key) => [key, chosen[key] ?? task.settings[key]])) as TaskSettings;
  if (settings.shapeOrder === 'free' && !settings.freeShapes && chosen.freeShapes) settings.freeShapes = chosen.freeShapes;
  return [withCoat, withShapeOrder, withMarkOrder, withFilledSteps, withHelp, withHands, withGrasp, withAccuracy, withFading].reduce(
    (changed, change) => change(changed, settings),
    task,
  );
}

/** How the coat is put on follows by `{coat}`. */
function withCoat(task: TaskContent, { coat }: TaskSettings): TaskContent {
  return coat ? { ...task, settings: { ...task.settings, coat } } : task;
}

const SHAPE_KNOB: KnobKey = 'own:shape';

/** Shapes change places on the ladder; which shape a step asks for follows by its `{shape}`. */
function withShapeOrder(task: TaskContent, settings: TaskSettings): TaskContent {
  const knob = task.knobs.find((candidate) => candidate.knob === SHAPE_KNOB);
  const order: readonly string[] =
    settings.shapeOrder === 'free' ? (settings.freeShapes ?? []) : settings.shapeOrder ? SHAPE_ORDERS[settings.shapeOrder] : [];
  if (!knob || order.length === 0) return task;
  const placeOf = (usual: string | undefined) => (usual && order.includes(usual) ? order.indexOf(usual) : order.length);
  const levels = [...knob.levels].sort((a, b) => placeOf(a.usual) - placeOf(b.usual));
  return withLevels(task, knob, levels);
}

/** For schools where some imitate first, the traced and the imitated level change places; the way a mark is made follows by `{mark}`. */
function withMarkOrder(task: TaskContent, { markOrder }: TaskSettings): TaskContent {
  const knob = task.knobs.find((candidate) => candidate.knob === 'markMaking');
  if (markOrder !== 'imitateFirst' || !knob || !mayChangeMarkOrder(task)) return task;
  const traced = knob.levels.findIndex((level) => level.usual === 'traced');
  const levels = [...knob.levels];
  levels.splice(traced, 2, knob.levels[traced + 1]!, knob.levels[traced]!);
  return withLevels(task, knob, levels);
}

/** True where tracing comes right before imitating, and every step at either says how the mark is made by `{mark}`. */
export function mayChangeMarkOrder({ knobs, ladder }: Pick<TaskContent, 'knobs' | 'ladder'>): boolean {
  const levels = knobs.find(({ knob }) => knob === 'markMaking')?.levels ?? [];
  const traced = levels.findIndex((level) => level.usual === 'traced');
  if (traced < 0 || levels[traced + 1]?.usual !== 'imitated') return false;
  return ladder.steps
    .filter((step) => [traced, traced + 1].includes(step.grade.markMaking ?? 0))
    .every((step) => step.how.en.includes('{mark}'));
}

/** True where the shapes of a task are levels of a knob and its steps say which one by `{shape}`. */
export function mayChangeShapeOrder({ knobs, ladder }: Pick<TaskContent, 'knobs' | 'ladder'>): boolean {
  return knobs.some(({ knob }) => knob === SHAPE_KNOB) && ladder.steps.every((step) => step.how.en.includes('{shape}'));
}

function withLevels(task: TaskContent, knob: TaskContent['knobs'][number], levels: TaskContent['knobs'][number]['levels']): TaskContent {
  return { ...task, knobs: task.knobs.map((candidate) => (candidate === knob ? { ...knob, levels } : candidate)) };
}

/** Name and way of a step with its shape and its way of making a mark filled in. */
export function filledStep(task: Pick<TaskContent, 'knobs'> & Partial<Pick<TaskContent, 'settings'>>, step: TaskStep): TaskStep {
  const levelOf = (key: KnobKey) => task.knobs.find(({ knob }) => knob === key)?.levels[step.grade[key] ?? 0];
  const marking = levelOf('markMaking');
  const ways: Readonly<Record<string, LocalText>> = SETTING_WORDS.mark;
  const holes: Readonly<Record<string, LocalText | undefined>> = {
    '{shape}': levelOf(SHAPE_KNOB),
    '{marking}': marking,
    '{mark}': ways[marking?.usual ?? ''],
    '{coat}': SETTING_WORDS.coat[task.settings?.coat ?? 'floorFlip'],
  };
  const filled = (text: LocalText): LocalText =>
    mapText(text, (words, language) =>
      Object.entries(holes).reduce((full, [hole, filling]) => (filling ? full.replaceAll(hole, say(filling, language)) : full), words),
    );
  return { ...step, name: filled(step.name), how: filled(step.how) };
}

function withFilledSteps(task: TaskContent): TaskContent {
  return { ...task, ladder: { ...task.ladder, steps: task.ladder.steps.map((step) => filledStep(task, step)) } };
}

/** Steps whose help a school does not give leave the ladder, and the helper is told how to help. */
function withHelp(task: TaskContent, { helpBy }: TaskSettings): TaskContent {
  if (!helpBy) return task;
  const banned = helpBy === 'hand' ? [] : helpBy === 'wrist' ? ['handOverHand'] : ['handOverHand', 'wristSupport'];
  const levels = task.knobs.find(({ knob }) => knob === 'help')?.levels ?? [];
  const thinned = withoutSteps(task, (step) => banned.includes(levels[step.grade.help ?? 0]?.usual ?? ''));
  return { ...thinned, helperSteps: [...thinned.helperSteps, SETTING_WORDS.helpBy[helpBy]] };
}

function withHands(task: TaskContent, { hands }: TaskSettings): TaskContent {
  switch (hands) {
    case undefined:
      return task;
    case 'preferred':
      return withDoseHands(task, 'preferred');
    case 'bothInTurn':
      return { ...withDoseHands(task, 'each'), helperSteps: [...task.helperSteps, SETTING_WORDS.hands.bothInTurn] };
    case 'acrossMiddle': {
      // The pile lies on the side that is not preferred, so that the working hand has to cross.
      const tableMap = task.tableMap.map((thing, index) =>
        index === 0
          ? { ...thing, place: 'otherSide' as const }
          : thing.place === 'otherSide'
            ? { ...thing, place: 'preferredSide' as const }
            : thing,
      );
      return {
        ...withDoseHands(task, 'preferred'),
        tableMap,
        helperSteps: [...task.helperSteps, SETTING_WORDS.hands.acrossMiddle],
      };
    }
  }
}

/** Other hands for the task; a step that takes both hands at once stays as it is. */
function withDoseHands(task: TaskContent, hands: 'preferred' | 'each'): TaskContent {
  const steps = task.ladder.steps.map((step) =>
    step.dose?.hands && step.dose.hands !== 'both' ? { ...step, dose: { ...step.dose, hands } } : step,
  );
  return { ...task, dose: { ...task.dose, hands }, ladder: { ...task.ladder, steps } };
}

function withGrasp(task: TaskContent, { grasp }: TaskSettings): TaskContent {
  return grasp ? { ...task, looksRight: [...task.looksRight, SETTING_WORDS.grasp[grasp]] } : task;
}

/** For schools where close is good enough, the narrowest paths leave the ladder and a near miss counts as good. */
function withAccuracy(task: TaskContent, { accuracy }: TaskSettings): TaskContent {
  if (!accuracy) return task;
  const narrowest = (task.knobs.find(({ knob }) => knob === 'precision')?.levels.length ?? 0) - 1;
  const thinned = accuracy === 'closeEnough' && narrowest > 0 ? withoutSteps(task, (step) => step.grade.precision === narrowest) : task;
  return { ...thinned, looksRight: [...thinned.looksRight, SETTING_WORDS.accuracy[accuracy]] };
}

function withFading(task: TaskContent, { promptFading }: TaskSettings): TaskContent {
  if (!promptFading) return task;
  const helperSteps = [...task.helperSteps, SETTING_WORDS.promptFading[promptFading]];
  if (promptFading === 'mostToLeast') return { ...task, helperSteps };
  const waits = task.dose.target.kind === 'time' ? 0 : WAIT_SECONDS;
  const steps = task.ladder.steps.map((step) =>
    step.dose?.secondsEach === undefined ? step : { ...step, dose: { ...step.dose, secondsEach: step.dose.secondsEach + waits } },
  );
  return {
    ...task,
    helperSteps,
    dose: { ...task.dose, secondsEach: task.dose.secondsEach + waits },
    ladder: { ...task.ladder, steps },
  };
}

/** The start stays on the same step where that step stays, else on the next harder one. */
function withoutSteps(task: TaskContent, leaves: (step: TaskContent['ladder']['steps'][number]) => boolean): TaskContent {
  const { steps, startStep } = task.ladder;
  const stays = steps.map((step) => !leaves(step));
  const left = steps.filter((_, index) => stays[index]);
  if (left.length === steps.length || left.length < LEAST_STEPS) return task;
  const place = (step: number) => stays.slice(0, step - 1).filter(Boolean).length + 1;
  const moved = Math.min(left.length, place(startStep));
  const kept = withSpans(task, (span) => {
    const [from, to] = [place(span.from), place(span.to + 1) - 1];
    // Content of steps that are all gone goes with them.
    return from > to ? null : { from, to };
  });
  const atEnd = moved === 1 || moved === left.length;
  const startReason = atEnd ? (task.ladder.startReason ?? LEFT_BY_SETTING) : task.ladder.startReason;
  return { ...kept, ladder: { ...task.ladder, steps: left, startStep: moved, ...(startReason ? { startReason } : {}) } };
}
