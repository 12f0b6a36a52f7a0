import PDFDocument from 'pdfkit';
import { loadLibrary } from '../../../library/loadLibrary';
import { SHAPE_AGES, sheetSpecSchema, type SheetSpec } from '../tasks';
import {
  difficultyOf,
  drawSheet,
  flattened,
  harderBy,
  MARGIN_MM,
  outlineOf,
  sheetDisagreements,
  SHAPES_DRAWN,
  svgPath,
  turnablesOf,
  turned,
  type Mark,
  type Point,
  type Scene,
  type SheetFor,
  type SheetOptions,
} from '.';
import { boxAround, lengthOfPath, pointAt } from './curve';
import { letterOf, LETTERS_DRAWN } from './letterStrokes';
import { strokesOfShape } from './shapeStrokes';
import { parsePath } from './parsePath';
import { tightestTurn } from './steer';
import { forHand } from './strokes';

const library = loadLibrary();
const right: SheetFor = { isLeft: false, name: 'Odalys', language: 'en', isLarge: false };
const WORDS = { name: 'Name', title: 'A task · step 1', how: 'Do it.', check: '50 mm, check me' };
const options = (spec: SheetSpec, more: Partial<SheetOptions> = {}): SheetOptions => ({
  spec,
  paper: 'letter',
  audience: right,
  words: WORDS,
  ...more,
});
const spec = (given: object) => sheetSpecSchema.parse(given);
function pagesOf(spec_: SheetSpec, more: Partial<SheetOptions> = {}): readonly Scene[] {
  const drawn = drawSheet(options(spec_, more));
  if (!drawn.ok) throw new Error(JSON.stringify(drawn.issues));
  return drawn.value;
}
const paths = ({ marks }: Scene) => marks.filter((mark): mark is Extract<Mark, { kind: 'path' }> => mark.kind === 'path');
const textsIn = ({ marks }: Scene) => marks.flatMap((mark) => (mark.kind === 'text' ? [mark.text] : []));
const placesOf = (mark: Mark): readonly Point[] => (mark.kind === 'path' ? flattened(mark.curves, 1) : [mark.at]);

/** Done without a sheet: dough and newspaper are no paper to print on, and what stands on a sleeve or at an edge needs none. */
const WITHOUT: Readonly<Record<string, readonly number[]>> = { 'broom-fringe': [1] };
const WITH_SHEETS = [
  'scissors',
  'folding',
  'gluing',
  'coloringWithinBoundary',
  'colouringWithinBoundary',
  'preWriting',
  'lettersAndName',
  'copyingSentences',
];

