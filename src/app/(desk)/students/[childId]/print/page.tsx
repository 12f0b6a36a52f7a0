import { screen } from '@/app/screen';
import { languageOf } from '@/core/text';
import { viewPaper } from '@/server/programs/viewPaper';
import { Shell } from '@/ui/desk/frame/Shell';
import { PaperScreen } from '@/ui/desk/print/PaperScreen';
import { familyWords } from '@/ui/shared/familyWords';

export default async function PaperPage({ params }: { params: Promise<{ childId: string }> }) {
  const { childId } = await params;
  return screen(async (actor, context) => {
    const view = await viewPaper(context, actor, Number(childId));
    return (
      <Shell here="/caseload" actor={actor}>
        <PaperScreen view={view} words={await familyWords(languageOf(view.child.familyLanguage))} />
      </Shell>
    );
  });
}
