import { redirect } from 'next/navigation';
import { halfScreen } from '@/app/halfScreen';
import { offerFactor, viewFactor } from '@/server/accounts/secondFactor';
import { isConfirmed } from '@/server/accounts/sessions';
import { GiveCode, TakeOn } from '@/ui/desk/accounts/SecondFactorForms.client';
import { giveCodeAction, leaveAction, takeOnAction } from './actions';

/** The code at sign-in, or a new second factor where there is none yet. */
export default async function SecondFactorPage() {
  return halfScreen(async (actor, context, isWhole) => {
    const { since } = await viewFactor(context, actor);
    if (since !== null && isWhole) redirect('/settings#second-factor');
    if (since === null && !isConfirmed(context, actor)) redirect(isWhole ? '/confirm?next=/second-factor' : '/sign-in');
    return (
      <main className="mx-auto max-w-[440px] px-6 pt-[8vh] pb-10">
        <h1 className="text-[30px]">{since === null ? 'A second factor' : 'One more step'}</h1>
        <p className="mt-1 text-soft">Beside the password, a code that only your phone knows.</p>
        {since === null ? (
          <TakeOn offer={await offerFactor(context, actor)} action={takeOnAction} next={isWhole ? '/settings' : '/review'} />
        ) : (
          <GiveCode action={giveCodeAction} signOut={leaveAction} />
        )}
      </main>
    );
  });
}