describe('the sheets of the library', () => {
  const drawn = library.filter(({ skill }) => WITH_SHEETS.includes(skill));
  const all = library.flatMap(({ slug, ladder }) =>
    ladder.steps.flatMap(({ sheet }, index) => (sheet ? [{ slug, step: index + 1, sheet }] : [])),
  );

  it('stand at every step of what is drawn, cut, folded, glued, colored, written and copied', () => {
    expect(drawn.length).toBeGreaterThan(50);
    for (const { slug, ladder } of drawn)
      ladder.steps.forEach(({ sheet }, index) =>
        expect([slug, index + 1, sheet !== undefined]).toEqual([slug, index + 1, !WITHOUT[slug]?.includes(index + 1)]),
      );
  });

  it('agree with the knobs of their steps: as long, as wide, and never easier than the step below', () => {
    for (const task of library) expect([task.slug, sheetDisagreements(task)]).toEqual([task.slug, []]);
    // The check sees what it is for.
    const planks = library.find(({ slug }) => slug === 'cut-the-planks')!;
    const broken = (step: number, change: object) => ({
      ...planks,
      ladder: {
        ...planks.ladder,
        steps: planks.ladder.steps.map((each, index) =>
          index + 1 === step ? { ...each, sheet: spec({ ...each.sheet, ...change }) } : each,
        ),
      },
    });
    expect(sheetDisagreements(broken(3, { widthMm: 14 }))).toMatchObject([{ code: 'pathWidth', step: 3, byKnobs: 12, bySheet: 14 }]);
    expect(sheetDisagreements(broken(4, { path: { form: 'straight', lengthMm: 140 } }))).toMatchObject([
      { code: 'pathLength', step: 4, byKnobs: 150 },
    ]);
    expect(sheetDisagreements(broken(5, { widthMm: 30 }))).toMatchObject([
      { code: 'pathWidth', step: 5 },
      { code: 'easierSheet', step: 5 },
    ]);
  });

  it('fit on both papers, for both hands, in large print, within what a printer reaches, with both check lines true', () => {
    for (const { slug, step, sheet } of all)
      for (const paper of ['letter', 'a4'] as const)
        for (const isLarge of [false, true]) {
          const how = library.find((task) => task.slug === slug)!.ladder.steps[step - 1]!.how.en;
          const result = drawSheet(options(sheet, { paper, audience: { ...right, isLarge, isLeft: isLarge }, words: { ...WORDS, how } }));
          expect([slug, step, paper, isLarge, result.ok ? 'drawn' : result.issues]).toEqual([slug, step, paper, isLarge, 'drawn']);
          if (!result.ok) continue;
          for (const scene of result.value) {
            const { left, right: far, top, bottom } = boxAround(scene.marks.flatMap(placesOf));
            expect(left).toBeGreaterThanOrEqual(MARGIN_MM - 3);
            expect(far).toBeLessThanOrEqual(scene.widthMm - MARGIN_MM + 3);
            expect(top).toBeGreaterThanOrEqual(MARGIN_MM - 3);
            expect(bottom).toBeLessThanOrEqual(scene.heightMm - MARGIN_MM + 1);
            const lengths = paths(scene).map(({ curves }) => Math.round(lengthOfPath(curves) * 1000) / 1000);
            expect(lengths).toEqual(expect.arrayContaining([50, 50.8]));
            expect(textsIn(scene)).toEqual(expect.arrayContaining(['Name', WORDS.title, '50 mm, check me', '2 in']));
          }
        }
  });

  // The label's width by the very font that it is printed in.
  it.each(['Name', 'Nombre', 'Nome', 'Nombre de pila'])('begin the name line right of its label “%s”, also in large print', (name) => {
    const pen = new PDFDocument().font('src/ui/fonts/yard-sans-400.woff');
    for (const isLarge of [false, true]) {
      const [scene] = pagesOf(spec({ kind: 'snips', marks: 'wide', gapMm: 20, deepMm: 20, count: 2 }), {
        audience: { ...right, isLarge },
        words: { ...WORDS, name },
      });
      const label = scene!.marks.find((mark) => mark.kind === 'text' && mark.text === name) as Extract<Mark, { kind: 'text' }>;
      const line = boxAround(placesOf(paths(scene!)[0]!));
      expect(line.left - label.at[0]).toBeGreaterThan(pen.fontSize(label.sizeMm).widthOfString(name));
      expect(line.right - line.left).toBeCloseTo(62, 6);
    }
  });

  it('are the same for the same wish, and of one kind or another in all', () => {
    for (const { sheet } of all.filter((_, index) => index % 7 === 0)) expect(pagesOf(sheet)).toEqual(pagesOf(sheet));
    const kinds = new Set(all.map(({ sheet }) => sheet.kind));
    for (const kind of [
      'strokes',
      'letters',
      'road',
      'snips',
      'halfShape',
      'folds',
      'strips',
      'glueMarks',
      'coloring',
      'copy',
      'around',
      'joinDots',
    ])
      expect(kinds).toContain(kind);
  });
});

