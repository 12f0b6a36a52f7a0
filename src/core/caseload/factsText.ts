import type { Child } from '../students';

const LANGUAGE_NAMES = new Intl.DisplayNames('en', { type: 'language' });
const WAYS: Readonly<Record<string, string>> = { link: 'by link', text: 'by text', paper: 'on paper', call: 'by call' };

/** The facts of a child as a search looks for them: "left", "latex", "Spanish", "mouths", "no scissors", "on paper". */
export function factsText(child: Child): string {
  return [
    child.hand === 'unsettled' ? 'hand not settled' : `${child.hand} hand`,
    ...(child.leaningHand ? [`probably ${child.leaningHand} hand`] : []),
    ...(child.mouthsThings ? ['mouths things'] : []),
    ...(child.scissorsAllowed ? [] : ['no scissors']),
    ...child.allergies,
    ...child.precautions.map(({ words }) => words),
    ...child.texturesAvoided.map((texture) => `avoids ${texture}`),
    ...new Set([...child.homeLanguages, child.familyLanguage].map((code) => LANGUAGE_NAMES.of(code) ?? code)),
    child.hasPrinter ? 'has a printer' : 'no printer',
    WAYS[child.reportWay] ?? child.reportWay,
    ...child.contacts.map(({ name, relation }) => `${name} ${relation}`),
    child.likes,
  ].join(' · ');
}
