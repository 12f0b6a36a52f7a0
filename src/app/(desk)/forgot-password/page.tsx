import { ForgottenForm } from '@/ui/desk/accounts/ForgottenForm.client';
import { askAction } from './actions';

export default function ForgottenPage() {
  return <ForgottenForm action={askAction} />;
}
