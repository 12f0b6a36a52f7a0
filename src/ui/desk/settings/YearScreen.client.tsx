'use client';

import { useState } from 'react';
import { useFieldArray, useForm, useWatch } from 'react-hook-form';
import { schoolYearSchema } from '@/core/calendar';
import type { CalendarPreview, YearView } from '@/server/settings/schoolYear';
import { words } from '../../shared/deskWords';
import { issueWords } from '../frame/Trouble';
import { FormField } from '../parts/FormField';
import { YearAtAGlance } from './YearAtAGlance';
import { FaultNote } from '../parts/FaultNote';

interface Span {
  readonly name: string;
  readonly from: string;
  readonly to: string;
}
export interface YearInput {
  readonly before: string | null;
  readonly year: {
    readonly firstDay: string;
    readonly lastDay: string;
    readonly breaks: readonly Span[];
    readonly periods: readonly Span[];
  };
  readonly schools: readonly { readonly name: string; readonly visitDays: readonly string[] }[];
}
interface Props {
  readonly view: YearView;
  readonly keep: (input: YearInput) => Promise<string | null>;
  readonly preview: (text: string) => Promise<CalendarPreview | null>;
}
interface Values {
  firstDay: string;
  lastDay: string;
  breaks: Span[];
  periods: Span[];
  schools: { name: string; visitDays: string[] }[];
}

const NO_SPAN: Span = { name: '', from: '', to: '' };
const VISIT_DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri'] as const;

/** The school year: its days, what is free, when reports are due, and which school is visited when. */
export function YearScreen({ view: { year, schools, mayChange }, keep, preview }: Props) {
  const { register, control, handleSubmit, setValue, formState } = useForm<Values>({
    defaultValues: {
      firstDay: year?.firstDay ?? '',
      lastDay: year?.lastDay ?? '',
      breaks: [...(year?.breaks ?? [])],
      periods: [...(year?.periods ?? [])],
      schools: schools.map(({ name, visitDays }) => ({ name, visitDays: visitDays.split(', ').filter(Boolean) })),
    },
  });
  const breaks = useFieldArray({ control, name: 'breaks' });
  const periods = useFieldArray({ control, name: 'periods' });
  const places = useFieldArray({ control, name: 'schools' });
  const [fault, setFault] = useState<string | null>(null);
  const [found, setFound] = useState<CalendarPreview | null>(null);
  const [firstDay, lastDay, freeSpans, reportSpans] = useWatch({ control, name: ['firstDay', 'lastDay', 'breaks', 'periods'] });
  const drawn = schoolYearSchema.safeParse({ firstDay, lastDay, breaks: freeSpans, periods: reportSpans });
  const send = handleSubmit(async ({ schools: visited, ...told }) => {
    const read = schoolYearSchema.safeParse(told);
    if (!read.success) {
      const said = read.error.issues.map(({ path, message }) => `${placeWords(path, told)}: ${issueWords(message) ?? message}`);
      return setFault([...new Set(said)].join(' '));
    }
    setFault(await keep({ before: year?.firstDay ?? null, year: told, schools: visited.filter(({ name }) => name.trim() !== '') }));
  });
  const read = async (file: File | undefined) => setFound(file ? await preview(await file.text()) : null);
  return (
    <form onSubmit={(event) => void send(event)} noValidate className="max-w-[1100px]">
      <h1 className="text-[24px]">The school year</h1>
      <fieldset disabled={!mayChange} className="contents">
        <div className="mt-3 flex flex-wrap gap-4">
          <FormField label="First day of school">
            <input type="date" autoFocus={!year} {...register('firstDay')} className="field" />
          </FormField>
          <FormField label="Last day of school">
            <input type="date" {...register('lastDay')} className="field" />
          </FormField>
          {mayChange && (
            <FormField label="Read it from a calendar file (.ics)">
              <input type="file" accept=".ics,text/calendar" onChange={(event) => void read(event.target.files?.[0])} />
            </FormField>
          )}
        </div>
        {found && (
          <Found
            found={found}
            take={(span) => {
              if (span.guess === 'firstDay') setValue('firstDay', span.from);
              else if (span.guess === 'lastDay') setValue('lastDay', span.to);
              else breaks.append({ name: span.name, from: span.from, to: span.to });
            }}
            close={() => setFound(null)}
          />
        )}
        {drawn.success && <YearAtAGlance year={drawn.data} />}
        <Spans
          title="Breaks and free days"
          list="breaks"
          fields={breaks.fields}
          register={register}
          add={() => breaks.append(NO_SPAN)}
          remove={breaks.remove}
        />
        <Spans
          title="Reporting periods"
          list="periods"
          fields={periods.fields}
          register={register}
          add={() => periods.append(NO_SPAN)}
          remove={periods.remove}
        />
        <h2 className="mt-6 text-[18px]">Schools, and the days on which you visit</h2>
        {places.fields.map((field, index) => (
          <div key={field.id} className="mt-1 flex flex-wrap items-center gap-4">
            <input
              {...register(`schools.${index}.name`)}
              aria-label={`School ${index + 1}`}
              readOnly={index < schools.length}
              maxLength={80}
              className="field w-[260px]"
            />
            {VISIT_DAYS.map((day) => (
              <label key={day} className="flex items-center gap-1">
                <input type="checkbox" value={day} {...register(`schools.${index}.visitDays`)} className="size-4 accent-green" /> {day}
              </label>
            ))}
          </div>
        ))}
        {mayChange && (
          <button type="button" className="link mt-1" onClick={() => places.append({ name: '', visitDays: [] })}>
            Add a school
          </button>
        )}
        {fault && <FaultNote className="mt-4">{fault}</FaultNote>}
        {mayChange && (
          <button className="act act-main mt-6" disabled={formState.isSubmitting}>
            Keep the year
          </button>
        )}
      </fieldset>
    </form>
  );
}

