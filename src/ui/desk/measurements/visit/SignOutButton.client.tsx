'use client';

import { forgetSheet } from './visitStore';

/** Signing out takes along what was kept on this device for a school visit. */
export function SignOutButton({ says }: { says: string }) {
  return (
    <button className="act" onClick={() => void forgetSheet()}>
      {says}
    </button>
  );
}
