import { loadLibrary } from '../../../library/loadLibrary';
import { checkTask } from '../library';
import { dayTargetOf, doseAt, plannedDoseSchema, calculateDose } from '../dose';
import { outcomeOf, readForm, type SessionFacts } from '../reports';
import { calendarDay } from '../calendar';
import { applySettings, doseAtStep, plannedDoseOf, SETTING_CHOICES, type TaskContent, type TaskSettings } from '../tasks';
import { helpAtStep } from '../tasks/helpAtStep';
import { numbersInWords } from '../wording';
import { outcomeSettingsAt, stepTargets } from '.';

const library = loadLibrary();
const task = (slug: string) => library.find((each) => each.slug === slug)!;
const today = calendarDay('2026-11-26');

/** A task under every choice of every setting, one at a time; each that changes nothing only once. */
const underSettings = (content: TaskContent): TaskContent[] => {
  const set = Object.entries(SETTING_CHOICES).flatMap(([setting, choices]) =>
    choices.map((choice) => applySettings(content, { [setting]: choice } as TaskSettings)),
  );
  return [...new Map([content, ...set].map((each) => [JSON.stringify(each), each])).values()];
};

/** Builds the report of a family that does exactly what its page asks for, in the fields that the page shows. */
function doneAsAsked(content: TaskContent, step: number): SessionFacts {
  const dose = doseAt(plannedDoseOf(content), step);
  const { handTurns, perHand, perDay } = calculateDose(dose, 1);
  const fields = handTurns === 2 ? { left: perHand, right: perHand } : { amount: perDay };
  const help = helpAtStep(content, step) ?? 'words';
  const raw = { done: 'yes', step, help, ...Object.fromEntries(Object.entries(fields).map(([name, count]) => [name, String(count)])) };
  const takesHalves = dose.target.kind === 'time';
  const read = readForm(raw, { today, step, chooseFrom: step, chooseTo: step, takesHalves });
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  return read.value;
}

describe('what a step asks for', () => {
  it('over the whole library, every step, setting and hand: who does what the step says has reached it', () => {
    let steps = 0;
    for (const content of library.flatMap(underSettings)) {
      const targets = stepTargets(plannedDoseOf(content));
      content.ladder.steps.forEach((_, index) => {
        const step = index + 1;
        const target = targets[index]!;
        const facts = doneAsAsked(content, step);
        const outcome = outcomeOf(
          { ...facts, amount: (facts.left ?? 0) + (facts.right ?? 0) + (facts.amount ?? 0) },
          target,
          outcomeSettingsAt(content, step),
        );
        // A tally asks for nothing, and is not judged.
        expect([content.slug, step, outcome]).toEqual([content.slug, step, target === null ? 'uncounted' : 'reached']);
        steps += 1;
      });
    }
    expect(steps).toBeGreaterThan(3000);
  });

  it('over the whole library: no step says another number than it asks for, nor both hands where each is counted', () => {
    const wrong = library.flatMap((content) =>
      checkTask(content)
        .filter(({ code }) => code === 'numberNotTarget' || code === 'handsNotTarget')
        .map(({ path, code }) => `${content.slug} ${path} ${code}`),
    );
    expect(wrong).toEqual([]);
  });

  it('finds the faults that the steps had while all of a ladder had one target', () => {
    const withoutOwn = (slug: string): TaskContent => {
      const content = task(slug);
      return { ...content, ladder: { ...content.ladder, steps: content.ladder.steps.map(({ dose: _own, ...step }) => step) } };
    };
    const faults = (slug: string) =>
      checkTask(withoutOwn(slug)).flatMap((finding) =>
        finding.code === 'numberNotTarget'
          ? [[finding.path, finding.said, finding.asked]]
          : finding.code === 'handsNotTarget'
            ? [[finding.path]]
            : [],
      );
    expect(faults('wall-push')).toContainEqual(['ladder.steps.0.how', 5, 8]);
    expect(faults('post-the-notices')).toContainEqual(['ladder.steps.5.how', 8, 4]);
    expect(faults('soft-line-hard-line')).toContainEqual(['ladder.steps.0.how', 2, 5]);
    expect(faults('crane-lift')).toContainEqual(['ladder.steps.0.how']);
    expect(faults('wet-the-cement')).toContainEqual(['ladder.steps.0.how']);
  });

  it('two hands at once have one count, feet are told apart, a tally has no target', () => {
    expect(doseAtStep(task('crane-lift'), 1)).toMatchObject({ hands: 'both', target: { perRound: 5 } });
    expect(doseAtStep(task('crane-lift'), 2)).toMatchObject({ hands: 'each' });
    expect(doseAtStep(task('barefoot-pick-up'), 1)).toMatchObject({ hands: 'each', limb: 'foot' });
    expect(dayTargetOf(doseAtStep(task('which-hand-foreman'), 1))).toBeNull();
    expect(dayTargetOf(doseAtStep(task('drum-tower'), 1))).toBe(3);
    expect(dayTargetOf(doseAtStep(task('drum-tower'), 2))).toBe(6);
  });

  it('another choice of hands leaves a step alone that takes both at once', () => {
    const inTurn = applySettings(task('crane-lift'), { hands: 'preferred' });
    expect([1, 2].map((step) => doseAtStep(inTurn, step).hands)).toEqual(['both', 'preferred']);
  });

  it('a dose that was frozen before steps had their own keeps its meaning', () => {
    const { dose } = task('wall-push');
    const old = plannedDoseSchema.parse(JSON.parse(JSON.stringify(dose)));
    expect(doseAt(old, 1)).toEqual(dose);
    expect(stepTargets(old).slice(0, 6)).toEqual([8, 8, 8, 8, 8, 8]);
    expect(stepTargets(plannedDoseOf(task('wall-push'))).slice(0, 6)).toEqual([5, 8, 8, 8, 8, 8]);
  });
});

describe('numbers in words', () => {
  it.each([
    ['Carry ten small cubes. Go slow.', 'en', [{ value: 10, after: ['small', 'cubes'] }]],
    [
      'Llenen las dos filas con doce trozos.',
      'es',
      [
        { value: 2, after: ['filas', 'con'] },
        { value: 12, after: ['trozos'] },
      ],
    ],
    ['One at a time.', 'en', []],
    ['Six.', 'es', []],
  ] as const)('%s', (text, language, found) => {
    expect(numbersInWords(text, language)).toEqual(found);
  });
});
