import { screen } from '@/app/screen';
import { viewHandOver } from '@/server/caseload/viewHandOver';
import { HandOverScreen } from '@/ui/desk/caseload/TransferScreen';
import { Shell } from '@/ui/desk/frame/Shell';
import { handOverAction } from '../../students/import/actions';

export default async function HandOverPage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const { child, from } = await searchParams;
  return screen(async (actor, context) => {
    const view = await viewHandOver(context, actor, typeof from === 'string' ? Number(from) : null);
    return (
      <Shell here="/caseload" actor={actor}>
        <HandOverScreen view={view} ticked={typeof child === 'string' ? Number(child) : null} handOver={handOverAction} />
      </Shell>
    );
  });
}
