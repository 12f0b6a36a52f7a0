import { parseCalendarDay } from '@/core/calendar';
import { answerWith } from '@/app/screen';
import { kitsForFile } from '@/server/kits/kitsForFile';
import { kitsFile } from '@/ui/desk/kits/kitWords';

/** Every line of every bag of a school, as CSV. */
export async function GET(request: Request): Promise<Response> {
  const { searchParams } = new URL(request.url);
  const [school, week] = [searchParams.get('school') ?? '', parseCalendarDay(searchParams.get('week') ?? '')];
  const headers = { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': 'attachment; filename="kits.csv"' };
  return answerWith(
    (actor, context) => kitsForFile(context, actor, school, week, kitsFile),
    (file) => new Response(file, { headers }),
  );
}
