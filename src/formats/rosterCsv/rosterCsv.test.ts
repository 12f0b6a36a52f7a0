import { calendarDay } from '@/core/calendar';
import { dateOrderOf, matchColumns as match, readDate, readTable } from '../table';
import { MOST_ROSTER_ROWS, readRoster, ROSTER_TEMPLATE, USUAL_ROSTER_HEADINGS } from '.';

const matchColumns = (headings: readonly string[], remembered: ReadonlyMap<string, string>) =>
  match(headings, USUAL_ROSTER_HEADINGS, remembered);

const table = (text: string) => {
  const read = readTable(text, MOST_ROSTER_ROWS);
  if (!read.ok) throw new Error(read.fault.code);
  return read.table;
};
const SCHOOLS = new Map(['Fold Lane School', 'Millbeck Early Learning Center', 'A'].map((name) => [name.toLowerCase(), name]));
const SAFE = { scissorsAllowed: false, mouthsThings: false };
type Matching = Parameters<typeof readRoster>[1];
const rows = (text: string, dateOrder: 'monthFirst' | 'dayFirst' = 'monthFirst', school = '', usual: Matching['usual'] = SAFE) => {
  const list = table(text);
  return readRoster(list, { columns: matchColumns(list.headings, new Map()), dateOrder, school, schools: SCHOOLS, usual });
};

describe('a list of children', () => {
  it('comes from a file of any usual separator, or from cells that were pasted', () => {
    for (const separator of [',', ';', '\t', '|']) {
      const text = [
        ['First name', 'Last name', 'DOB', 'Building'],
        ['Odalys', 'Vance', '2021-09-20', 'Fold Lane School'],
      ];
      const [row] = rows(text.map((cells) => cells.join(separator)).join('\r\n'));
      expect(row).toMatchObject({ school: 'Fold Lane School', findings: [], record: { calledName: 'Odalys', initial: 'V' } });
    }
  });

  it('of last names keeps the initial alone, whichever way the name is written', () => {
    for (const name of ['Odalys Vance', 'Vance, Odalys', 'Odalys V.', 'Odalys vance']) {
      const [row] = rows(`Student\tBorn on\n${name}\t2021-09-20`, 'monthFirst', 'Fold Lane School');
      expect(row!.record).toMatchObject({ calledName: 'Odalys', initial: 'V' });
      expect(JSON.stringify(row)).not.toContain('Vance');
    }
  });

  it('that is the published template is understood as a whole', () => {
    expect(matchColumns(table(ROSTER_TEMPLATE).headings, new Map())).not.toContain(null);
    const [row] = rows(ROSTER_TEMPLATE);
    expect(row!.record).toMatchObject({
      hand: 'left',
      familyLanguage: 'es',
      allergies: ['wheat: rash'],
      mouthsThings: true,
      scissorsAllowed: false,
      reportWay: 'link',
    });
  });

  it.each([
    ['Hand', 'sinister', 'hand', 'notAHand'],
    ['Scissors', 'maybe', 'scissorsAllowed', 'notYesOrNo'],
    ['Minutes', 'ten', 'minutesPerDay', 'notMinutes'],
    ['Minutes', '400', 'minutesPerDay', 'notMinutes'],
    ['Language', 'Elvish', 'familyLanguage', 'notALanguage'],
    ['Way', 'pigeon', 'reportWay', 'notAWay'],
  ])('says of a cell under %s that reads “%s” what is wrong, and guesses nothing', (heading, cell, fact, code) => {
    const [row] = rows(`First name,Last name,DOB,School,${heading}\nOdalys,V,2021-09-20,Fold Lane School,${cell}`);
    expect(row).toMatchObject({ record: null, findings: [{ fact, code, cell }] });
  });

  it('says what is missing, and who stands in it twice', () => {
    const list = rows(
      'First name,Last name,DOB,School\n,V,2021-09-20,A\nBram,,2021-09-20,A\nFfion,A,,A\nPer,H,2021-01-02,\nPer,H,2021-01-02,A\nPer,h,1/2/2021,A',
    );
    expect(list.map(({ findings }) => findings.map(({ fact, code }) => `${fact} ${code}`).join())).toEqual([
      'calledName missing',
      'initial notAnInitial',
      'bornOn missing',
      'school missing',
      '',
      'calledName twiceInList',
    ]);
  });

  const HEAD = 'First name,Last name,DOB (MM/DD/YYYY),School,Scissors,Mouths things';
  const codes = (line: string, usual?: Matching['usual']) =>
    rows(`${HEAD}\n${line}`, 'monthFirst', '', usual).map(({ findings }) => findings.map(({ fact, code }) => `${fact} ${code}`).join());

  it('asks where safety hangs on an answer, and takes the one that a person gave for rows that do not say', () => {
    const silent = 'Odalys,V,9/20/2021,Fold Lane School,,';
    expect(codes(silent, { scissorsAllowed: null, mouthsThings: null })).toEqual(['mouthsThings mustSay,scissorsAllowed mustSay']);
    const [row] = rows(`${HEAD}\n${silent}`, 'monthFirst', '', { scissorsAllowed: false, mouthsThings: true });
    expect(row!.record).toMatchObject({ scissorsAllowed: false, mouthsThings: true });
    // A row's own value counts, whatever was answered for the others.
    const [said] = rows(`${HEAD}\nOdalys,V,9/20/2021,Fold Lane School,yes,no`, 'monthFirst', '', {
      scissorsAllowed: false,
      mouthsThings: true,
    });
    expect(said!.record).toMatchObject({ scissorsAllowed: true, mouthsThings: false });
  });

  it.each([
    ['Odalys,V,9/20/2021,Fold Lane School', 'name shortRow'],
    ['Zo\uFFFD,V,9/20/2021,Fold Lane School,no,no', 'calledName unreadable'],
    ['=Zoé,V,9/20/2021,Fold Lane School,no,no', 'calledName notAName'],
    ['Zo\u0000,V,9/20/2021,Fold Lane School,no,no', 'calledName notAName'],
    ['Odalys,V,9/20/2021,Fold Lane / A,no,no', 'school unknownSchool'],
    ['Odalys,V,4.3.2019,A,no,no', 'bornOn notADate'],
    ['Zoë-Anne,V,9/20/2021,fold lane school,no,no', ''],
    ['O’Dell,V,20.9.2021,A,no,no', 'bornOn notADate'],
  ])('%j: %s', (line, says) => {
    expect(codes(line)).toEqual([says]);
  });

  it('knows every language by its English name, and a hand that is only probable', () => {
    const of = (language: string, hand: string) =>
      rows(`First name,Last name,DOB,School,Language,Hand\nOdalys,V,2021-09-20,A,${language},${hand}`)[0]!.record;
    expect(of('Haitian Creole', 'probably left')).toMatchObject({ familyLanguage: 'ht', hand: 'unsettled', leaningHand: 'left' });
    expect(of('Tagalog', 'right-handed')).toMatchObject({ familyLanguage: 'tl', hand: 'right', leaningHand: null });
  });

  it('with a quotation mark that never closes says in which row, instead of losing the rows after it', () => {
    expect(readTable('Name,DOB\nA,1\n"B,2\nC,3', 10)).toEqual({ ok: false, fault: { code: 'openQuote', row: 2 } });
  });

  it('matches its columns as they were matched before', () => {
    expect(
      matchColumns(
        ['Kid', 'Datum', 'x'],
        new Map([
          ['kid', 'name'],
          ['datum', 'bornOn'],
          ['x', 'no such fact'],
        ]),
      ),
    ).toEqual(['name', 'bornOn', null]);
    // A fact belongs to one column: the first that matches it.
    expect(matchColumns(['School', 'Building'], new Map())).toEqual(['school', null]);
  });

  it('is refused where it is none', () => {
    const code = (text: string) => {
      const read = readTable(text, MOST_ROSTER_ROWS);
      return read.ok ? 'ok' : read.fault.code;
    };
    expect([code('  '), code('Name,DOB'), code('x'.repeat(500_001)), code(`Name\n${'a\n'.repeat(401)}`)]).toEqual([
      'empty',
      'noRows',
      'tooLarge',
      'tooManyRows',
    ]);
  });
});

