import { randomUUID } from 'node:crypto';
import { screen } from '@/app/screen';
import { viewMeasure } from '@/server/measuring/measure';
import { Shell } from '@/ui/desk/frame/Shell';
import { MeasureScreen } from '@/ui/desk/measuring/MeasureScreen';
import { measureAction, takeMeasurementBackAction } from './actions';

export default async function MeasurePage({ params }: { params: Promise<{ childId: string }> }) {
  const childId = Number((await params).childId);
  return screen(async (actor, context) => {
    const view = await viewMeasure(context, actor, childId);
    const acts = { measure: measureAction, takeBack: takeMeasurementBackAction };
    return (
      <Shell here="/yard" actor={actor}>
        <MeasureScreen view={view} personId={actor.personId} entryKey={randomUUID()} {...acts} />
      </Shell>
    );
  });
}
