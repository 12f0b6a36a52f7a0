import { screen } from '@/app/screen';
import { viewSchoolYear } from '@/server/settings/schoolYear';
import { Shell } from '@/ui/desk/frame/Shell';
import { YearScreen } from '@/ui/desk/settings/YearScreen.client';
import { previewCalendarAction, setYearAction } from './actions';

export default async function SchoolYearPage() {
  return screen(async (actor, context) => (
    <Shell here="/settings" actor={actor}>
      <YearScreen view={await viewSchoolYear(context, actor)} keep={setYearAction} preview={previewCalendarAction} />
    </Shell>
  ));
}
