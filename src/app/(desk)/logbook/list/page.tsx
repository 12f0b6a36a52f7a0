import { screen } from '@/app/screen';
import { ReportsImport } from '@/ui/desk/logbook/ReportsImport.client';
import { Shell } from '@/ui/desk/frame/Shell';
import { previewReportsAction, takeReportsAction } from './actions';

export default async function ReportsListPage() {
  return screen(async (actor) => (
    <Shell here="/logbook" actor={actor}>
      <ReportsImport preview={previewReportsAction} take={takeReportsAction} />
    </Shell>
  ));
}
