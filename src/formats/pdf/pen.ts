import { readFileSync } from 'node:fs';
import path from 'node:path';
import PDFDocument from 'pdfkit';
import type { PaperSize } from '@/core/print';

const POINTS_PER_MM = 72 / 25.4;
export const mm = (millimeters: number) => millimeters * POINTS_PER_MM;

/** Margin that every printer can print up to. */
const MARGIN = mm(14);
const SIZES = { letter: [612, 792], a4: [595.28, 841.89] } as const satisfies Record<PaperSize, readonly [number, number]>;

type Doc = InstanceType<typeof PDFDocument>;
type Section = ReturnType<Doc['struct']>;

/** The letters of the family's page, embedded: paper says the same as the screen, on any printer. */
const font = (weight: 400 | 700) => readFileSync(path.join(process.cwd(), 'src', 'ui', 'fonts', `yard-sans-${weight}.woff`));
let fonts: { readonly text: Buffer; readonly bold: Buffer } | undefined;

/**
 * A PDF that is written from above to below: real text, tagged with its language and what it is, black on white. Positions are points
 * from the upper left.
 */
export class Pen {
  readonly doc: Doc;
  private readonly scale: number;
  private section: Section | null = null;
  /** Language of the following text: one file may hold families of several languages. */
  language: string;

  constructor({ size, isLarge, language, title }: { size: PaperSize; isLarge: boolean; language: string; title: string }) {
    const [width, height] = SIZES[size];
    this.doc = new PDFDocument({
      size: [width, height],
      margin: 0,
      autoFirstPage: false,
      pdfVersion: '1.7',
      tagged: true,
      displayTitle: true,
      lang: language,
      // Author and creation time are left out: they are private to the family.
      info: { Title: title, Producer: 'Yard Steps', Creator: 'Yard Steps', CreationDate: new Date(0) },
    });
    fonts ??= { text: font(400), bold: font(700) };
    this.doc.registerFont('text', fonts.text);
    this.doc.registerFont('bold', fonts.bold);
    this.scale = isLarge ? 1.5 : 1;
    this.language = language;
  }

  get left(): number {
    return MARGIN;
  }

  get right(): number {
    return this.doc.page.width - MARGIN;
  }

  get bottom(): number {
    return this.doc.page.height - MARGIN;
  }

  get width(): number {
    return this.right - this.left;
  }

  page(): void {
    this.doc.addPage();
    this.doc.y = MARGIN;
  }

  /** Everything up to the next one belongs together, for who has it read aloud. */
  begin(kind: 'Sect' | 'Table' | 'L' = 'Sect'): void {
    this.section?.end();
    this.section = this.doc.struct(kind, { lang: this.language });
    this.doc.addStructure(this.section);
  }

  /** How high a text will be. */
  heightOf(text: string, points: number, width: number, isBold = false): number {
    return this.doc
      .font(isBold ? 'bold' : 'text')
      .fontSize(points * this.scale)
      .heightOfString(text, { width, lineGap: 1 });
  }

  /** How far the line that letters stand on is below the top of a text set by `put`, in the letters in use. */
  ascender(points: number): number {
    const { ascender } = (this.doc as unknown as { _font: { ascender: number } })._font;
    return (ascender / 1000) * points;
  }

  /** Starts a page where what comes does not fit under what is there. */
  keep(height: number): void {
    if (this.doc.y + height > this.bottom) this.page();
  }

  /** A paragraph from margin to margin. */
  say(
    tag: 'H1' | 'H2' | 'H3' | 'P' | 'LI',
    text: string,
    points: number,
    { indent = 0, isBold = tag.startsWith('H'), gap = 2 } = {},
  ): void {
    const width = this.width - indent;
    this.keep(this.heightOf(text, points, width, isBold) + (tag.startsWith('H') ? points * 2 : 0));
    this.put(tag, text, this.left + indent, this.doc.y, points, { width, isBold });
    this.doc.y += gap;
  }

  /** Text at a place, as a piece of the section. */
  put(
    tag: string,
    text: string,
    x: number,
    y: number,
    points: number,
    {
      width,
      isBold = false,
      align = 'left',
      scaled = true,
      color = '#000',
    }: { width?: number; isBold?: boolean; align?: 'left' | 'center' | 'right'; scaled?: boolean; color?: string } = {},
  ): void {
    if (!this.section) this.begin();
    this.section!.add(
      this.doc.struct(tag, {}, () => {
        this.doc
          .font(isBold ? 'bold' : 'text')
          .fontSize(points * (scaled ? this.scale : 1))
          .fillColor(color)
          .text(text, x, y, { width, align, lineGap: 1, lineBreak: width !== undefined });
      }),
    );
  }

  /** Lines and boxes, which nobody needs to be read. */
  draw(paint: (doc: Doc) => void): void {
    const { x, y } = this.doc;
    this.doc.markContent('Artifact', { type: 'Layout' });
    this.doc.save().lineWidth(0.7).strokeColor('#000').fillColor('#000');
    paint(this.doc);
    this.doc.restore();
    this.doc.endMarkedContent();
    this.doc.x = x;
    this.doc.y = y;
  }

  box(x: number, y: number, width: number, height: number, { dashed = false, thick = false } = {}): void {
    this.draw((doc) => {
      if (dashed) doc.dash(2, { space: 1.5 });
      doc
        .lineWidth(thick ? 1.6 : 0.7)
        .rect(x, y, width, height)
        .stroke();
    });
  }

  /** The whole file. */
  async finish(): Promise<Uint8Array> {
    this.section?.end();
    const parts: Buffer[] = [];
    this.doc.on('data', (part: Buffer) => parts.push(part));
    const ended = new Promise<void>((resolve, reject) => {
      this.doc.on('end', resolve);
      this.doc.on('error', reject);
    });
    this.doc.end();
    await ended;
    return Buffer.concat(parts);
  }
}
