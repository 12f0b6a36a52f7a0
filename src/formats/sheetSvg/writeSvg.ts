import { svgPath, type Mark, type Scene, type Tone } from '@/core/sheets';

/** Black ink alone: what helps is thinner, broken or gray enough to be seen on a copy. */
const INKS: Readonly<Record<Tone, string>> = { ink: '#000', soft: '#444', faint: '#8a8a8a' };
const FILLS = { shade: '#d9d9d9', ink: '#000', paper: '#fff' } as const;
const escaped = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');
const number = (value: number) => String(Math.round(value * 1000) / 1000 + 0);

/** One side of a sheet as SVG, in mm, as large as the paper. The same scene gives the same bytes. */
export function writeSvg({ widthMm, heightMm, marks }: Scene, title: string): string {
  const [width, height] = [number(widthMm), number(heightMm)];
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}" role="img" aria-label="${escaped(title)}" font-family="'Atkinson Hyperlegible Next',sans-serif" stroke-linecap="round" stroke-linejoin="round">`,
    `<rect width="${width}" height="${height}" fill="#fff"/>`,
    ...marks.map(markSvg),
    '</svg>',
  ].join('\n');
}

function markSvg(mark: Mark): string {
  switch (mark.kind) {
    case 'path': {
      const dash = mark.dash ? ` stroke-dasharray="${mark.dash.map(number).join(' ')}"` : '';
      return `<path d="${svgPath(mark.curves, mark.isClosed)}" fill="${mark.fill ? FILLS[mark.fill] : 'none'}" stroke="${INKS[mark.tone]}" stroke-width="${number(mark.widthMm)}"${dash}/>`;
    }
    case 'dot': {
      const look = mark.isFilled ? `fill="${INKS[mark.tone]}"` : `fill="none" stroke="${INKS[mark.tone]}" stroke-width="0.5"`;
      return `<circle cx="${number(mark.at[0])}" cy="${number(mark.at[1])}" r="${number(mark.radiusMm)}" ${look}/>`;
    }
    case 'text':
      return `<text x="${number(mark.at[0])}" y="${number(mark.at[1])}" font-size="${number(mark.sizeMm)}" text-anchor="${mark.anchor}"${mark.isBold ? ' font-weight="700"' : ''} fill="${INKS[mark.tone]}">${escaped(mark.text)}</text>`;
  }
}
