import { languageOf } from '@/core/text';
import { answer } from '@/server/answer';
import { appContext } from '@/server/context';
import { familyWords } from '@/ui/shared/familyWords';

export const dynamic = 'force-dynamic';

/** Returns the manifest that a phone needs to put this link on its home screen: it begins at the day, and names no child. */
export async function GET(request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  const { token } = await params;
  const known = await answer(() => appContext().knownLinks.has(token));
  if (!known.ok || !known.value) return new Response(null, { status: 404 });
  const { language, t } = await familyWords(languageOf(new URL(request.url).searchParams.get('lang')));
  const manifest = {
    name: `Yard Steps · ${t('today')}`,
    short_name: 'Yard Steps',
    lang: language,
    start_url: `/f/${token}`,
    scope: `/f/${token}`,
    display: 'standalone',
    background_color: '#f4f0e6',
    theme_color: '#f4f0e6',
    icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
  };
  return new Response(JSON.stringify(manifest), { headers: { 'content-type': 'application/manifest+json' } });
}
