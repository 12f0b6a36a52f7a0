import { childRecordSchema, EMPTY_RECORD, FAMILY_WAYS, type ChildRecord, type DateOrder, type RosterFact } from '@/core/students';
import { languageCode, plain } from '@/core/text';
import { cellOf, readDate, type PastedTable } from '../table';

export const MOST_ROSTER_ROWS = 400;

export interface RosterFinding {
  /** The fact that the cell should tell; null where it is missing as a whole. */
  readonly fact: RosterFact;
  readonly code:
    | 'missing'
    | 'notADate'
    | 'notAHand'
    | 'notYesOrNo'
    | 'notMinutes'
    | 'notALanguage'
    | 'notAWay'
    | 'notAnInitial'
    | 'tooMuch'
    | 'twiceInList'
    /** It has fewer cells than there are headings: which are missing cannot be known. */
    | 'shortRow'
    /** Letters were lost where the file was read in another encoding. */
    | 'unreadable'
    | 'notAName'
    | 'unknownSchool'
    /** Safety hangs on it, so there is no usual answer. */
    | 'mustSay';
  readonly cell: string;
}

export interface RosterRow {
  /** Its place in the list, 1-based, the headings not counted. */
  readonly number: number;
  readonly record: ChildRecord | null;
  readonly school: string;
  readonly findings: readonly RosterFinding[];
}

export interface RosterMatching {
  /** Fact of each column, in the order of the headings; null for ignored ones. */
  readonly columns: readonly (RosterFact | null)[];
  readonly dateOrder: DateOrder;
  /** For rows that name no school. */
  readonly school: string;
  /** School that a cell names, by the plain form of the cell. */
  readonly schools: ReadonlyMap<string, string>;
  /** For rows that do not say; null while a person was not asked. */
  readonly usual: Readonly<Record<'scissorsAllowed' | 'mouthsThings', boolean | null>>;
}

const YES = ['yes', 'y', 'true', '1', 'x', 'allowed', 'si'];
const NO = ['no', 'n', 'false', '0', '', 'not allowed', 'none', '-'];
const HANDS: Readonly<Record<string, ChildRecord['hand'] | 'leansLeft' | 'leansRight'>> = {
  'probably left': 'leansLeft',
  'probably right': 'leansRight',
  'mostly left': 'leansLeft',
  'mostly right': 'leansRight',
  left: 'left',
  l: 'left',
  right: 'right',
  r: 'right',
  unsettled: 'unsettled',
  'not settled': 'unsettled',
  'not established': 'unsettled',
  mixed: 'unsettled',
  both: 'unsettled',
  unknown: 'unsettled',
  '?': 'unsettled',
  '': 'unsettled',
};
const WAYS = { text: 'text', sms: 'text', link: 'link', web: 'link', paper: 'paper', bag: 'paper', call: 'call', phone: 'call' } as const;

/** Each row of a list as a child, or what stands in its way. A cell that is not understood is a finding, never a guess. */
export function readRoster({ headings, rows }: PastedTable, matching: RosterMatching): RosterRow[] {
  const seen = new Set<string>();
  return rows.map((cells, index) => {
    const number = index + 1;
    if (cells.length < headings.length) {
      const cell = `${cells.length} of ${headings.length}`;
      return { number, record: null, school: '', findings: [{ fact: 'name', code: 'shortRow', cell }] };
    }
    const row = readRow(number, (fact) => cellOf(cells, matching.columns, fact), matching);
    if (!row.record) return row;
    const who = `${plain(row.record.calledName)} ${plain(row.record.initial)} ${row.record.bornOn}`;
    if (seen.has(who))
      return { ...row, record: null, findings: [{ fact: 'calledName', code: 'twiceInList', cell: row.record.calledName }] };
    seen.add(who);
    return row;
  });
}

