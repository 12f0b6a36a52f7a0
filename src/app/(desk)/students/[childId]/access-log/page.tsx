import { screen } from '@/app/screen';
import { viewAccessLog, type AccessLogQuery } from '@/server/audit/viewAccessLog';
import { Shell } from '@/ui/desk/frame/Shell';
import { AccessLogScreen } from '@/ui/desk/audit/AccessLogScreen';

interface Props {
  readonly params: Promise<{ childId: string }>;
  readonly searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function AccessLogPage({ params, searchParams }: Props) {
  const { childId } = await params;
  const asked = await searchParams;
  const kind = (['looks', 'changes'] as const).find((each) => each === asked.show) ?? 'all';
  const options: AccessLogQuery = { kind, who: typeof asked.who === 'string' ? asked.who.slice(0, 80) : '' };
  return screen(async (actor, context) => (
    <Shell here="/caseload" actor={actor}>
      <AccessLogScreen view={await viewAccessLog(context, actor, Number(childId), options)} options={options} />
    </Shell>
  ));
}
