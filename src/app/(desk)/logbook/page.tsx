import { screen } from '@/app/screen';
import { logbookWish } from '@/ui/desk/logbook/logbookWish';
import { viewLogbook } from '@/server/logbook/viewLogbook';
import { LogbookScreen } from '@/ui/desk/logbook/LogbookScreen';
import { Shell } from '@/ui/desk/frame/Shell';

export default async function LogbookPage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const wish = logbookWish(await searchParams);
  return screen(async (actor, context) => {
    const view = await viewLogbook(context, actor, wish);
    return (
      <Shell here="/logbook" actor={actor}>
        <LogbookScreen view={view} wish={wish} />
      </Shell>
    );
  });
}
