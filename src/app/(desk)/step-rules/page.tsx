import { screen } from '@/app/screen';
import { viewLab } from '@/server/stepRules/viewLab';
import { Shell } from '@/ui/desk/frame/Shell';
import { LabScreen } from '@/ui/desk/stepRules/LabScreen';
import { advancingRuleAction } from '../settings/ruleAction';

type Search = Promise<Record<string, string | string[] | undefined>>;

export default async function LabPage({ searchParams }: { searchParams: Search }) {
  const options = await searchParams;
  return screen(async (actor, context) => (
    <Shell here="/step-rules" actor={actor}>
      <LabScreen view={await viewLab(context, actor, options)} adopt={advancingRuleAction} />
    </Shell>
  ));
}
