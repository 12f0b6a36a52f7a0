import { screen } from '@/app/screen';
import { viewCaseload } from '@/server/caseload/viewCaseload';
import { Shell } from '@/ui/desk/frame/Shell';
import { CaseloadScreen } from '@/ui/desk/caseload/CaseloadScreen';
import { deleteViewAction, saveViewAction } from './actions';
import { caseloadQuery } from '@/ui/desk/caseload/caseloadQuery';

export default async function CaseloadPage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const options = caseloadQuery(await searchParams);
  return screen(async (actor, context) => {
    const view = await viewCaseload(context, actor, options);
    return (
      <Shell here="/caseload" actor={actor}>
        <CaseloadScreen view={view} options={options} keep={saveViewAction} drop={deleteViewAction} />
      </Shell>
    );
  });
}
