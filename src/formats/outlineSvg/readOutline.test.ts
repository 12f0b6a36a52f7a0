import fc from 'fast-check';
import { lengthOfPath } from '../../core/worksheets/curve';
import { parsePath } from '../../core/worksheets/parsePath';
import { readOutline } from '.';

const svg = (inside: string, attributes = '') =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"${attributes}>${inside}</svg>`;
const faultOf = (file: string) => {
  const read = readOutline(file, 100);
  return read.ok ? 'read' : [read.faults[0]!.code, read.faults[0]!.what].filter(Boolean).join(' ');
};
const read = (d: string, sizeMm = 100) => {
  const found = readOutline(svg(`<path d="${d}"/>`), sizeMm);
  if (!found.ok) throw new Error(JSON.stringify(found.faults));
  return found.value;
};

describe('an outline from a file', () => {
  it('is as large as wished, without trembles, and closed where it meets itself', () => {
    const square = read('M10 10h20v20h-20z', 80);
    expect(square).toMatchObject({ isClosed: true, findings: [] });
    const path = parsePath(square.d);
    expect(path.ok && lengthOfPath(path.value)).toBeCloseTo(320, 1);
    const round = read('M50 0A50 50 0 1 1 49.9 0', 100);
    const way = parsePath(round.d);
    expect(way.ok && Math.abs(lengthOfPath(way.value) / (Math.PI * 100) - 1) < 0.01).toBe(true);
    expect(read('M0 0L50 10L100 0').isClosed).toBe(false);
  });

  it('says what scissors can’t do, and where', () => {
    expect(read('M0 0L100 100L100 0L0 100').findings).toMatchObject([{ code: 'crossesItself', at: [50, 50] }]);
    expect(read('M0 0L100 4L0 12').findings).toEqual(expect.arrayContaining([expect.objectContaining({ code: 'tooSharp', at: [100, 4] })]));
    expect(read('M0 0L100 0L100 60L52 60L52 4L48 4L48 60L0 60Z').findings).toEqual(
      expect.arrayContaining([expect.objectContaining({ code: 'tooNear' })]),
    );
  });

  it.each([
    ['a script', svg('<script>alert(1)</script><path d="M0 0L9 9"/>'), 'element script'],
    ['a link', svg('<a href="http://x"><path d="M0 0L9 9"/></a>'), 'element a'],
    ['a picture', svg('<image href="x.png"/>'), 'element image'],
    ['a use', svg('<use href="#a"/><path d="M0 0L9 9"/>'), 'element use'],
    ['an act', svg('<path d="M0 0L9 9" onclick="x()"/>'), 'attribute onclick'],
    ['an act of the file', svg('<path d="M0 0L9 9"/>', ' onload="x()"'), 'attribute onload'],
    ['a style', svg('<path style="fill:url(http://x)" d="M0 0L9 9"/>'), 'attribute style'],
    ['a style sheet', svg('<style>@import url(http://x)</style>'), 'element style'],
    ['a transform', svg('<g transform="scale(9)"><path d="M0 0L9 9"/></g>'), 'attribute transform'],
    ['another namespace', svg('<path d="M0 0L9 9"/>', ' xmlns:xlink="http://www.w3.org/1999/xlink"'), 'attribute xmlns:xlink'],
    ['a declaration', `<!DOCTYPE svg [<!ENTITY a "aaaa">]>${svg('<path d="M0 0L9 9"/>')}`, 'declares'],
    ['foreign content', svg('<foreignObject><p>x</p></foreignObject>'), 'element foreignObject'],
    ['no drawing', svg(''), 'noPath'],
    ['two drawings', svg('<path d="M0 0L9 9"/><path d="M0 0L9 9"/>'), 'severalPaths'],
    ['two ways', svg('<path d="M0 0L9 9M20 20L40 40"/>'), 'severalParts'],
    ['a broken way', svg('<path d="M0 0L"/>'), 'badPath'],
    ['a point', svg('<path d="M5 5L5 5"/>'), 'tooFewPlaces'],
    ['no svg', '<html><body/></html>', 'element html'],
    ['no markup', 'MZ\u0000\u0001', 'notSvg'],
    ['nothing', '', 'notSvg'],
    ['an open end', '<svg><path d="M0 0L9 9"></svg>', 'notSvg'],
    ['too much', svg(`<desc>${'x'.repeat(200_001)}</desc>`), 'tooLarge'],
    ['too many ways', svg(`<path d="M0 0${'l1 1'.repeat(3000)}"/>`), 'tooManyPlaces'],
  ])('%s is refused, by name', (_, file, expected) => expect(faultOf(file)).toBe(expected));

  it('2,500 broken and hostile files are refused with words or read; none throws', () => {
    const good = svg('<g id="a"><path d="M10 10C20 0 40 0 50 20S80 60 90 20L95 80Q50 99 10 80Z" fill="none"/></g>');
    let refused = 0;
    const hold = (file: string) => {
      const found = readOutline(file, 100);
      if (found.ok) expect(parsePath(found.value.d).ok).toBe(true);
      else {
        refused += 1;
        expect(found.faults[0]!.code).toMatch(/^[a-zA-Z]+$/);
      }
    };
    const bits = fc.constantFrom(
      '<',
      '>',
      '"',
      '/',
      '&#x41;',
      '&x;',
      '<!--',
      '-->',
      '<![CDATA[',
      '<script>',
      'M',
      '1e999',
      '-',
      '.',
      '\u0000',
      '\uFFFD',
      'z',
      ' ',
      '<g>',
      '</g>',
      '<svg>',
      'd="',
      "'",
    );
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: good.length }),
        fc.integer({ min: 0, max: 40 }),
        fc.array(bits, { maxLength: 6 }),
        (at, cut, put) => hold(good.slice(0, at) + put.join('') + good.slice(at + cut)),
      ),
      { seed: 11, numRuns: 2_000 },
    );
    fc.assert(fc.property(fc.string({ unit: 'binary', maxLength: 300 }), hold), { seed: 12, numRuns: 300 });
    fc.assert(
      fc.property(fc.string({ unit: fc.constantFrom(...'MmLlHhVvCcSsQqTtAaZz0123456789 .,-e'), maxLength: 120 }), (d) =>
        hold(svg(`<path d="${d}"/>`)),
      ),
      { seed: 13, numRuns: 500 },
    );
    expect(refused).toBeGreaterThan(1500);
  });
});
