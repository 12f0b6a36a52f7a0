import { SAFETY_RULES, smallnessOf, thingsAt, type Precaution, type PrecautionAsk, type SafetyFinding } from '../safety';
import { doseAtStep, type TaskContent } from '../tasks';

/** Things that come onto the skin. */
const ON_SKIN = ['foam', 'soap', 'paint', 'glue'] as const;
/** Movements of the body, found by the words of the step: whichever knob brings them. */
const LYING =
  /\b(?:lying|lies|lie (?:down|on|flat)|lay (?:down|on)|on (?:his|her|their|the|your|its) (?:back|belly|tummy|stomach|side)|belly (?:up|down)|on the floor on)\b/i;
const ON_HANDS =
  /\b(?:hands and (?:knees|feet)|on (?:his|her|their|the|both) hands|wheelbarrow|walks? on (?:the |both )?hands|bear walk|crab|crawl(?:s|ing)?|push-?up|wall push|plank)\b/i;

/** The names of the levels at which a step stands. */
function levelsAt({ knobs }: TaskContent, grade: Readonly<Partial<Record<string, number>>>): string[] {
  return knobs.flatMap(({ knob, levels }) => levels[grade[knob] ?? -1]?.en ?? []);
}

/**
 * Lists the risks of a task at some of its steps, 1-based, both included, that a precaution may ask about. Common practice, no
 * source.
 */
function bringsBetween(task: TaskContent, from: number, to: number): Set<PrecautionAsk> {
  const steps = task.ladder.steps.slice(from - 1, to);
  const things = thingsAt(task, from, to).flatMap((thing) => [thing, ...(thing.looseParts ?? [])]);
  const hazards = [...task.moveHazards, ...things.flatMap((thing) => thing.hazards)];
  const positions = task.knobs.find(({ knob }) => knob === 'position')?.levels ?? [];
  const brings = new Set<PrecautionAsk>();
  if ([task.skill, ...task.otherSkills].includes('shoulderStability')) brings.add('weightOnHands');
  if (steps.some((_, index) => doseAtStep(task, from + index).heavyGrip)) brings.add('heavyGrip');
  const wordsOf = ({ how, name, grade }: (typeof steps)[number]) =>
    [how.en, name.en, positions[grade.position ?? -1]?.en ?? '', ...levelsAt(task, grade)].join('. ');
  if (steps.some((step) => LYING.test(wordsOf(step)))) brings.add('lyingFlat');
  if (steps.some((step) => ON_HANDS.test(wordsOf(step)))) brings.add('weightOnHands');
  if (things.some((thing) => smallnessOf(thing) !== null)) brings.add('smallThings');
  if (ON_SKIN.some((hazard) => hazards.includes(hazard))) brings.add('onSkin');
  return brings;
}

/**
 * Lists the precautions that apply to a task at the steps that a family may do: each asks for the therapist's reason, which is
 * stored. They support and do not replace the therapist's judgment.
 * @param from, to steps of its ladder, 1-based, both included
 */
export function precautionsBetween(task: TaskContent, from: number, to: number, precautions: readonly Precaution[]): SafetyFinding[] {
  const brings = bringsBetween(task, from, to);
  return precautions.flatMap(({ words, asks }) =>
    asks
      .filter((ask) => brings.has(ask))
      .map((ask): SafetyFinding => ({
        rule: 'precaution',
        severity: 'acknowledge',
        key: `precaution:${ask}:${words}`,
        thing: null,
        of: words,
        asks: ask,
        ...SAFETY_RULES.precaution,
        twin: null,
      })),
  );
}
