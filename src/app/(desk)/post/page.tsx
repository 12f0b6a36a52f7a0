import { screen } from '@/app/screen';
import { viewPost } from '@/server/messages/viewPost';
import { sendOwnAction, setNetworkAction, tryAgainAction, writeAsFamilyAction } from './actions';
import { PostScreen } from '@/ui/desk/post/PostScreen';
import { Shell } from '@/ui/desk/frame/Shell';

export default async function PostPage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const { phone, search } = await searchParams;
  const wanted = typeof search === 'string' ? search.slice(0, 80) : '';
  const phoneOf = typeof phone === 'string' && /^\d+$/.test(phone) ? Number(phone) : null;
  return screen(async (actor, context) => {
    const view = await viewPost(context, actor, { phoneOf, search: wanted });
    return (
      <Shell here="/post" actor={actor}>
        <PostScreen
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
