import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs';

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

type Page = Awaited<ReturnType<typeof readPdf>>['pages'][number]['page'];

export interface DrawnPath {
  /** As the reader gives it: 0 x y moves, 1 x y draws a line, 2 with three places a curve, 4 closes. */
  readonly numbers: readonly number[];
  readonly filled: boolean;
  /** Where a place of it stands on the page, in points from the lower left. */
  readonly place: (x: number, y: number) => readonly [x: number, y: number];
}

/** Every path of a page: read from its drawing, not from what we meant. */
export async function pathsOn(page: Page): Promise<DrawnPath[]> {
  const { fnArray, argsArray } = await page.getOperatorList();
  const paths: DrawnPath[] = [];
  let matrix = [1, 0, 0, 1, 0, 0];
  const kept: number[][] = [];
  fnArray.forEach((operator, index) => {
    if (operator === OPS.save) kept.push(matrix);
    if (operator === OPS.restore) matrix = kept.pop() ?? matrix;
    const [A, B, C, D, E, F] = matrix as [number, number, number, number, number, number];
    if (operator === OPS.transform) {
      const [a, b, c, d, e, f] = argsArray[index] as [number, number, number, number, number, number];
      matrix = [A * a + C * b, B * a + D * b, A * c + C * d, B * c + D * d, A * e + C * f + E, B * e + D * f + F];
    }
    if (operator !== OPS.constructPath) return;
    const [paint, [path]] = argsArray[index] as [number, [Float32Array | null]];
    const filled = paint === OPS.fill || paint === OPS.eoFill;
    paths.push({ numbers: [...(path ?? [])], filled, place: (x, y) => [A * x + C * y + E, B * x + D * y + F] });
  });
  return paths;
}
