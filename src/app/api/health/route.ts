import { appContext } from '@/server/context';
import { healthOf } from '@/server/health/health';

export const dynamic = 'force-dynamic';

export async function GET() {
  const health = await healthOf(appContext());
  return Response.json(health, { status: health.database === 'up' ? 200 : 503 });
}
