import { unstable_rethrow } from 'next/navigation';
import { answer, type Answer } from '@/server/answer';
import { setAnswerStatus } from '@/server/answerStatus';
import type { PersonActor } from '@/server/actor';
import { appContext, type Context } from '@/server/context';
import { AppError, STATUS_OF } from '@/server/errors';
import { actorOfToken, halfSignedIn } from '@/server/accounts/sessions';
import { Trouble } from '@/ui/desk/frame/Trouble';
import { elsewhere, type Job } from './screen';
import { sessionToken } from './session';

/** An act of somebody whose second factor may still be missing. */
export async function halfAct<Value>(job: Job<Value>): Promise<Answer<Value>> {
  const context = appContext();
  const given = await answer(async () => job(await halfSignedIn(context, await sessionToken()), context), unstable_rethrow);
  if (!given.ok) elsewhere(given.fault);
  return given;
}

/** A page of somebody whose second factor may still be missing; `isWhole` where it is not. */
export async function halfScreen(
  render: (actor: PersonActor, context: Context, isWhole: boolean) => Promise<React.ReactNode>,
): Promise<React.ReactNode> {
  const given = await halfAct(async (actor, context) => {
    const isWhole = await actorOfToken(context, await sessionToken()).then(
      () => true,
      (error: unknown) => {
        if (error instanceof AppError && error.code === 'factorNeeded') return false;
        throw error;
      },
    );
    return render(actor, context, isWhole);
  });
  if (given.ok) return given.value;
  setAnswerStatus(STATUS_OF[given.fault.code]);
  return <Trouble fault={given.fault} />;
}
