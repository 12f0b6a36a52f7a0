import { languageOf } from '@/core/text';
import type { Compose } from '@/server/programs/makePaper';
import { familyWords } from '@/ui/shared/familyWords';
import { paperOf } from '@/ui/task/paperOf';

/** A program in its family's words, as the family's page says it. */
export const compose: Compose = async (view, options) => paperOf(view, await familyWords(languageOf(view.child.familyLanguage)), options);