/** Names the place of a fault in the year, as a person finds it. */
function placeWords(path: readonly PropertyKey[], told: Omit<Values, 'schools'>): string {
  const [list, index] = path;
  if (list === 'firstDay') return 'First day';
  if (list === 'lastDay') return 'Last day';
  const span = (list === 'breaks' ? told.breaks : told.periods)[Number(index)];
  return span?.name || `${list === 'breaks' ? 'Break' : 'Period'} ${Number(index) + 1}`;
}

interface SpansProps {
  readonly title: string;
  readonly list: 'breaks' | 'periods';
  readonly fields: readonly { readonly id: string }[];
  readonly register: ReturnType<typeof useForm<Values>>['register'];
  readonly add: () => void;
  readonly remove: (index: number) => void;
}

function Spans({ title, list, fields, register, add, remove }: SpansProps) {
  const what = list === 'breaks' ? 'Break' : 'Period';
  return (
    <>
      <h2 className="mt-6 text-[18px]">{title}</h2>
      {fields.map((field, index) => (
        <div key={field.id} className="mt-1 flex flex-wrap items-center gap-3">
          <input {...register(`${list}.${index}.name`)} aria-label={`${what} ${index + 1}`} maxLength={60} className="field w-[220px]" />
          <input type="date" {...register(`${list}.${index}.from`)} aria-label={`${what} ${index + 1}, first day`} className="field" />
          <span aria-hidden="true">–</span>
          <input type="date" {...register(`${list}.${index}.to`)} aria-label={`${what} ${index + 1}, last day`} className="field" />
          <button type="button" className="link" onClick={() => remove(index)}>
            Remove
          </button>
        </div>
      ))}
      <button type="button" className="link mt-1" onClick={add}>
        {list === 'breaks' ? 'add a break' : 'add a period'}
      </button>
    </>
  );
}

type CalendarSpan = Extract<CalendarPreview, { ok: true }>['spans'][number];
const GUESSES = { break: 'free', firstDay: 'first day of school', lastDay: 'last day of school', other: 'something else' } as const;

/** Lists the events of a calendar file: each is imported by a press, or left. */
function Found({ found, take, close }: { found: CalendarPreview; take: (span: CalendarSpan) => void; close: () => void }) {
  const [taken, setTaken] = useState<ReadonlySet<number>>(new Set());
  if (!found.ok) {
    return <FaultNote className="mt-3">{words(`calendarFaults.${found.fault.code}`)}</FaultNote>;
  }
  const takeAt = (index: number) => {
    take(found.spans[index]!);
    setTaken((before) => new Set([...before, index]));
  };
  const guessed = found.spans.flatMap(({ guess }, index) => (guess !== 'other' && !taken.has(index) ? [index] : []));
  return (
    <section className="mt-3 border-l-4 border-straw bg-straw-tint px-4 py-3" aria-label="Dates in the calendar file">
      <p>
        The file has {found.spans.length} whole days or date ranges. Choose those that belong to the school year. Nothing is saved until you
        press “Keep the year”.
      </p>
      <p className="mt-2 flex gap-3">
        <button type="button" className="act act-main" disabled={guessed.length === 0} onClick={() => guessed.forEach(takeAt)}>
          Take the {guessed.length} that sound like it
        </button>
        <button type="button" className="act" onClick={close}>
          Done
        </button>
      </p>
      <ul className="mt-2 max-h-[240px] overflow-auto" tabIndex={0} aria-label="Lines of the calendar file">
        {found.spans.map((span, index) => (
          <li key={index} className="flex items-baseline gap-4 border-t border-line py-0.5">
            <span className="w-[190px] shrink-0">
              {span.from}
              {span.to !== span.from && ` – ${span.to}`}
            </span>
            <span className="flex-1">{span.name}</span>
            <span className="text-soft">{GUESSES[span.guess]}</span>
            {taken.has(index) ? (
              <span className="text-green">taken</span>
            ) : (
              <button type="button" className="link" onClick={() => takeAt(index)}>
                Take it
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
