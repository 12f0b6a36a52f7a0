import { directionOf, LANGUAGES, languageOf, type Language } from '@/core/text';
import { familyWords } from '@/ui/shared/familyWords';

/** After so many seconds a page that found no room asks again. */
export const AGAIN_SECONDS = 3;

/**
 * Returns the page for visitors beyond capacity: in the languages that the browser asks for, and reloading automatically. It needs
 * nothing else of the server, not even a style sheet.
 */
export async function busyPage(acceptLanguage: string): Promise<string> {
  const language = firstKnown(acceptLanguage);
  const { t } = await familyWords(language);
  const words = t('faults.busy');
  return `<!doctype html><html lang="${language}" dir="${directionOf(language)}"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><meta http-equiv="refresh" content="${AGAIN_SECONDS}"><title>Yard Steps</title></head><body style="font:18px/1.5 sans-serif;margin:15vh auto;max-width:30em;padding:0 1em"><p role="status">${words}</p></body></html>`;
}

function firstKnown(acceptLanguage: string): Language {
  const asked = acceptLanguage.split(',').map((each) => each.trim().slice(0, 2).toLowerCase());
  return languageOf(asked.find((each) => (LANGUAGES as readonly string[]).includes(each)) ?? null);
}
