import { screen } from '@/app/screen';
import { viewCaseload } from '@/server/caseload/viewCaseload';
import { Shell } from '@/ui/desk/frame/Shell';
import { CaseloadScreen } from '@/ui/desk/caseload/CaseloadScreen';
import { deleteViewAction, saveViewAction } from './actions';
import { caseloadQuery } from '@/ui/desk/caseload/caseloadQuery';

export default async function YardPage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const wish = caseloadQuery(await searchParams);
  return screen(async (actor, context) => {
    const view = await viewCaseload(context, actor, wish);
    return (
      <Shell here="/caseload" actor={actor}>
        <CaseloadScreen view={view} wish={wish} keep={saveViewAction} drop={deleteViewAction} />
      </Shell>
    );
  });
}
