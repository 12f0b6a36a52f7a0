import { notFound, redirect, unstable_rethrow } from 'next/navigation';
import { answer, type Answer, type Fault } from '@/server/answer';
import { setAnswerStatus } from '@/server/answerStatus';
import type { PersonActor } from '@/server/actor';
import { recordRefusal } from '@/server/audit/refusals';
import { appContext, type Context } from '@/server/context';
import { STATUS_OF } from '@/server/errors';
import { actorOfToken } from '@/server/accounts/sessions';
import { openInjuries } from '@/server/review/openInjuries';
import { OpenInjuries } from '@/ui/desk/frame/OpenInjuries.client';
import { SkipLink } from '@/ui/desk/frame/SkipLink';
import { SystemStrip } from '@/ui/desk/frame/SystemStrip';
import { failingParts, systemState } from '@/server/health/systemState';
import { faultWords, Trouble } from '@/ui/desk/frame/Trouble';
import { sessionToken } from './session';

export type Job<Value> = (actor: PersonActor, context: Context) => Promise<Value>;

/** Runs what somebody who is signed in asks for. What is refused them is written down. */
async function answered<Value>(job: Job<Value>): Promise<Answer<Value>> {
  const context = appContext();
  let actor: PersonActor | null = null;
  const given = await answer(async () => {
    actor = await actorOfToken(context, await sessionToken());
    return job(actor, context);
  }, unstable_rethrow);
  if (!given.ok && actor) await recordRefusal(context, actor, given.fault.code);
  return given;
}

/** Redirects visitors who are not signed in, or only by one factor. */
export function elsewhere({ code }: Fault): void {
  if (code === 'signInNeeded') redirect('/sign-in');
  if (code === 'factorNeeded') redirect('/two-step');
}

/** A therapist's page: who is asking, the one use case, the one exit for faults. */
export async function screen(render: Job<React.ReactNode>): Promise<React.ReactNode> {
  const given = await answered(async (actor, context) => (
    <>
      <SkipLink />
      <OpenInjuries count={await openInjuries(context, actor)} />
      {actor.role === 'supervisor' && (await systemStrip(context))}
      {await render(actor, context)}
    </>
  ));
  if (given.ok) return given.value;
  elsewhere(given.fault);
  if (given.fault.code === 'notFound') notFound();
  setAnswerStatus(STATUS_OF[given.fault.code]);
  return <Trouble fault={given.fault} />;
}

async function systemStrip(context: Context): Promise<React.ReactNode> {
  // A page is shown also where the disk cannot be looked at.
  const state = await systemState(context).catch(() => null);
  return state && <SystemStrip state={state} failing={failingParts(state)} />;
}

/** A therapist's act: the same for server actions, giving the fault back to the form. */
export async function act<Value>(job: Job<Value>): Promise<Answer<Value>> {
  const given = await answered(job);
  if (!given.ok) elsewhere(given.fault);
  return given;
}

/** A therapist's file or data: the same for route handlers, giving a fault's words with its status. */
export async function answerWith<Value>(job: Job<Value>, respond: (value: Value) => Response | Promise<Response>): Promise<Response> {
  const given = await act(job);
  if (!given.ok) return new Response(faultWords(given.fault), { status: STATUS_OF[given.fault.code] });
  return respond(given.value);
}
