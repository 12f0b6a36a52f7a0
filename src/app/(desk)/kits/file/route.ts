import { parseCalendarDay } from '@/core/calendar';
import { answerWith } from '@/app/screen';
import { kitsForFile } from '@/server/kits/kitsForFile';
import { kitsFile, shoppingFile } from '@/ui/desk/kits/kitWords';

/** Every line of every bag of a school, or what is to be bought for them, as CSV. */
export async function GET(request: Request): Promise<Response> {
  const { searchParams } = new URL(request.url);
  const [school, week] = [searchParams.get('school') ?? '', parseCalendarDay(searchParams.get('week') ?? '')];
  const [name, tableOf] = searchParams.get('list') === 'shopping' ? (['shopping', shoppingFile] as const) : (['kits', kitsFile] as const);
  const headers = { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': `attachment; filename="${name}.csv"` };
  return answerWith(
    (actor, context) => kitsForFile(context, actor, school, week, tableOf),
    (file) => new Response(file, { headers }),
  );
}
