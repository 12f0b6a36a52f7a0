import { ActionForm, type WordedAction } from '../parts/ActionForm.client';

/** The password once more, before what matters. */
export function ConfirmForm({ action, next }: { action: WordedAction; next: string }) {
  return (
    <div className="max-w-[440px]">
      <h1 className="text-[24px]">Confirm your password</h1>
      <p className="mt-1 text-soft">This action cannot be undone, or affects everyone who works here. It stays unlocked for ten minutes.</p>
      <ActionForm action={action} hidden={{ next }} className="mt-4 space-y-4">
        <label className="block">
          <span className="font-semibold">Password</span>
          <input
            name="password"
            type="password"
            autoComplete="current-password"
            required
            autoFocus
            className="field mt-1 w-full text-[17px]"
          />
        </label>
        <button className="act act-main">Continue</button>
      </ActionForm>
    </div>
  );
}
