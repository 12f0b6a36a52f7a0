'use client';

import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { weekdayOf, type CalendarDay } from '@/core/calendar';
import { codeLettersOf, readCell } from '@/core/replies';
import { dangerIn } from '@/core/safety';
import { BASE_LANGUAGE } from '@/core/text';
import type { EntryRow, EntrySheet } from '@/server/reports/viewEntry';
import { dayAndMonth } from '../../shared/days';
import { words } from '../../shared/deskWords';
import type { EntryWay } from '@/core/reports';
import type { EnterPaperLog } from './entry';
import { cellWords } from './cellWords';

interface Props {
  readonly sheet: EntrySheet;
  readonly way: EntryWay;
  readonly monday: CalendarDay;
  readonly enterPaperLog: EnterPaperLog;
}

const placeOf = (taskId: number, day: string) => `${taskId}:${day}`;

/** A box a task and day, read as it is typed by what the letters of the slip mean. Nothing goes out before Ctrl+Enter. */
export function EntryGrid({ sheet, way, monday, enterPaperLog }: Props) {
  const [boxes, setBoxes] = useState<Readonly<Record<string, string>>>({});
  const [faults, setFaults] = useState<Readonly<Record<string, string>>>({});
  const [told, setTold] = useState('');
  const [slipWords, setSlipWords] = useState('');
  const [sending, setSending] = useState(false);
  // Key of a sheet, made when it is first sent: however often it is sent, it is stored once.
  const entryId = useRef<string | null>(null);
  const grid = useRef<HTMLTableElement>(null);
  const router = useRouter();
  const known = new Map(sheet.known.map((report) => [placeOf(report.taskId, report.doneOn), report]));
  const change = (place: string, text: string) => {
    setBoxes((before) => ({ ...before, [place]: text }));
    setFaults(({ [place]: _gone, ...rest }) => rest);
  };
  const letters = codeLettersOf(way === 'paper' ? sheet.language : BASE_LANGUAGE);
  const readingOf = (row: EntryRow, day: CalendarDay) =>
    readCell(boxes[placeOf(row.taskId, day)] ?? '', row, day, way === 'paper' ? sheet.language : BASE_LANGUAGE);
  const filled = sheet.rows
    .flatMap((row) => row.days.map((day) => ({ row, day, reading: readingOf(row, day) })))
    .filter(({ reading }) => reading.kind !== 'empty');
  const firstFree = sheet.rows.flatMap((row) => row.days.map((day) => placeOf(row.taskId, day))).find((place) => !known.has(place));
  const wrong = filled.filter(({ reading }) => reading.kind === 'issue').length;

  const save = async (form: HTMLFormElement) => {
    const place = filled.find(({ reading }) => reading.kind === 'issue');
    if (place) return focusOn(placeOf(place.row.taskId, place.day));
    setSending(true);
    entryId.current ??= crypto.randomUUID();
    try {
      const fields = new FormData(form);
      const taken = await enterPaperLog({
        childId: sheet.childId,
        entryId: entryId.current,
        way,
        saidBy: String(fields.get('saidBy') ?? ''),
        words: slipWords,
        isQuestion: fields.get('isQuestion') === 'on',
        boxes: filled.map(({ row, day }) => ({ taskId: row.taskId, doneOn: day, text: boxes[placeOf(row.taskId, day)]! })),
        log: sheet.log,
        textId: fields.get('settles') === 'on' ? (sheet.texts.at(-1)?.id ?? null) : null,
      });
      if (!taken.ok) {
        setFaults(taken.boxes);
        setTold(taken.words);
        const first = Object.keys(taken.boxes)[0];
        return first ? focusOn(first) : undefined;
      }
      router.push(
        `/reports/enter?${new URLSearchParams({ week: monday, way, stored: String(taken.stored), of: String(sheet.childId), ...(taken.closed && { closed: '1' }) })}`,
      );
    } catch {
      setTold('No answer came. Nothing is lost. Press Save again. It is stored only once.');
    } finally {
      setSending(false);
    }
  };
  const focusOn = (place: string) => grid.current?.querySelector<HTMLInputElement>(`[data-place="${place}"]`)?.focus();
  const move = (event: React.KeyboardEvent<HTMLInputElement>) => {
    const by = MOVES[event.key];
    if (!by || (event.key.startsWith('Arrow') && by[0] !== 0 && event.currentTarget.value !== '')) return;
    const all = [...grid.current!.querySelectorAll<HTMLInputElement>('[data-place]')];
    const [row, column] = (event.currentTarget.dataset.at ?? '').split(',').map(Number);
    const next =
      event.key === 'Enter'
        ? all[all.indexOf(event.currentTarget) + 1]
        : all.find((box) => box.dataset.at === `${row! + by[1]},${column! + by[0]}`);
    if (event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    next?.focus();
  };
  if (sheet.rows.length === 0) return <p className="text-soft">No program of {sheet.name} held in this week.</p>;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void save(event.currentTarget);
      }}
    >
      <div className="overflow-x-auto">
        <table ref={grid} className="border-collapse">
          <thead>
            <tr>
              <th className="cell text-left text-[13px] font-normal text-soft">Task</th>
              {sheet.days.map((day) => (
                <th key={day} className="cell text-left text-[13px] font-normal whitespace-nowrap text-soft">
                  {dayAndMonth(day)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {sheet.rows.map((row, rowAt) => (
              <tr key={row.taskId}>
                <th className="cell min-w-[130px] text-left align-top">
                  <strong>{row.letter ?? ''}</strong> {row.titles[0]}
                  <span className="block text-[13px] font-normal text-soft">
                    {row.perDay > 0
                      ? `${row.perSide ? `${row.perHand} each side` : row.perDay}${row.unit === 'minutes' ? ' min' : ''}`
                      : 'watched'}
                  </span>
                </th>
                {sheet.days.map((day, dayAt) => {
                  const place = placeOf(row.taskId, day);
                  const report = known.get(place);
                  if (!row.days.includes(day)) return <td key={day} className="cell bg-line/40" aria-label="Not in the program" />;
                  if (report)
                    return (
                      <td key={day} className="cell align-top text-[13px] text-soft">
                        {report.done ? (report.amount ?? 'done') : 'not done'}
                        <span className="block">By {words(`ways.${report.way}`)}</span>
                      </td>
                    );
                  return (
                    <EntryCell
                      key={day}
                      {...{ row, day, place, reading: readingOf(row, day), letters, change, move }}
                      at={`${rowAt},${dayAt}`}
                      text={boxes[place] ?? ''}
                      given={faults[place]}
                      isFirst={place === firstFree}
                    />
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <SlipFields sheet={sheet} way={way} slipWords={slipWords} setSlipWords={setSlipWords} />
      {told && (
        <p role="alert" className="mt-2 border-l-4 border-brick bg-brick-tint px-3 py-1.5">
          {told}
        </p>
      )}
      <p className="mt-3 flex items-center gap-4">
        <button className="act act-main" disabled={sending || filled.length === 0}>
          {filled.length === 0 ? 'Save' : `Save ${filled.length === 1 ? '1 box' : `${filled.length} boxes`}`}
        </button>
        <span className="text-soft">
          {wrong > 0 ? `${wrong} to fix first` : 'Ctrl+Enter saves. Enter and the arrow keys move between boxes.'}
        </span>
      </p>
    </form>
  );
}

/** A box: the text typed, and how it is read. */
function EntryCell({
  row,
  day,
  place,
  at,
  text,
  reading,
  given,
  letters,
  isFirst,
  change,
  move,
}: {
  row: EntryRow;
  day: CalendarDay;
  place: string;
  at: string;
  text: string;
  reading: ReturnType<typeof readCell>;
  /** Fault that the server found in it. */
  given: string | undefined;
  letters: ReturnType<typeof codeLettersOf>;
  isFirst: boolean;
  change: (place: string, text: string) => void;
  move: (event: React.KeyboardEvent<HTMLInputElement>) => void;
}) {
  const fault = given ?? (reading.kind === 'issue' ? cellWords(reading, letters) : '');
  return (
    <td className="cell align-top">
      <input
        data-place={place}
        data-at={at}
        value={text}
        aria-label={`${row.titles[0]}, ${dayAndMonth(day)}`}
        aria-invalid={fault ? true : undefined}
        aria-describedby={`read-${place}`}
        maxLength={40}
        autoFocus={isFirst}
        autoComplete="off"
        className={`field w-[86px] ${row.weekdays.includes(weekdayOf(day)) ? '' : 'border-dashed'}`}
        onChange={(event) => change(place, event.target.value)}
        onKeyDown={move}
      />
      <span id={`read-${place}`} className={`block max-w-[110px] text-[12px] leading-tight ${fault ? 'text-brick' : 'text-soft'}`}>
        {fault || cellWords(reading, letters)}
      </span>
    </td>
  );
}

/** Asks who reported, shows the comment on the slip with its warning, and offers the text to file with it. */
function SlipFields({
  sheet,
  way,
  slipWords,
  setSlipWords,
}: Pick<Props, 'sheet' | 'way'> & { slipWords: string; setSlipWords: (words: string) => void }) {
  return (
    <>
      <div className="mt-3 flex flex-wrap items-end gap-4">
        <label className="block">
          <span className="block text-[13px] font-semibold text-soft">{way === 'paper' ? 'Filled in by' : 'Reported by'}</span>
          <input name="saidBy" maxLength={40} autoComplete="off" className="field w-[150px]" />
        </label>
        <label className="block min-w-0 flex-1">
          <span className="block text-[13px] font-semibold text-soft">Comment on the practice log</span>
          <input
            value={slipWords}
            maxLength={2000}
            autoComplete="off"
            dir="auto"
            className="field w-full"
            onChange={(event) => setSlipWords(event.target.value)}
          />
        </label>
        <label className="flex items-center gap-1.5">
          <input type="checkbox" name="isQuestion" className="size-5 accent-green" /> This is a question
        </label>
      </div>
      {dangerIn(slipWords).length > 0 && (
        <p role="alert" className="mt-2 border-l-4 border-brick bg-brick-tint px-3 py-1.5">
          This comment may describe pain or an injury. Saving puts every activity that you filled in on hold at home, unless the comment
          names just one, and adds an urgent card to the review list. If anyone is hurt now, call {sheet.emergencyNumber} first.
        </p>
      )}
      {sheet.texts.length > 0 && (
        <label className="mt-2 flex items-center gap-1.5">
          <input type="checkbox" name="settles" className="size-5 accent-green" /> with this the{' '}
          {sheet.texts.length === 1 ? 'text' : 'texts'} beside it {sheet.texts.length === 1 ? 'is' : 'are'} filed
        </label>
      )}
    </>
  );
}

const MOVES: Readonly<Record<string, readonly [number, number]>> = {
  Enter: [1, 0],
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowDown: [0, 1],
  ArrowUp: [0, -1],
};
