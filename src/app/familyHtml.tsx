import { readFileSync } from 'node:fs';
import path from 'node:path';
import type { Language } from '@/core/text';
import { FamilyPage, type FamilyFiles } from '@/ui/family/frame/FamilyPage';
import type { PageData } from '@/ui/family/script/page';

/** A page of a family, drawn: what it is about, what it says, and what its script needs. */
export interface Drawn {
  /** Subject of the title, never a name, since titles stay in a browser's list. */
  readonly about: string;
  readonly body: React.ReactNode;
  readonly data: PageData | null;
  readonly manifest?: string;
  readonly screen?: 'ready' | 'do';
  /** Asks again by itself after so many seconds. */
  readonly again?: number;
}

export async function familyHtml(status: number, language: Language, { about, body, ...rest }: Drawn): Promise<Response> {
  // The build takes this package of React's in no other way.
  const { renderToStaticMarkup } = await import('react-dom/server');
  const page = (
    <FamilyPage language={language} title={about ? `${about} · Yard Steps` : 'Yard Steps'} files={familyFiles()} {...rest}>
      {body}
    </FamilyPage>
  );
  return new Response(`<!doctype html>${renderToStaticMarkup(page)}`, { status, headers: { 'content-type': 'text/html; charset=utf-8' } });
}

let files: FamilyFiles | undefined;

function familyFiles(): FamilyFiles {
  files ??= JSON.parse(readFileSync(path.join(process.cwd(), 'public', 'f', 'made', 'names.json'), 'utf8')) as FamilyFiles;
  return files;
}
