import { screen } from '@/app/screen';
import { viewCaseloads } from '@/server/caseload/viewCaseloads';
import { CaseloadsScreen } from '@/ui/desk/caseload/CaseloadsScreen';
import { Shell } from '@/ui/desk/frame/Shell';

export default async function CaseloadsPage() {
  return screen(async (actor, context) => (
    <Shell here="/caseload/all" actor={actor}>
      <CaseloadsScreen view={await viewCaseloads(context, actor)} />
    </Shell>
  ));
}
