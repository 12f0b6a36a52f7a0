import { screen } from '@/app/screen';
import { viewRounds } from '@/server/rounds/viewRounds';
import { RoundsScreen } from '@/ui/desk/rounds/RoundsScreen';
import { Shell } from '@/ui/desk/frame/Shell';
import { decideAction, undoAction } from './actions';

export default async function RoundsPage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const { at, tread } = await searchParams;
  const textOf = (value: typeof at) => (typeof value === 'string' ? value : null);
  return screen(async (actor, context) => {
    const view = await viewRounds(context, actor, textOf(at), textOf(tread));
    return (
      <Shell here="/rounds" actor={actor}>
        <RoundsScreen view={view} decide={decideAction} undo={undoAction} />
      </Shell>
    );
  });
}
