/**
 * A text broken at its spaces into lines of so many letters at most; a word that is longer stands alone.
 * @param most letters of a line, above 0
 * @example wrapped('cut along the road', 10) // ['cut along', 'the road']
 */
export function wrapped(text: string, most: number): string[] {
  return text.split(/\s+/).reduce<string[]>((lines, word) => {
    const last = lines.at(-1);
    return last !== undefined && last.length + word.length + 1 <= most ? [...lines.slice(0, -1), `${last} ${word}`] : [...lines, word];
  }, []);
}

/** Letters that are set are about half as wide as high: so many stand on a line. */
export const lettersIn = (widthMm: number, sizeMm: number): number => Math.max(4, Math.floor(widthMm / (sizeMm * LETTER_SHARE)));

const LETTER_SHARE = 0.52;
