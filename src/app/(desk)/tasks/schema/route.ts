import { packSchema } from '@/server/tasks/packs';

/** The published schema of task packs; it says nothing about anybody, so nobody has to sign in. */
export function GET(): Response {
  return Response.json(packSchema(), { headers: { 'content-type': 'application/schema+json' } });
}
