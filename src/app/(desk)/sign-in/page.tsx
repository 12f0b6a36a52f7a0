import { SignInForm } from '@/ui/desk/accounts/SignInForm.client';
import { signInAction } from './actions';

export default function SignInPage() {
  return <SignInForm action={signInAction} />;
}
