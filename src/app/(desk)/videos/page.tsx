import { screen } from '@/app/screen';
import { viewClips } from '@/server/videos/viewClips';
import { ClipsScreen } from '@/ui/desk/videos/ClipsScreen';
import { Shell } from '@/ui/desk/frame/Shell';
import { askBackAction, changeClipAction, putClipAction, removeClipAction } from './actions';

type Search = Promise<Record<string, string | string[] | undefined>>;
const ACTS = { put: putClipAction, ask: askBackAction, remove: removeClipAction, change: changeClipAction };

export default async function ClipsPage({ searchParams }: { searchParams: Search }) {
  const options = await searchParams;
  return screen(async (actor, context) => (
    <Shell here="/videos" actor={actor}>
      <ClipsScreen view={await viewClips(context, actor, options)} acts={ACTS} />
    </Shell>
  ));
}