function readRow(number: number, cell: (fact: RosterFact) => string | null, matching: RosterMatching): RosterRow {
  const findings: RosterFinding[] = [];
  const miss = (fact: RosterFact, code: RosterFinding['code']) => void findings.push({ fact, code, cell: (cell(fact) ?? '').slice(0, 60) });
  const take = <Value>(fact: RosterFact, code: RosterFinding['code'], usual: Value, read: (text: string) => Value | undefined): Value => {
    const text = cell(fact);
    if (text === null) return usual;
    const value = read(text);
    if (value === undefined) miss(fact, code);
    return value ?? usual;
  };
  const yesOrNo = (fact: RosterFact, usual: boolean) =>
    take(fact, 'notYesOrNo', usual, (text) =>
      plain(text) === '' ? usual : YES.includes(plain(text)) ? true : NO.includes(plain(text)) ? false : undefined,
    );
  const mustSay = (fact: 'scissorsAllowed' | 'mouthsThings') => {
    const usual = matching.usual[fact];
    if (plain(cell(fact) ?? '') === '' && usual === null) miss(fact, 'mustSay');
    return yesOrNo(fact, usual ?? false);
  };
  const who = nameIn(cell);
  if (who.calledName === '') miss(cell('calledName') === null ? 'name' : 'calledName', 'missing');
  else if (who.initial === '') miss(cell('initial') === null ? 'name' : 'initial', 'notAnInitial');
  else if (/\uFFFD/.test(`${cell('name')}${cell('calledName')}${cell('initial')}`))
    miss(cell('calledName') === null ? 'name' : 'calledName', 'unreadable');
  else if (!NAME.test(who.calledName)) miss(cell('calledName') === null ? 'name' : 'calledName', 'notAName');
  const named = cell('school') || matching.school;
  const school = matching.schools.get(plain(named)) ?? named;
  if (named === '') miss('school', 'missing');
  else if (!matching.schools.has(plain(named))) miss('school', 'unknownSchool');
  const bornOn = readDate(cell('bornOn') ?? '', matching.dateOrder);
  if (!bornOn) miss('bornOn', cell('bornOn') ? 'notADate' : 'missing');
  const language = take('familyLanguage', 'notALanguage', 'en', (text) => (text === '' ? 'en' : (languageCode(text) ?? undefined)));
  const hand = take('hand', 'notAHand', 'unsettled' as const, (text) => HANDS[plain(text).replace(/[ -]hand(ed)?$/, '')]);
  const told = {
    ...EMPTY_RECORD,
    ...who,
    bornOn: bornOn ?? '',
    hand: hand === 'leansLeft' || hand === 'leansRight' ? ('unsettled' as const) : hand,
    leaningHand: hand === 'leansLeft' ? ('left' as const) : hand === 'leansRight' ? ('right' as const) : null,
    minutesPerDay: take('minutesPerDay', 'notMinutes', EMPTY_RECORD.minutesPerDay as number, (text) => minutesIn(text)),
    familyLanguage: language,
    homeLanguages: [language],
    allergies: listIn(cell('allergies') ?? ''),
    mouthsThings: mustSay('mouthsThings'),
    scissorsAllowed: mustSay('scissorsAllowed'),
    hasPrinter: yesOrNo('hasPrinter', false),
    reportWay: take('reportWay', 'notAWay', 'link' as const, (text) =>
      text === '' ? 'link' : FAMILY_WAYS.find((way) => way === WAYS[plain(text) as 'sms']),
    ),
    helpers: cell('helpers') ?? '',
    teacher: cell('teacher') ?? '',
    likes: cell('likes') ?? '',
  };
  if (findings.length > 0) return { number, record: null, school, findings };
  const read = childRecordSchema.safeParse(told);
  if (read.success) return { number, record: read.data, school, findings };
  const facts = read.error.issues.map(({ path }) => String(path[0]) as RosterFact);
  return {
    number,
    record: null,
    school,
    findings: facts.map((fact) => ({ fact, code: 'tooMuch', cell: (cell(fact) ?? '').slice(0, 60) })),
  };
}

/**
 * Reads a name. Only the initial of a surname is stored: the least that tells students apart. "Vance, Odalys" and "Odalys V." are
 * the same.
 */
function nameIn(cell: (fact: RosterFact) => string | null): { calledName: string; initial: string } {
  const whole = cell('name');
  const given = cell('calledName');
  if (given !== null || whole === null) return { calledName: given ?? '', initial: initialOf(cell('initial') ?? '') };
  const [last, first] = whole.split(',').map((part) => part.trim());
  if (first) return { calledName: first.split(/\s+/)[0]!, initial: initialOf(last!) };
  const parts = whole.split(/\s+/).filter(Boolean);
  return { calledName: parts.slice(0, -1).join(' ') || (parts[0] ?? ''), initial: parts.length > 1 ? initialOf(parts.at(-1)!) : '' };
}

/** Letters, with the marks that names have between them; what a formula or a test file begins with is none. */
const NAME = /^[\p{L}\p{M}ʻ‘’'][\p{L}\p{M}ʻ‘’'. -]*$/u;
const initialOf = (name: string) => (/\p{L}/u.exec(name.normalize('NFC'))?.[0] ?? '').toUpperCase();
const listIn = (cell: string) => [
  ...new Set(
    cell
      .split(/[;,/]/)
      .map((part) => part.trim())
      .filter((part) => part !== '' && !NO.includes(plain(part))),
  ),
];

function minutesIn(text: string): number | undefined {
  if (text === '') return EMPTY_RECORD.minutesPerDay;
  const minutes = Number(/^(\d{1,3})(\s*min(utes)?)?$/i.exec(text.trim())?.[1] ?? NaN);
  return minutes >= 1 && minutes <= 120 ? minutes : undefined;
}
