import { screen } from '@/app/screen';
import { viewPlans } from '@/server/planner/viewPlans';
import { Shell } from '@/ui/desk/frame/Shell';
import { PlansScreen } from '@/ui/desk/planner/PlansScreen';
import * as actions from './actions';

const ACTS = {
  take: actions.acceptPlanAction,
  takeAll: actions.acceptAllPlansAction,
  drop: actions.deletePlanAction,
  give: actions.giveTemplateAction,
  forget: actions.deleteTemplateAction,
};

export default async function PlansPage() {
  return screen(async (actor, context) => (
    <Shell here="/caseload" actor={actor}>
      <PlansScreen view={await viewPlans(context, actor)} {...ACTS} />
    </Shell>
  ));
}
