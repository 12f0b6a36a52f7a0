import { screen } from '@/app/screen';
import { viewMessages } from '@/server/messages/viewMessages';
import { sendOwnAction, setNetworkAction, tryAgainAction, writeAsFamilyAction } from './actions';
import { MessagesScreen } from '@/ui/desk/messages/MessagesScreen';
import { Shell } from '@/ui/desk/frame/Shell';

export default async function MessagesPage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const { phone, search } = await searchParams;
  const wanted = typeof search === 'string' ? search.slice(0, 80) : '';
  const phoneOf = typeof phone === 'string' && /^\d+$/.test(phone) ? Number(phone) : null;
  return screen(async (actor, context) => {
    const view = await viewMessages(context, actor, { phoneOf, search: wanted });
    return (
      <Shell here="/messages" actor={actor}>
        <MessagesScreen
          view={view}
          search={wanted}
          tryAgain={tryAgainAction}
          writeAsFamily={writeAsFamilyAction}
          setNetwork={setNetworkAction}
          sendOwn={sendOwnAction}
        />
      </Shell>
    );
  });
}
