import { screen } from '@/app/screen';
import { viewPapers } from '@/server/programs/viewPapers';
import { Shell } from '@/ui/desk/frame/Shell';
import { PapersScreen } from '@/ui/desk/print/PapersScreen';

export default async function PapersPage() {
  return screen(async (actor, context) => (
    <Shell here="/print" actor={actor}>
      <PapersScreen view={await viewPapers(context, actor)} />
    </Shell>
  ));
}
