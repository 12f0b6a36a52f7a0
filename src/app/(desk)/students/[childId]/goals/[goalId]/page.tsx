import { screen } from '@/app/screen';
import { viewGoal } from '@/server/goals/viewGoal';
import { Shell } from '@/ui/desk/frame/Shell';
import { GoalScreen } from '@/ui/desk/goals/GoalScreen';
import { closeGoalAction, writeGoalAction } from './actions';

export default async function GoalPage({ params }: { params: Promise<{ childId: string; goalId: string }> }) {
  const { childId, goalId } = await params;
  return screen(async (actor, context) => {
    const view = await viewGoal(context, actor, Number(childId), goalId === 'new' ? null : Number(goalId));
    return (
      <Shell here="/caseload" actor={actor}>
        <GoalScreen key={view.goal?.version ?? 0} view={view} write={writeGoalAction} close={closeGoalAction} />
      </Shell>
    );
  });
}
