import { screen } from '@/app/screen';
import { viewPlans } from '@/server/plans/viewPlans';
import { Shell } from '@/ui/desk/frame/Shell';
import { PlansScreen } from '@/ui/desk/plan/PlansScreen';
import { dropPlanAction, takeAllPlansAction, takePlanAction } from './actions';

export default async function PlansPage() {
  return screen(async (actor, context) => (
    <Shell here="/yard" actor={actor}>
      <PlansScreen view={await viewPlans(context, actor)} take={takePlanAction} takeAll={takeAllPlansAction} drop={dropPlanAction} />
    </Shell>
  ));
}
