import { knobOf, doseAtStep, filledStep, type TaskContent } from '../tasks';
import { LANGUAGES, plain, say, type Language, type LocalText } from '../text';
import { numbersInWords } from '../wording';
import type { TaskFinding } from './taskFinding';

/** Words that count as a repetition in any task. */
const REPETITIONS: LocalText = {
  en: 'times presses turns rounds throws tosses cuts snips hops taps squeezes goals rolls',
  es: 'veces apretones vueltas rondas tiros cortes saltos toques goles',
};
/** Both hands at once, as a step says it. */
const TWO_HANDS: Partial<Record<Language, RegExp>> = {
  en: /\b(?:two|both) (?:flat )?hands\b|\bboth thumbs\b/i,
  es: /\b(?:las )?dos manos\b|\blos dos pulgares\b/i,
};
/** Body parts: their number is not an amount. */
const BODY: Partial<Record<Language, RegExp>> = {
  en: /^(?:flat|hands?|palms?|thumbs?|fingers?|pinches|feet|toes)$/,
  es: /^(?:manos?|palmas?|pulgares|dedos?|pinzas|pies)$/,
};
/** Two words are of one stem where they begin with so many of the same letters, or are the same. */
const STEM = 4;
/** Units of size: their number is not an amount. */
const SIZE = /^(?:inch(?:es)?|feet|foot|pulgadas?|pies|mm|cm)$/;

/**
 * Steps whose words name another number than they ask for, or both hands where each has its own turn. A number is taken for
 * an amount where it stands before a thing of the task, what its levels of count or size call it, or a repetition; where the task says what
 * one good one is, only before what that names. Our own definition.
 */
export function checkAmountWords(task: TaskContent): TaskFinding[] {
  return task.ladder.steps.flatMap((step, index): TaskFinding[] => {
    const { target, hands } = doseAtStep(task, index + 1);
    const { how } = filledStep(task, step);
    const path = `ladder.steps.${index}.how`;
    return LANGUAGES.flatMap((language): TaskFinding[] => {
      const said = how[language];
      if (!said) return [];
      const amount = target.kind === 'count' ? target.perRound : target.kind === 'untilDone' ? target.pieces : null;
      const stems = countedWords(task, language).map((word) => word.slice(0, STEM));
      const isCounted = (after: readonly string[]) =>
        !BODY[language]?.test(after[0] ?? '') && !SIZE.test(after[0] ?? '') && after.some((word) => stems.includes(word.slice(0, STEM)));
      const other =
        amount === null ? undefined : numbersInWords(said, language).find(({ value, after }) => value !== amount && isCounted(after));
      return [
        ...(other ? [{ severity: 'error', path, code: 'numberNotTarget', language, said: other.value, asked: amount! } as const] : []),
        ...(hands !== 'both' && TWO_HANDS[language]?.test(said)
          ? [{ severity: 'error', path, code: 'handsNotTarget', language } as const]
          : []),
      ];
    });
  });
}

function countedWords(task: TaskContent, language: Language): string[] {
  const levelsOf = (knob: 'itemCount' | 'itemSize') => knobOf(task, knob)?.levels ?? [];
  const counted = task.dose.goodOne
    ? [task.dose.goodOne]
    : [...task.materials.map(({ name }) => name), ...levelsOf('itemCount'), ...levelsOf('itemSize'), REPETITIONS];
  return counted
    .flatMap((text) => plain(say(text, language)).split(/[^\p{L}]+/u))
    .filter((word) => word.length >= STEM && !SIZE.test(word));
}
