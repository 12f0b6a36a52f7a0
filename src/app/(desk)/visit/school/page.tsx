import { screen } from '@/app/screen';
import { viewVisit } from '@/server/measurements/viewVisit';
import { VisitScreen } from '@/ui/desk/measurements/visit/VisitScreen';
import { measureAtVisitAction } from './actions';

export default async function VisitPage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const { name } = await searchParams;
  return screen(async (actor, context) => {
    const view = await viewVisit(context, actor, typeof name === 'string' ? name : '');
    return <VisitScreen view={view} personId={actor.personId} send={measureAtVisitAction} />;
  });
}
