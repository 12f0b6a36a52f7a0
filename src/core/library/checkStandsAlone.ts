import { filledStep, type TaskContent } from '../tasks';
import { LANGUAGES, type Language } from '../text';
import type { TaskFinding } from './taskFinding';

/** Words that speak of the step before, which a family at this one may never have seen. Lists of our own. */
const LEANS: Partial<Record<Language, readonly RegExp[]>> = {
  en: [
    /^(?:no|same|also|only|more|less|as before)\b/iu,
    /\b(?:now|any more|no longer|this time|as before|like before|instead|in place of)\b/iu,
    /\bthe same(?: \w+)? (?:with|as before|but)\b/iu,
    /\bthe \w+ is (?:wider|longer|thinner|smaller|bigger|heavier|higher|lower)\b/iu,
  ],
  es: [
    /^(?:sin|igual|también|lo mismo|la misma|el mismo|más|menos)\b/iu,
    /\b(?:ahora|ya no|esta vez|como antes|en vez de|en lugar de)\b/iu,
    /\b(?:lo mismo|la misma|el mismo)(?: [^ ]+)? (?:con|que antes|pero)\b/iu,
    /\bes más (?:anch|larg|fin|pequeñ|grande|pesad|alt|baj)/iu,
  ],
};

/** Steps whose text leans on the step before: each must be done by who reads it alone. The words that do so are named. */
export function checkStandsAlone(task: TaskContent): TaskFinding[] {
  return task.ladder.steps.flatMap((step, index): TaskFinding[] => {
    const { how } = filledStep(task, step);
    return LANGUAGES.flatMap((language): TaskFinding[] => {
      const said = how[language] ?? '';
      const leaning = LEANS[language]?.map((words) => words.exec(said)?.[0]).find((words) => words !== undefined);
      return leaning
        ? [{ severity: 'warning', path: `ladder.steps.${index}.how`, code: 'leansOnStepBefore', language, said: leaning }]
        : [];
    });
  });
}
