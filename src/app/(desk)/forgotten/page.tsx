import { ForgottenForm } from '@/ui/desk/signIn/ForgottenForm.client';
import { askAction } from './actions';

export default function ForgottenPage() {
  return <ForgottenForm action={askAction} />;
}
