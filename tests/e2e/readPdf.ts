import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** An independent reading of a PDF: its pages with their sizes and texts. */
export async function readPdf(file: Buffer) {
  const document = await getDocument({ data: new Uint8Array(file), verbosity: 0 }).promise;
  const pages = await Promise.all(
    Array.from({ length: document.numPages }, async (_, index) => {
      const page = await document.getPage(index + 1);
      const { items } = await page.getTextContent();
      const words = items.flatMap((item) =>
        'str' in item ? [{ text: item.str, x: item.transform[4] as number, y: item.transform[5] as number }] : [],
      );
      const [, , width, height] = page.view as [number, number, number, number];
      return { page, words, text: words.map(({ text }) => text).join(' '), size: [Math.round(width), Math.round(height)] };
    }),
  );
  const { markInfo, lang } = {
    markInfo: await document.getMarkInfo(),
    lang: ((await document.getMetadata()).info as { Language?: string }).Language,
  };
  return { document, pages, isTagged: markInfo?.Marked === true, lang };
}
