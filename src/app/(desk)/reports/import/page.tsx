import { screen } from '@/app/screen';
import { ReportsImport } from '@/ui/desk/reports/ReportsImport.client';
import { Shell } from '@/ui/desk/frame/Shell';
import { previewReportsAction, importReportsAction } from './actions';

export default async function ReportsListPage() {
  return screen(async (actor) => (
    <Shell here="/reports" actor={actor}>
      <ReportsImport preview={previewReportsAction} take={importReportsAction} />
    </Shell>
  ));
}
