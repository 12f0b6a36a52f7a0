import { mapsFor, type Hand, type TaskContent } from '../tasks';
import { say, type Language, type LocalText } from '../text';
import type { SheetFor } from './figure';

/** Stands where a name is written while no student is chosen. */
const ANY_NAME = 'Aa';

interface SheetForInput {
  readonly content: Pick<TaskContent, 'title' | 'skill' | 'tableMap' | 'materials'>;
  readonly step: number;
  /** Null where the sheet is for no student in particular. */
  readonly child: { readonly calledName: string } | null;
  readonly hand: Hand;
  readonly language: Language;
  readonly isLarge: boolean;
  /** Activities of the session, in order; the task alone where nothing is given. */
  readonly titles?: readonly LocalText[];
}

/** For whom a task's worksheet is drawn, the same on screen and on paper. */
export function sheetFor({ content, step, child, hand, language, isLarge, titles = [content.title] }: SheetForInput): SheetFor {
  return {
    isLeft: hand === 'left',
    name: child?.calledName || ANY_NAME,
    language,
    isLarge,
    table: (mapsFor(content, hand, step)[0]?.places ?? []).map(({ side, what }) => ({ side, what: say(what, language) })),
    stones: titles.map((title) => say(title, language)),
  };
}
