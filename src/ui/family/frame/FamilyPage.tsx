import { directionOf, type Language } from '@/core/text';
import type { PageData } from '../script/page';

/** Files that the family's pages load, by name. */
export interface FamilyFiles {
  readonly styles: string;
  readonly script: string;
  /** The danger reader, for the time without network. */
  readonly danger: string;
}

interface Props {
  readonly language: Language;
  readonly title: string;
  readonly files: FamilyFiles;
  /** Data for the page's script; null where it needs none. */
  readonly data: PageData | null;
  /** Asks again by itself after so many seconds. */
  readonly again?: number;
  /** Name and start address of an installed page. */
  readonly manifest?: string;
  /** The screen that a task begins with. */
  readonly screen?: 'ready' | 'do';
  readonly children: React.ReactNode;
}

/** The frame of a family's page: a style sheet, one small script, and no framework. */
export function FamilyPage({ language, title, files, data, again, manifest, screen, children }: Props) {
  return (
    <html lang={language} dir={directionOf(language)}>
      {/* eslint-disable-next-line @next/next/no-head-element -- a page of its own, drawn without the frame */}
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta name="robots" content="noindex, nofollow" />
        <meta name="theme-color" content="#f4f0e6" />
        {again !== undefined && <meta httpEquiv="refresh" content={String(again)} />}
        <title>{title}</title>
        <link rel="icon" href="/icon.svg" />
        {manifest && <link rel="manifest" href={manifest} />}
        <link rel="stylesheet" href={`/f/made/${files.styles}`} />
        {data && <script src={`/f/made/${files.script}`} defer />}
      </head>
      <body data-screen={screen}>
        {children}
        {data && (
          // Data and no script: what could end the element is written another way.
          <script
            id="page-data"
            type="application/json"
            dangerouslySetInnerHTML={{ __html: JSON.stringify({ ...data, danger: `/f/made/${files.danger}` }).replaceAll('<', '\\u003c') }}
          />
        )}
      </body>
    </html>
  );
}