describe('a date', () => {
  it.each([
    ['2021-08-12', 'monthFirst', '2021-08-12'],
    ['2021/8/12', 'dayFirst', '2021-08-12'],
    ['8/12/2021', 'monthFirst', '2021-08-12'],
    ['8/12/2021', 'dayFirst', '2021-12-08'],
    ['12.8.21', 'dayFirst', '2021-08-12'],
    ['12 Aug 2021', 'monthFirst', '2021-08-12'],
    ['August 12, 2021', 'monthFirst', '2021-08-12'],
    ['Aug 12 2021', 'dayFirst', '2021-08-12'],
    ['August 12th, 2021', 'monthFirst', '2021-08-12'],
  ] as const)('“%s”, %s, is %s', (text, order, day) => {
    expect(readDate(text, order)).toBe(calendarDay(day));
  });

  it.each(['2/30/2021', '13/13/2021', 'soon', '', '2021', '31 Feb 2021', '0/1/2021'])('“%s” is none', (text) => {
    expect(readDate(text, 'monthFirst')).toBeNull();
  });

  it('is asked about where a list can be read both ways, or is both at once', () => {
    expect(dateOrderOf(['3/4/2021', '5/6/2020'])).toBeNull();
    expect(dateOrderOf(['3/4/2021', '13/6/2020'])).toBe('dayFirst');
    expect(dateOrderOf(['3/14/2021', '5/6/2020'])).toBe('monthFirst');
    expect(dateOrderOf(['3/14/2021', '14/3/2021'])).toBeNull();
    expect(dateOrderOf(['2021-03-04', '5/5/2020', '12 Aug 2021'])).toBe('anyWay');
  });
});
