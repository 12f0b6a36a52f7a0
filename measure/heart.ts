import { KNOB_IDS, type TaskKnob } from '@/core/knobs';
import { checkTask, findTasks } from '@/core/library';
import { proposeLadder } from '@/core/ladder';
import { fitFor, type ChildFacts } from '@/core/programs';
import { judgeSafety, thingsAt } from '@/core/safety';
import type { TaskContent } from '@/core/tasks';
import { loadLibrary } from '../library/loadLibrary';
import { medianMilliseconds } from './timing';

export interface HeartFigure {
  readonly what: string;
  readonly milliseconds: number;
  /** Most that it may take; null where nothing is asked. */
  readonly aim: number | null;
}

const RUNS = 30;
const LEVELS = 9;
const KNOBS = 12;
const STEPS_EACH_WAY = 4;

/** The search for a ladder at its full size, and everything that is checked of the whole stock library. */
export async function measureHeart(): Promise<HeartFigure[]> {
  const knobs = KNOB_IDS.slice(0, KNOBS).map((knob, index): TaskKnob => ({
    knob,
    levels: Array.from({ length: LEVELS }, (_, level) => ({ en: `${level}`, es: `${level}` })),
    weight: 1 + index * 0.137,
  }));
  const measured = knobs.map((knob) =>
    knob.knob === 'precision'
      ? { ...knob, levels: knob.levels.map((level, place) => ({ ...level, measures: { openingMm: 200 / (place + 1), distanceMm: 300 } })) }
      : knob,
  );
  const start = Object.fromEntries(knobs.map(({ knob }) => [knob, (LEVELS - 1) / 2]));
  const options = { start, easierSteps: STEPS_EACH_WAY, harderSteps: STEPS_EACH_WAY };
  const library = loadLibrary();
  const child: ChildFacts = {
    ageYears: 5,
    hand: 'left',
    mouthsThings: true,
    scissorsAllowed: false,
    allergies: ['wheat'],
    texturesAvoided: ['sticky'],
    precautions: [],
    themesNotWanted: [],
    practiceWeekdays: [1, 2, 3, 4, 5, 6, 7],
    minutesPerDay: 20,
    materialsAtHome: ['paper', 'box'],
    taskSettings: {},
  };
  const size = `${KNOBS} knobs of ${LEVELS} levels, ${STEPS_EACH_WAY} steps each way`;
  return [
    { what: `ladder search, ${size}`, milliseconds: await medianMilliseconds(RUNS, () => proposeLadder({ ...options, knobs })), aim: 50 },
    {
      what: `the same with measures on one knob`,
      milliseconds: await medianMilliseconds(RUNS, () => proposeLadder({ ...options, knobs: measured })),
      aim: 50,
    },
    {
      what: `every check of the ${library.length} stock tasks`,
      milliseconds: await medianMilliseconds(RUNS, () => library.forEach(checkWhole)),
      aim: 1000,
    },
    {
      what: 'how each of them suits one child',
      milliseconds: await medianMilliseconds(RUNS, () => library.map((task) => fitFor(task, child, ['scissors']))),
      aim: null,
    },
    {
      what: 'search for “pegs”',
      milliseconds: await medianMilliseconds(RUNS, () =>
        findTasks(
          library.map((content) => ({ content })),
          { search: 'pegs' },
        ),
      ),
      aim: null,
    },
  ];
}

function checkWhole(task: TaskContent): void {
  checkTask(task);
  judgeSafety(task, thingsAt(task, 1, task.ladder.steps.length), null);
}
