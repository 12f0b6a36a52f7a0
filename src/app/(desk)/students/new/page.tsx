import { screen } from '@/app/screen';
import { viewNewRecord } from '@/server/students/viewRecord';
import { Shell } from '@/ui/desk/frame/Shell';
import { NewChildScreen } from '@/ui/desk/students/record/RecordScreen';
import { newChildAction } from './actions';

export default async function NewChildPage() {
  return screen(async (actor, context) => (
    <Shell here="/caseload" actor={actor}>
      <NewChildScreen view={await viewNewRecord(context, actor)} keep={newChildAction} />
    </Shell>
  ));
}
