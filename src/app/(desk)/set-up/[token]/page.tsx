import { LANGUAGES } from '@/core/text';
import { answer } from '@/server/answer';
import { setAnswerStatus } from '@/server/answerStatus';
import { appContext } from '@/server/context';
import { STATUS_OF } from '@/server/errors';
import { viewInvitation } from '@/server/accounts/invitations';
import { Trouble } from '@/ui/desk/frame/Trouble';
import { words } from '@/ui/shared/deskWords';
import { SetUpForm } from '@/ui/desk/accounts/SetUpForm.client';
import { acceptAction } from './actions';

export default async function SetUpPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const answered = await answer(() => viewInvitation(appContext(), token));
  if (answered.ok) {
    const { isFirst, timeZone, languages } = answered.value;
    const first = isFirst ? { zones: Intl.supportedValuesOf('timeZone'), timeZone, languages, allLanguages: LANGUAGES } : null;
    return <SetUpForm action={acceptAction} token={token} first={first} />;
  }
  const { fault } = answered;
  setAnswerStatus(STATUS_OF[fault.code]);
  const code = (['linkUnknown', 'linkExpired', 'linkRevoked'] as const).find((each) => each === fault.code);
  return <Trouble fault={fault} {...(code && { said: words(`setUpFaults.${code}`) })} />;
}
