import { screen } from '@/app/screen';
import { viewRecord } from '@/server/students/viewRecord';
import { Shell } from '@/ui/desk/frame/Shell';
import { RecordScreen } from '@/ui/desk/students/record/RecordScreen';
import { askHomeAction, changeRecordAction, settleHomeAction } from './actions';

export default async function FactsPage({ params }: { params: Promise<{ childId: string }> }) {
  const childId = Number((await params).childId);
  return screen(async (actor, context) => {
    const view = await viewRecord(context, actor, childId);
    const keep = changeRecordAction.bind(null, childId, view.history[0]?.id ?? 0);
    return (
      <Shell here="/caseload" actor={actor}>
        <RecordScreen view={view} keep={keep} askHome={askHomeAction} settleHome={settleHomeAction} />
      </Shell>
    );
  });
}
