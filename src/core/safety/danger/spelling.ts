import { lettersApart } from '../../text';

/** Words of harm that are often written as they sound. */
const OFTEN_MISSPELLED =
  'swallow swallowed swallowing swollen swelling bleeding bruise bruised blister blisters choking vomited vomiting scratched pinched breathe breathing allergic allergy bandage stitches hospital emergency unconscious seizure concussion fractured sprained wheezing ambulance splinter splinters dizzy hurting injured injury puncture poison shoulder elbow stomach tongue ankle finger fingers knuckle forehead muscle wrist scissors urgencias esguince hinchado hinchada moreton sangrando sangre vomito lastimo torcedura ampolla sarpullido alergia mareado mareada hospital ambulancia garganta cabeza atraganto ahogando'.split(
    ' ',
  );
/** Everyday words with the same consonants. */
const OTHERWISE = new Set(['checking', 'checked', 'building', 'spelling', 'bringing', 'sangria', 'alegria', 'sandwiches']);

const keyed = new Map<string, string[]>();
for (const word of OFTEN_MISSPELLED) keyed.set(soundOf(word), [...(keyed.get(soundOf(word)) ?? []), word]);

/**
 * A word as it was meant where it is a word of harm written by ear: the same consonants by sound, and at most two letters apart.
 * @example heardAs('bleding') // 'bleeding'
 * @example heardAs('urgensias') // 'urgencias'
 */
export function heardAs(word: string): string {
  if (word.length < 5 || OTHERWISE.has(word)) return word;
  return keyed.get(soundOf(word))?.find((meant) => lettersApart(word, meant) <= 2) ?? word;
}

/** The consonants of a word by their sound, the first letter kept. */
function soundOf(word: string): string {
  return word
    .replace(/^h/, '')
    .replace(/ph/g, 'f')
    .replace(/ck|qu|c(?![eiyh])/g, 'k')
    .replace(/c(?=[eiy])|z/g, 's')
    .replace(/g(?=[ei])/g, 'j')
    .replace(/v/g, 'b')
    .replace(/(?!^)[aeiouyhw]/g, '')
    .replace(/(.)\1+/g, '$1');
}
