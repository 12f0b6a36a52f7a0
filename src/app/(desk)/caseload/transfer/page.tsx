import { screen } from '@/app/screen';
import { viewTransfer } from '@/server/caseload/viewTransfer';
import { TransferScreen } from '@/ui/desk/caseload/TransferScreen';
import { Shell } from '@/ui/desk/frame/Shell';
import { transferAction } from '../../students/import/actions';

export default async function TransferPage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const { child, from } = await searchParams;
  return screen(async (actor, context) => {
    const view = await viewTransfer(context, actor, typeof from === 'string' ? Number(from) : null);
    return (
      <Shell here="/caseload" actor={actor}>
        <TransferScreen view={view} ticked={typeof child === 'string' ? Number(child) : null} handOver={transferAction} />
      </Shell>
    );
  });
}
