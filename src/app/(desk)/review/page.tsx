import { screen } from '@/app/screen';
import { viewReview } from '@/server/review/viewReview';
import { ReviewScreen } from '@/ui/desk/review/ReviewScreen';
import { Shell } from '@/ui/desk/frame/Shell';
import { decideAction, undoAction } from './actions';

export default async function ReviewPage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const { at, stepOutcomes } = await searchParams;
  const textOf = (value: typeof at) => (typeof value === 'string' ? value : null);
  return screen(async (actor, context) => {
    const view = await viewReview(context, actor, textOf(at), textOf(stepOutcomes));
    return (
      <Shell here="/review" actor={actor}>
        <ReviewScreen view={view} decide={decideAction} undo={undoAction} />
      </Shell>
    );
  });
}
