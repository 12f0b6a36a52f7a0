import { screen } from '@/app/screen';
import { viewPlans } from '@/server/plans/viewPlans';
import { Shell } from '@/ui/desk/frame/Shell';
import { PlansScreen } from '@/ui/desk/plan/PlansScreen';
import * as actions from './actions';

const ACTS = {
  take: actions.takePlanAction,
  takeAll: actions.takeAllPlansAction,
  drop: actions.dropPlanAction,
  give: actions.giveTemplateAction,
  forget: actions.dropTemplateAction,
};

export default async function PlansPage() {
  return screen(async (actor, context) => (
    <Shell here="/yard" actor={actor}>
      <PlansScreen view={await viewPlans(context, actor)} {...ACTS} />
    </Shell>
  ));
}
