import { cookies } from 'next/headers';
import { notFound, redirect, unstable_rethrow } from 'next/navigation';
import { answer, type Answer } from '@/server/answer';
import { setAnswerStatus } from '@/server/answerStatus';
import type { PersonActor } from '@/server/actor';
import { appContext, type Context } from '@/server/context';
import { STATUS_OF } from '@/server/errors';
import { actorOfToken } from '@/server/people/sessions';
import { faultWords, Trouble } from '@/ui/desk/frame/Trouble';

export const SESSION_COOKIE = 'yard';

async function actorNow(): Promise<PersonActor> {
  const token = (await cookies()).get(SESSION_COOKIE)?.value;
  return actorOfToken(appContext(), token);
}

/** A therapist's page: who is asking, the one use case, the one exit for faults. */
export async function screen(render: (actor: PersonActor, context: Context) => Promise<React.ReactNode>): Promise<React.ReactNode> {
  const answered = await answer(async () => render(await actorNow(), appContext()), unstable_rethrow);
  if (answered.ok) return answered.value;
  if (answered.fault.code === 'signInNeeded') redirect('/sign-in');
  if (answered.fault.code === 'notFound') notFound();
  setAnswerStatus(STATUS_OF[answered.fault.code]);
  return <Trouble fault={answered.fault} />;
}

/** A therapist's act: the same for server actions, giving the fault back to the form. */
export async function act<Value>(job: (actor: PersonActor, context: Context) => Promise<Value>): Promise<Answer<Value>> {
  const answered = await answer(async () => job(await actorNow(), appContext()), unstable_rethrow);
  if (!answered.ok && answered.fault.code === 'signInNeeded') redirect('/sign-in');
  return answered;
}

/** A therapist's file or data: the same for route handlers, giving a fault's words with its status. */
export async function answerWith<Value>(
  job: (actor: PersonActor, context: Context) => Promise<Value>,
  respond: (value: Value) => Response | Promise<Response>,
): Promise<Response> {
  const answered = await act(job);
  if (!answered.ok) return new Response(faultWords(answered.fault), { status: STATUS_OF[answered.fault.code] });
  return respond(answered.value);
}
