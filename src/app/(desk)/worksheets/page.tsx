import { screen } from '@/app/screen';
import { composeSheet } from '@/app/sheetWords';
import { ANYBODY } from '@/server/worksheets/makeSheets';
import { viewSheets } from '@/server/worksheets/viewSheets';
import { Shell } from '@/ui/desk/frame/Shell';
import { SheetsScreen } from '@/ui/desk/worksheets/SheetsScreen';
import { putSheetForChildAction, addSheetToDraftAction, readOutlineAction } from './actions';

type Search = Promise<Record<string, string | string[] | undefined>>;
const ACTS = { putForChild: putSheetForChildAction, putInEditor: addSheetToDraftAction, readFile: readOutlineAction };

export default async function SheetsPage({ searchParams }: { searchParams: Search }) {
  const options = await searchParams;
  return screen(async (actor, context) => {
    const view = await viewSheets(context, actor, options);
    const audience = view.open?.child ? { ...view.open.child, familyLanguage: view.open.child.language } : ANYBODY;
    const words = view.open && (await composeSheet(view.open.content, view.open.step, audience)).words;
    return (
      <Shell here="/worksheets" actor={actor}>
        <SheetsScreen view={view} words={words} acts={ACTS} />
      </Shell>
    );
  });
}
