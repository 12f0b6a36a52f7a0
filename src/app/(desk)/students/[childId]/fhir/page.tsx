import { screen } from '@/app/screen';
import { fhirDoor } from '@/server/exchange/importFhir';
import { FhirScreen } from '@/ui/desk/exchange/FhirScreen';
import { Shell } from '@/ui/desk/frame/Shell';
import { previewFhirAction, importFhirAction } from './actions';

export default async function FhirPage({ params }: { params: Promise<{ childId: string }> }) {
  const { childId } = await params;
  return screen(async (actor, context) => (
    <Shell here="/caseload" actor={actor}>
      <FhirScreen child={await fhirDoor(context, actor, Number(childId))} preview={previewFhirAction} take={importFhirAction} />
    </Shell>
  ));
}
