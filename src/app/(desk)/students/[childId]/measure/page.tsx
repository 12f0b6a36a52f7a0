import { randomUUID } from 'node:crypto';
import { screen } from '@/app/screen';
import { viewMeasure } from '@/server/measurements/measure';
import { Shell } from '@/ui/desk/frame/Shell';
import { MeasureScreen } from '@/ui/desk/measurements/MeasureScreen';
import { measureAction, withdrawMeasurementAction } from './actions';

interface Asked {
  readonly params: Promise<{ childId: string }>;
  readonly searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function MeasurePage({ params, searchParams }: Asked) {
  const childId = Number((await params).childId);
  const { goal } = await searchParams;
  return screen(async (actor, context) => {
    const view = await viewMeasure(context, actor, childId);
    const acts = { measure: measureAction, takeBack: withdrawMeasurementAction };
    return (
      <Shell here="/caseload" actor={actor}>
        <MeasureScreen
          view={view}
          personId={actor.personId}
          entryKey={randomUUID()}
          goalId={typeof goal === 'string' ? goal : ''}
          {...acts}
        />
      </Shell>
    );
  });
}
