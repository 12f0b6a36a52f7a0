import { answer } from '@/server/answer';
import { setAnswerStatus } from '@/server/answerStatus';
import { appContext } from '@/server/context';
import { STATUS_OF } from '@/server/errors';
import { viewPasswordLink } from '@/server/accounts/passwordReset';
import { Trouble } from '@/ui/desk/frame/Trouble';
import { NewPasswordForm } from '@/ui/desk/accounts/NewPasswordForm.client';
import { words } from '@/ui/shared/deskWords';
import { chooseAction } from './actions';

export default async function NewPasswordPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const answered = await answer(() => viewPasswordLink(appContext(), token));
  if (answered.ok) return <NewPasswordForm action={chooseAction} token={token} />;
  const { fault } = answered;
  setAnswerStatus(STATUS_OF[fault.code]);
  const code = (['linkUnknown', 'linkExpired', 'linkRevoked'] as const).find((each) => each === fault.code);
  return <Trouble fault={fault} {...(code && { said: words(`passwordFaults.${code}`) })} />;
}
