import { taskDraftSchema, type TaskContent } from '@/core/tasks';

const nothing = { en: '' };

/** A task with nothing in it yet but one knob and two steps, so that the grid has something to turn. */
export function emptyTask(slug: string, title: string): TaskContent {
  const step = (level: number) => ({ name: nothing, how: nothing, grade: { help: level } });
  return taskDraftSchema.parse({
    slug,
    title: { en: title },
    skill: 'handStrength',
    otherSkills: [],
    part: 'tableWork',
    ages: { fromYears: 4, toYears: 8 },
    knobs: [
      {
        knob: 'help',
        levels: [
          { en: 'shown first', es: 'se muestra antes', usual: 'shown' },
          { en: 'alone', es: 'sin ayuda', usual: 'alone' },
        ],
      },
    ],
    ladder: { startStep: 1, steps: [step(0), step(1)] },
    dose: {
      target: { kind: 'count', perRound: 5 },
      rounds: 1,
      hands: 'preferred',
      secondsEach: 10,
      restSeconds: 15,
      setUpMinutes: 1,
      tidyUpMinutes: 1,
      piecesPerRepetition: 0,
      setUpMovements: [],
    },
    materials: [],
    tableMap: [],
    helperSteps: [],
    childSteps: [],
    looksRight: [],
    cautions: [],
    stopRule: {
      en: 'Stop while it is still fun. Stop at once if your child is tired, upset or hurt.',
      es: 'Paren cuando todavía es divertido. Paren enseguida si hay cansancio, llanto, enojo, dolor o un golpe.',
    },
  });
}
