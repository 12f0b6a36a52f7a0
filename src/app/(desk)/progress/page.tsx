import { screen } from '@/app/screen';
import { viewProgress } from '@/server/progress/viewProgress';
import { Shell } from '@/ui/desk/frame/Shell';
import { ProgressScreen } from '@/ui/desk/progress/ProgressScreen';
import * as actions from './actions';

const ACTS = {
  write: actions.writeWordsAction,
  close: actions.closePeriodAction,
  reopen: actions.reopenPeriodAction,
  savePattern: actions.savePatternAction,
  deletePattern: actions.deletePatternAction,
};

export default async function ProgressPage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const { goal } = await searchParams;
  const goalId = typeof goal === 'string' && /^\d{1,15}$/.test(goal) ? Number(goal) : null;
  return screen(async (actor, context) => {
    const view = await viewProgress(context, actor, goalId);
    return (
      <Shell here="/progress" actor={actor}>
        <ProgressScreen view={view} acts={ACTS} />
      </Shell>
    );
  });
}
