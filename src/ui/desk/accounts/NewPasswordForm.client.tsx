'use client';

import { ActionForm, type WordedAction } from '../parts/ActionForm.client';

/** The new password that a one-time link asks for. */
export function NewPasswordForm({ action, token }: { action: WordedAction; token: string }) {
  return (
    <main className="mx-auto max-w-[400px] px-6 pt-[14vh]">
      <h1 className="text-[30px]">New password</h1>
      <ActionForm action={action} hidden={{ token }} className="mt-6 space-y-4">
        <label className="block">
          <span className="font-semibold">Password</span>
          <input
            name="password"
            type="password"
            autoComplete="new-password"
            required
            minLength={12}
            autoFocus
            className="field mt-1 w-full text-[17px]"
          />
          <span className="text-[13px] text-soft">
            Use twelve characters or more, such as three or four words. You will be signed out everywhere else.
          </span>
        </label>
        <button className="act act-main">Save</button>
      </ActionForm>
    </main>
  );
}
