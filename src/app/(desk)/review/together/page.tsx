import { PLAIN_KINDS } from '@/core/review';
import { screen } from '@/app/screen';
import { viewTogether } from '@/server/review/decideTogether';
import { TogetherScreen } from '@/ui/desk/review/TogetherScreen';
import { Shell } from '@/ui/desk/frame/Shell';
import { togetherAction } from './actions';

export default async function TogetherPage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const { kind: requested, settled } = await searchParams;
  const kind = PLAIN_KINDS.find((each) => each === requested) ?? 'ready';
  return screen(async (actor, context) => {
    const lines = await viewTogether(context, actor, kind);
    return (
      <Shell here="/review" actor={actor}>
        <TogetherScreen kind={kind} lines={lines} settled={Number(settled) || 0} decide={togetherAction} />
      </Shell>
    );
  });
}
