import type { KeptClip } from '@/db';

/** A clip without what the store alone needs to know: the names of its files. */
export interface BareClip extends Omit<KeptClip, 'files' | 'linkId'> {
  readonly files: readonly Omit<KeptClip['files'][number], 'hash'>[];
}

export function bareClip({ files, linkId: _link, ...clip }: KeptClip): BareClip {
  return { ...clip, files: files.map(({ hash: _hash, ...file }) => file) };
}
