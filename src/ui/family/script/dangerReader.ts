import type { PageData } from './page';

type Read = (text: string) => readonly string[];
let loading: Promise<void> | undefined;

/** Loads the danger reader once the page has time for it. */
export function loadDangerReader({ danger }: PageData): Promise<void> {
  loading ??= new Promise((resolve) => {
    const script = document.createElement('script');
    script.src = danger ?? '';
    script.onload = () => resolve();
    // Without it the server reads the words once they reach it.
    script.onerror = () => resolve();
    document.head.append(script);
  });
  return loading;
}

/** True where words may tell of harm; the reader was loaded with the page, or is kept on the phone. */
export async function mayBeHarm(page: PageData, texts: readonly string[]): Promise<boolean> {
  if (texts.every((text) => text === '')) return false;
  await loadDangerReader(page);
  const read = (globalThis as { yardDangerIn?: Read }).yardDangerIn;
  return read !== undefined && texts.some((text) => read(text).length > 0);
}