describe('what is drawn', () => {
  const planks = spec({ kind: 'road', path: { form: 'straight', lengthMm: 150 }, widthMm: 12, use: 'cut', count: 1 });

  it('a road’s edges are as far apart as it says, to a thousandth of a millimeter', () => {
    const [scene] = pagesOf(planks);
    const edges = paths(scene!).filter(({ widthMm, curves }) => widthMm === 0.7 && Math.abs(lengthOfPath(curves) - 150) < 1e-6);
    expect(edges).toHaveLength(2);
    const [one, other] = edges.map(({ curves }) => pointAt(curves[0]!, 0));
    expect(Math.abs(one![1] - other![1])).toBeCloseTo(12, 9);
  });

  it('golden: a wave, a spiral, a house, each as long as reckoned by hand', () => {
    const long = (path: object) => difficultyOf(spec({ kind: 'road', path, widthMm: 10, use: 'trace', count: 1 })).lengthMm!;
    expect(long({ form: 'wave', bends: 3, radiusMm: 30, bendDegrees: 90 })).toBeCloseTo(3 * 30 * (Math.PI / 2), 9);
    // Half circles of 30, 22.5, 15, 7.5: gap 15, two turns.
    expect(long({ form: 'spiral', turns: 2, gapMm: 15 })).toBeCloseTo(Math.PI * (30 + 22.5 + 15 + 7.5), 9);
    expect(long({ form: 'house', lengthMm: 460, hasDoor: true, hasChimney: false })).toBeCloseTo(460, 6);
    expect(long({ form: 'zigzag', lengthMm: 210, corners: 6 })).toBeCloseTo(210, 9);
    expect(long({ form: 'arc', lengthMm: 180, radiusMm: 75 })).toBeCloseTo(180, 9);
    expect(
      difficultyOf(spec({ kind: 'road', path: { form: 'arc', lengthMm: 180, radiusMm: 75 }, widthMm: 6, use: 'cut', count: 1 })).turnMm,
    ).toBeCloseTo(75, 9);
  });

  it('turn as tightly as the tightest of their roads: a stem is straight, the bowl beside it is not', () => {
    const turn = (en: string) => difficultyOf(spec({ kind: 'letters', text: { en }, cue: 'dots', ruling: 'one', xHeightMm: 13 })).turnMm!;
    expect(turn('l')).toBe(Infinity);
    expect(letterOf('P')!.strokes.map((stroke) => tightestTurn(stroke))).toContain(Infinity);
    expect(turn('P')).toBe(6.5);
  });

  it('golden: the first snip a gap from the edge, a letter by its own height, a fold by how far the edge is brought', () => {
    const [scene] = pagesOf(spec({ kind: 'snips', marks: 'thin', gapMm: 25, deepMm: 30, count: 1 }));
    const marks = paths(scene!).filter(({ curves }) => curves.length === 1 && Math.abs(lengthOfPath(curves) - 30) < 1e-9);
    expect(marks.map(({ curves }) => pointAt(curves[0]!, 0)[0] - MARGIN_MM)).toEqual(
      [25, 50, 75, 100, 125].map((x) => expect.closeTo(x, 9)),
    );
    // An l is two heights long, kept within two fifths of one.
    expect(difficultyOf(spec({ kind: 'letters', text: { en: 'l' }, cue: 'dots', ruling: 'one', xHeightMm: 13 })).roadWidths).toBeCloseTo(
      2 / 0.4,
      9,
    );
    const bits = (way: string) => difficultyOf(spec({ kind: 'folds', way, guide: 'none', withinMm: 10 })).aimBits!;
    // On Letter 214 mm stay below the head.
    expect(bits('half')).toBeCloseTo(Math.log2(107 / 10 + 1), 6);
    expect(bits('thirds')).toBeCloseTo(Math.log2(214 / 3 / 10 + 1), 6);
  });

  it('an outline with hundreds of corners is none for scissors, and one that a child’s scissors don’t turn out of is told', () => {
    const star = Array.from({ length: 900 }, (_, index): Point => {
      const radius = index % 2 === 0 ? 400 : 200;
      return [radius * Math.cos((index / 900) * 2 * Math.PI), radius * Math.sin((index / 900) * 2 * Math.PI)];
    });
    expect(outlineOf(star)).toEqual({ ok: false, issues: [{ code: 'tooManyPlaces' }] });
    const corner = (degrees: number) => {
      const turn = (degrees * Math.PI) / 180;
      const found = outlineOf([
        [100, 0],
        [0, 0],
        [100 * Math.cos(turn), 100 * Math.sin(turn)],
      ]);
      return found.ok ? found.value.findings.map(({ code }) => code) : [];
    };
    expect([corner(39), corner(41)]).toEqual([['tooSharp'], []]);
  });

  it('every shape of the library has strokes, from the top where its words say so', () => {
    expect([...SHAPES_DRAWN].sort()).toEqual(Object.keys(SHAPE_AGES).sort());
    const fromBelow = ['zigzag', 'wave', 'nCurve', 'loops', 'spiral', 'horizontal'];
    for (const shape of SHAPES_DRAWN) {
      const strokes = strokesOfShape(shape)!;
      const ys = strokes.flat().flatMap((curve) => flattened([curve]).map(([, y]) => y));
      const first = pointAt(strokes[0]![0]!, 0)[1];
      if (!fromBelow.includes(shape)) expect([shape, first <= Math.min(...ys) + 0.45]).toEqual([shape, true]);
      for (const y of ys) expect(y).toBeLessThanOrEqual(1e-9);
      for (const y of ys) expect(y).toBeGreaterThanOrEqual(-1 - 1e-9);
    }
    expect(strokesOfShape('heptagon')).toBeNull();
    expect(drawSheet(options(spec({ kind: 'strokes', shape: 'heptagon', cue: 'dots', sizeMm: 50, count: 1 })))).toMatchObject({
      ok: false,
      issues: [{ code: 'unknownShape' }],
    });
  });

  it('has every letter and numeral, with the marks of names, and says which it has not', () => {
    for (const sign of 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789')
      expect([sign, letterOf(sign) !== null]).toEqual([sign, true]);
    for (const sign of 'áéíóúñüÁÑçèôï') expect([sign, letterOf(sign) !== null]).toEqual([sign, true]);
    const name = (calledName: string) =>
      drawSheet(
        options(spec({ kind: 'letters', text: { en: '{child}' }, cue: 'dots', ruling: 'boxes', xHeightMm: 10 }), {
          audience: { ...right, name: calledName },
        }),
      );
    expect(name('Íñigo').ok).toBe(true);
    expect(name('Łuß')).toMatchObject({ ok: false, issues: [{ code: 'noStrokes', letters: 'Ł ß' }] });
  });

  it.each(LETTERS_DRAWN)('“%s” stays in its zones and in its width', (sign) => {
    const { strokes, width, over, under } = letterOf(sign)!;
    const points = strokes.flatMap((stroke) => flattened(stroke));
    const { left, right: far, top, bottom } = boxAround(points);
    expect(left).toBeGreaterThanOrEqual(-0.21);
    expect(far).toBeLessThanOrEqual(Math.max(width, 0.1) + 1e-6);
    expect(-top).toBeLessThanOrEqual(over + 1e-6);
    expect(bottom).toBeLessThanOrEqual(under + 0.11);
  });

  it('a left hand pulls its lines across and goes round the other way; nothing else changes', () => {
    const cross = strokesOfShape('cross')!;
    const left = forHand(cross, true);
    expect(left[0]).toEqual(cross[0]);
    expect(pointAt(left[1]![0]!, 0)).toEqual(pointAt(cross[1]![0]!, 1));
    expect(forHand(cross, false)).toEqual(cross);
    const arc = spec({ kind: 'road', path: { form: 'wave', bends: 1, radiusMm: 40, bendDegrees: 90 }, widthMm: 10, use: 'cut', count: 1 });
    const leftmost = (isLeft: boolean) => {
      const [scene] = pagesOf(arc, { audience: { ...right, isLeft } });
      const middle = paths(scene!).find(({ dash }) => dash)!.curves;
      return pointAt(middle[0]!, 0.5)[0] - pointAt(middle[0]!, 0)[0];
    };
    expect(leftmost(true)).toBeCloseTo(-leftmost(false), 9);
  });

  it('a cue shows less and less of the same strokes', () => {
    const marks = (cue: string) => pagesOf(spec({ kind: 'strokes', shape: 'square', cue, sizeMm: 70, count: 1 }))[0]!.marks;
    const inked = (cue: string) => marks(cue).length - marks('blank').length;
    expect(marks('dots').some((mark) => mark.kind === 'path' && mark.dash?.[0] === 0.01)).toBe(true);
    expect(marks('endDots').some((mark) => mark.kind === 'path' && mark.dash !== undefined)).toBe(false);
    expect(inked('fewerDots')).toBeGreaterThan(inked('endDots'));
    expect(inked('box')).toBe(1);
    // A side, then top, side and base: where both strokes begin and end, one dot bears both numbers.
    expect(textsIn({ widthMm: 1, heightMm: 1, marks: marks('numbered') }).filter((text) => /^[\d ]+$/.test(text))).toEqual([
      '1 3',
      '2 6',
      '4',
      '5',
    ]);
  });

  it('cut-outs stand apart from one another, so that scissors find a way between them', () => {
    const [scene] = pagesOf(spec({ kind: 'tokens', what: 'pairs', sizeMm: 40, count: 8 }));
    const boxes = paths(scene!)
      .map(({ curves }) => boxAround(flattened(curves, 1)))
      .filter(({ left, right: far }) => far - left > 35 && far - left < 45);
    expect(boxes.length).toBeGreaterThanOrEqual(8);
    for (const [place, one] of boxes.entries())
      for (const other of boxes.slice(place + 1)) {
        const apart = Math.max(other.left - one.right, one.left - other.right, other.top - one.bottom, one.top - other.bottom);
        expect(apart).toBeGreaterThanOrEqual(5);
      }
  });

  it('cards add up to what is asked; sums of the grid are numbers of its key; pairs are pairs', () => {
    const numbers = pagesOf(spec({ kind: 'countCards', sum: 30, cards: 6, seed: 4 }))
      .flatMap(textsIn)
      .filter((text) => /^\d+$/.test(text))
      .map(Number);
    expect(numbers).toHaveLength(6);
    expect(numbers.reduce((sum, each) => sum + each)).toBe(30);
    const grid = textsIn(pagesOf(spec({ kind: 'coloring', form: 'grid', sizeMm: 38, edgeMm: 0.7, count: 15, code: 'sums' }))[0]!);
    const key = grid.filter((text) => /^\d$/.test(text)).map(Number);
    const sums = grid.flatMap((text) => (/^(\d) \+ (\d)$/.exec(text) ? [Number(text[0]) + Number(text[4])] : []));
    expect(sums).toHaveLength(15);
    for (const sum of sums) expect(key).toContain(sum);
    const tokens = pagesOf(spec({ kind: 'tokens', what: 'pairs', sizeMm: 40, count: 8 }))[0]!.marks.filter(
      (mark) => mark.kind === 'path' && mark.fill === 'ink',
    ).length;
    expect(tokens % 2).toBe(0);
    expect(tokens).toBeGreaterThan(8);
    // Left and right in turns, told by more than color: the arrow goes to its side.
    expect(pagesOf(spec({ kind: 'tokens', what: 'hands', sizeMm: 60, count: 4 }))).toHaveLength(1);
  });

  it('a placemat has each thing on its side, and the page of stones a stone and its places for each task', () => {
    const table = [
      { side: 'left' as const, what: 'tub' },
      { side: 'far' as const, what: 'pile of clothespins' },
    ];
    const [mat] = pagesOf(spec({ kind: 'placemat' }), { audience: { ...right, table } });
    const at = (text: string) => mat!.marks.flatMap((mark) => (mark.kind === 'text' && mark.text === text ? [mark.at] : []))[0]!;
    expect(at('tub')[0]).toBeLessThan(mat!.widthMm / 2);
    expect(at('pile of clothespins')[1]).toBeLessThan(at('tub')[1]);
    const stones = ['Crane lift', 'Wheel', 'Zip'];
    const [page] = pagesOf(spec({ kind: 'stones', sessions: 5 }), { audience: { ...right, stones } });
    for (const stone of stones) expect(textsIn(page!)).toContain(stone);
    expect(paths(page!).filter(({ isClosed, curves }) => isClosed && curves.length === 4)).toHaveLength(15);
    // It is of the whole session: no task's words head it.
    expect(textsIn(page!)).toContain('Odalys');
    expect(textsIn(page!)).not.toContain('Do it.');
    expect(drawSheet(options(spec({ kind: 'stones', sessions: 5 })))).toMatchObject({ ok: false, issues: [{ code: 'nothingDrawn' }] });
  });

  it('goes on on another page, and says what is larger than the paper', () => {
    expect(pagesOf(spec({ kind: 'road', path: { form: 'circle', diameterMm: 120 }, widthMm: 12, use: 'cut', count: 3 }))).toHaveLength(3);
    expect(
      drawSheet(
        options(
          spec({
            kind: 'road',
            path: { form: 'house', lengthMm: 700, hasDoor: false, hasChimney: false },
            widthMm: 8,
            use: 'cut',
            count: 1,
          }),
        ),
      ),
    ).toMatchObject({
      ok: false,
      issues: [{ code: 'doesNotFit', neededMm: expect.any(Array) }],
    });
  });

  it('says what is too wide alone, and refuses more pages than anybody asks for on purpose', () => {
    const across = { kind: 'road', path: { form: 'straight', lengthMm: 190 }, widthMm: 8, use: 'cut', count: 1 };
    expect(drawSheet(options(spec(across)))).toMatchObject({ ok: false, issues: [{ code: 'doesNotFit', neededMm: [198, 16] }] });
    const many = { kind: 'letters', text: { en: 'm'.repeat(200) }, cue: 'dots', ruling: 'boxes', xHeightMm: 45, rows: 8 };
    expect(drawSheet(options(spec(many)))).toMatchObject({ ok: false, issues: [{ code: 'tooManyPages', most: 12 }] });
  });

  it('the d that is written is the way that was drawn, to a hundredth of a millimeter over an arc', () => {
    for (const curves of [strokesOfShape('circle')!.flat(), strokesOfShape('wave')!.flat()].map((each) => each)) {
      const read = parsePath(svgPath(curves));
      if (!read.ok) throw new Error(JSON.stringify(read.issues));
      expect(lengthOfPath(read.value)).toBeCloseTo(lengthOfPath(curves), 2);
    }
  });
});

describe('harder and easier', () => {
  const cases: [string, object][] = [
    [
      'a narrowing road',
      { kind: 'road', path: { form: 'wave', bends: 2, radiusMm: 40, bendDegrees: 90 }, widthMm: 12, endWidthMm: 7, use: 'cut', count: 1 },
    ],
    ['an even road', { kind: 'road', path: { form: 'circle', diameterMm: 80 }, widthMm: 12, use: 'cut', count: 1 }],
    ['strokes', { kind: 'strokes', shape: 'square', cue: 'dots', sizeMm: 60, count: 1 }],
    ['half a window', { kind: 'halfShape', sides: 'straight', folds: 1, lengthMm: 120, widthMm: 10 }],
    ['a fold', { kind: 'folds', way: 'half', guide: 'none', withinMm: 8 }],
    ['dots', { kind: 'joinDots', apartMm: 60, count: 6, dotMm: 6 }],
  ];
  it.each(cases)('%s, by a tenth: one thing alone is turned, and the geometry says so', (_, given) => {
    const before = spec(given);
    for (const share of [0.1, -0.1]) {
      const found = harderBy(before, share)!;
      const [one, other] = [difficultyOf(before), difficultyOf(found.spec)].map(({ roadWidths, aimBits }) => roadWidths ?? aimBits!);
      expect(other! / one!).toBeCloseTo(1 + share, 3);
      expect(turned(before, found.key, found.to)).toEqual(found.spec);
      expect(turned(found.spec, found.key, found.from)).toEqual(found.key === 'endWidthMm' ? { ...before } : before);
    }
  });

  it('turns the end of a road that narrows, the width of one that does not, and the bend where that is asked for', () => {
    expect(harderBy(spec(cases[0]![1]), 0.1)!.key).toBe('endWidthMm');
    const even = harderBy(spec(cases[1]![1]), 0.1)!;
    expect([even.key, even.to]).toEqual(['widthMm', expect.closeTo(12 / 1.1, 3)]);
    const bent = harderBy(spec(cases[0]![1]), 0.1, 'path.bendDegrees')!;
    expect(bent.to).toBeCloseTo(99, 2);
    expect(harderBy(spec({ kind: 'blank' }), 0.1)).toBeNull();
    // A hundred times as hard: nothing on the sheet can be turned so far.
    expect(harderBy(spec(cases[3]![1]), 99)).toBeNull();
  });

  it('what can be turned stays a sheet at both of its bounds', () => {
    for (const [, given] of cases)
      for (const { key, least, most, value } of turnablesOf(spec(given))) {
        for (const bound of [least, most]) expect([key, bound, turned(spec(given), key, bound) !== null]).toEqual([key, bound, true]);
        expect(value).toBeGreaterThanOrEqual(least);
        expect(value).toBeLessThanOrEqual(most);
      }
    expect(turned(spec(cases[1]![1]), 'widthMm', 0)).toBeNull();
  });
});
