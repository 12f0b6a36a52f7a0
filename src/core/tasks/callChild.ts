import { LANGUAGES, say, type LocalText } from '../text';

const HOLE = '{child}';

/**
 * A task's words with the child called by name where they say `{child}`; a name that begins a sentence begins with a capital.
 * @param value a task, a text, or anything made of texts
 * @param names the name, or what stands for it ("your child"), by language
 * @example callChild({ en: 'You hold. {child} cuts.' }, { en: 'your child' }) // { en: 'You hold. Your child cuts.' }
 */
export function callChild<Value>(value: Value, names: LocalText): Value {
  return called(value, names, names.en) as Value;
}

function called(value: unknown, names: LocalText, name: string): unknown {
  if (typeof value === 'string') return value.includes(HOLE) ? filled(value, name) : value;
  if (Array.isArray(value)) return value.map((each) => called(each, names, name));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, each]) => {
      const language = LANGUAGES.find((known) => known === key);
      return [key, called(each, names, language ? say(names, language) : name)];
    }),
  );
}

const BEGINS_SENTENCE = /(^|[.!?:¿¡“]\s?)$/;

function filled(text: string, name: string): string {
  return text.replaceAll(HOLE, (_, offset: number) =>
    BEGINS_SENTENCE.test(text.slice(0, offset)) ? name.charAt(0).toUpperCase() + name.slice(1) : name,
  );
}
