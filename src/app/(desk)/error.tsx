'use client';

import { Trouble } from '@/ui/desk/frame/Trouble';

export default function DeskError({ error }: { error: Error & { digest?: string } }) {
  return <Trouble fault={{ code: 'unexpected', detail: null, logId: error.digest ?? 'a page fault' }} />;
}
