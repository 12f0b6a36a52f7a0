import { directionOf, languageOf } from '@/core/text';
import type { ComposeSheet } from '@/server/worksheets/makeSheets';
import { familyWords } from '@/ui/shared/familyWords';
import { sheetPage } from '@/ui/task/sheetPage';

/** A sheet in its family's words; in English where those are written from the right, which the letters of a PDF can't. */
export const composeSheet: ComposeSheet = async (content, step, child) => {
  const own = languageOf(child.familyLanguage);
  const language = directionOf(own) === 'rtl' ? 'en' : own;
  return { language, words: sheetPage(content, step, child.calledName, await familyWords(language)) };
};
