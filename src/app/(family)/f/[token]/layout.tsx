import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import { familyLanguage } from '@/app/familyScreen';
import { LANGUAGE_HEADER } from '@/proxy';
import { familyWords } from '@/ui/shared/familyWords';
import '@/ui/family/family.css';

export const metadata: Metadata = { title: 'Yard Steps', robots: { index: false, follow: false } };
export const viewport: Viewport = { width: 'device-width', initialScale: 1, themeColor: '#f4f0e6' };

/** Every page asks who is there, so none may be made at build time. */
export const dynamic = 'force-dynamic';

export default async function FamilyLayout({ children, params }: { children: React.ReactNode; params: Promise<{ token: string }> }) {
  const wished = (await headers()).get(LANGUAGE_HEADER) ?? undefined;
  const language = await familyLanguage((await params).token, wished);
  const { t } = await familyWords(language);
  return (
    <html lang={language}>
      <body data-trouble={t('pageTrouble')}>{children}</body>
    </html>
  );
}
