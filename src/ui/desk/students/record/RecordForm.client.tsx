'use client';

import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { childRecordSchema, CONTACT_MAY_BE_SENT, CONTACT_WAYS, type Child } from '@/core/students';
import { allergensIn, PRECAUTION_ASKS } from '@/core/safety';
import type { HomeMaterial } from '@/core/tasks';
import { SKINS, TEXTURES } from '@/core/vocabulary';
import { WEEKDAYS } from '../../../shared/days';
import { words } from '../../../shared/deskWords';
import { languageName } from '../../../shared/languageName';
import { issueWords } from '../../frame/Trouble';
import { FormField, TickList } from '../../parts/FormField';
import { NEW_CONTACT, recordFrom, valuesFrom, type RecordValues } from './recordValues';
import { FaultNote } from '../../parts/FaultNote';

/** Keeps the record and goes on, or says what is wrong. */
export type KeepRecord = (input: { record: Record<string, unknown>; school: string }) => Promise<string | null>;

interface Props {
  /** Null for a new child. */
  readonly child: Child | null;
  readonly schools: readonly string[];
  readonly languages: readonly string[];
  readonly things: readonly HomeMaterial[];
  readonly keep: KeepRecord;
}

/** All facts of a child that decide. A new child needs the first row; the rest can be left and taken up again. */
export function RecordForm({ child, schools, languages, things, keep }: Props) {
  const form = useForm<RecordValues>({ defaultValues: valuesFrom(child) });
  const { register, control, setValue, formState, setError, clearErrors } = form;
  const [told, setTold] = useState<string | null>(null);
  const send = form.handleSubmit(async (values) => {
    setTold(null);
    clearErrors();
    const read = childRecordSchema.safeParse(recordFrom(values));
    const issues = read.success
      ? []
      : read.error.issues.map(({ path, message }) => [path.join('.'), issueWords(message) ?? message] as const);
    if (values.school.trim() === '') issues.push(['school', words('issues.noSchool')]);
    for (const [place, message] of issues.toReversed()) setError(fieldOf(place), { message }, { shouldFocus: true });
    if (!read.success || issues.length > 0) return setTold([...new Set(issues.map(([, message]) => message))].join(' '));
    setTold(await keep({ record: recordFrom(values), school: values.school }));
  });
  const fault = (name: keyof RecordValues) => formState.errors[name]?.message;
  const field = (name: keyof RecordValues) => ({ ...register(name), 'aria-invalid': fault(name) ? true : undefined });
  const [allergyLines, precautions, contacts, hand, atHome] = useWatch({
    control,
    name: ['allergies', 'precautions', 'contacts', 'hand', 'materialsAtHome'],
  });
  const allergies = allergyLines
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);
  const unknown = allergies.filter((line) => allergensIn(line).length === 0);
  const options = (codes: readonly string[], say: (code: string) => string) =>
    codes.map((code) => (
      <option key={code} value={code}>
        {say(code)}
      </option>
    ));
  const tick = (name: keyof RecordValues, value: string, says: string) => (
    <label key={value} className="flex items-center gap-1.5">
      <input type="checkbox" value={value} {...register(name)} className="size-4 accent-green" /> {says}
    </label>
  );
  return (
    <form onSubmit={(event) => void send(event)} noValidate className="mt-4 max-w-[1120px] space-y-6">
      <div className="flex flex-wrap items-start gap-3">
        <FormField label="Called name" fault={fault('calledName')}>
          <input {...field('calledName')} autoFocus={!child} autoComplete="off" maxLength={40} className="field w-[150px]" />
        </FormField>
        <FormField label="Initial" fault={fault('initial')}>
          <input {...field('initial')} autoComplete="off" maxLength={2} className="field w-[56px]" />
        </FormField>
        <FormField label="Born on" fault={fault('bornOn')}>
          <input type="date" {...field('bornOn')} className="field" />
        </FormField>
        <FormField label="School" fault={fault('school')}>
          <input {...field('school')} list="schools" autoComplete="off" maxLength={80} className="field w-[200px]" />
          <datalist id="schools">{options(schools, String)}</datalist>
        </FormField>
        <FormField label="Hand" fault={fault('hand')}>
          <select {...field('hand')} className="field">
            <option value="unsettled">not settled</option>
            <option value="right">right</option>
            <option value="left">left</option>
          </select>
        </FormField>
        {hand === 'unsettled' && (
          <FormField label="Probably">
            <select {...field('leaningHand')} className="field">
              <option value="">not clear yet</option>
              <option value="right">right</option>
              <option value="left">left</option>
            </select>
          </FormField>
        )}
        <FormField label="Minutes a day" fault={fault('minutesPerDay')}>
          <input {...field('minutesPerDay')} inputMode="numeric" className="field w-[72px]" />
        </FormField>
        <FormField label="Family reads">
          <select {...field('familyLanguage')} className="field">
            {options([...new Set([...languages, ...(child ? [child.familyLanguage] : [])])], languageName)}
          </select>
        </FormField>
        <FormField label="Word comes by">
          <select {...field('reportWay')} className="field">
            {options(['link', 'text', 'paper', 'call'], (way) => words(`ways.${way as 'link'}`))}
          </select>
        </FormField>
      </div>
      <section>
        <h2 className="text-[16px]">Safety</h2>
        <div className="mt-1 flex flex-wrap gap-x-6 gap-y-3">
          <div className="space-y-1">
            <label className="flex items-center gap-1.5">
              <input type="checkbox" {...register('mouthsThings')} className="size-4 accent-green" /> things still go in the mouth
            </label>
            <label className="flex items-center gap-1.5">
              <input type="checkbox" {...register('scissorsAllowed')} className="size-4 accent-green" /> the family allows scissors
            </label>
          </div>
          <FormField label="Allergies, one a line" hint="with what happens: wheat: rash" fault={fault('allergies')}>
            <textarea {...field('allergies')} rows={2} className="field w-[240px]" />
            {unknown.length > 0 && (
              <span role="status" className="block max-w-[240px] text-[13px] text-brick">
                No check knows {unknown.map((line) => `“${line}”`).join(', ')}: look through the materials yourself.
              </span>
            )}
          </FormField>
          <TickList label="Textures avoided">
            {TEXTURES.map((texture) => tick('texturesAvoided', texture, words(`textures.${texture}`)))}
          </TickList>
        </div>
        <fieldset className="mt-3">
          <legend className="text-[13px] font-semibold text-soft">
            Precautions, in your own short words, and what each asks you to think of
          </legend>
          {precautions.map((_, index) => (
            <div key={index} className="mt-1 flex flex-wrap items-center gap-3">
              <input
                {...register(`precautions.${index}.words`)}
                aria-label={`Precaution ${index + 1}`}
                placeholder="loose joints"
                maxLength={80}
                className="field w-[200px]"
              />
              {PRECAUTION_ASKS.map((ask) => (
                <label key={ask} className="flex items-center gap-1 text-[14px]">
                  <input type="checkbox" value={ask} {...register(`precautions.${index}.asks`)} className="size-4 accent-green" />{' '}
                  {words(`precautionAsks.${ask}`)}
                </label>
              ))}
              <button
                type="button"
                className="link"
                onClick={() =>
                  setValue(
                    'precautions',
                    precautions.filter((_each, place) => place !== index),
                  )
                }
              >
                take it away
              </button>
            </div>
          ))}
          <button type="button" className="link mt-1" onClick={() => setValue('precautions', [...precautions, { words: '', asks: [] }])}>
            add a precaution
          </button>
          {fault('precautions') && <p className="text-[13px] font-semibold text-brick">{fault('precautions')}</p>}
        </fieldset>
      </section>
      <details open={child !== null}>
        <summary className="font-title text-[16px] font-bold">Home, helpers, what the child likes</summary>
        <div className="mt-2 flex flex-wrap gap-x-4 gap-y-3">
          <FormField label="Who helps" fault={fault('helpers')}>
            <input {...field('helpers')} maxLength={120} className="field w-[240px]" />
          </FormField>
          <FormField label="Languages at home" hint="two letters each: es, en" fault={fault('homeLanguages')}>
            <input {...field('homeLanguages')} className="field w-[130px]" />
          </FormField>
          <FormField label="Teacher, and how things are passed on" fault={fault('teacher')}>
            <input {...field('teacher')} maxLength={120} className="field w-[260px]" />
          </FormField>
          <FormField label="Likes" fault={fault('likes')}>
            <input {...field('likes')} maxLength={200} className="field w-[240px]" />
          </FormField>
          <FormField label="Dislikes" fault={fault('dislikes')}>
            <input {...field('dislikes')} maxLength={200} className="field w-[240px]" />
          </FormField>
          <FormField label="What ends it well" fault={fault('endsWell')}>
            <input {...field('endsWell')} maxLength={200} className="field w-[240px]" />
          </FormField>
          <TickList label="Days of practice">
            {WEEKDAYS.map((day, index) => tick('practiceWeekdays', String(index + 1), day.slice(0, 3)))}
          </TickList>
          <TickList label="Themes not wanted">{SKINS.map((skin) => tick('themesNotWanted', skin, words(`skins.${skin}`)))}</TickList>
          <label className="flex items-center gap-1.5">
            <input type="checkbox" {...register('hasPrinter')} className="size-4 accent-green" /> a printer at home
          </label>
        </div>
        {fault('practiceWeekdays') && <p className="text-[13px] font-semibold text-brick">{fault('practiceWeekdays')}</p>}
      </details>
      <details open={contacts.length > 0}>
        <summary className="font-title text-[16px] font-bold">Contacts</summary>
        {contacts.map((_, index) => (
          <div key={index} className="mt-2 flex flex-wrap items-end gap-3 border-t border-line pt-2">
            <FormField label="Name">
              <input {...register(`contacts.${index}.name`)} maxLength={60} className="field w-[150px]" />
            </FormField>
            <FormField label="Who this is">
              <input {...register(`contacts.${index}.relation`)} maxLength={40} className="field w-[120px]" />
            </FormField>
            <FormField label="Reads">
              <select {...register(`contacts.${index}.language`)} className="field">
                {options(languages, languageName)}
              </select>
            </FormField>
            <FormField label="By">
              <select {...register(`contacts.${index}.way`)} className="field">
                {options(CONTACT_WAYS, (way) => words(`contactWays.${way as 'text'}`))}
              </select>
            </FormField>
            <FormField label="Number or address">
              <input {...register(`contacts.${index}.reach`)} maxLength={120} className="field w-[160px]" />
            </FormField>
            <FormField label="Quiet from">
              <input type="time" {...register(`contacts.${index}.quietFrom`)} className="field" />
            </FormField>
            <FormField label="to">
              <input type="time" {...register(`contacts.${index}.quietTo`)} className="field" />
            </FormField>
            <FormField label="May be sent">
              <select {...register(`contacts.${index}.mayBeSent`)} className="field">
                {options(CONTACT_MAY_BE_SENT, (code) => words(`mayBeSent.${code as 'practice'}`))}
              </select>
            </FormField>
            <button
              type="button"
              className="link"
              onClick={() =>
                setValue(
                  'contacts',
                  contacts.filter((_each, place) => place !== index),
                )
              }
            >
              take it away
            </button>
          </div>
        ))}
        <button type="button" className="link mt-2" onClick={() => setValue('contacts', [...contacts, NEW_CONTACT])}>
          add a contact
        </button>
        {fault('contacts') && <p className="text-[13px] font-semibold text-brick">{fault('contacts')}</p>}
      </details>
      <details>
        <summary className="font-title text-[16px] font-bold">Things at home ({atHome.length})</summary>
        <div className="mt-2 columns-4 gap-4 text-[14px]">{things.map((thing) => tick('materialsAtHome', thing.id, thing.name.en))}</div>
      </details>
      {told && <FaultNote>{told}</FaultNote>}
      <button className="act act-main" disabled={formState.isSubmitting}>
        {child ? 'Save' : 'Write the child down'}
      </button>
    </form>
  );
}

/** The field of a form that an issue's place belongs to: the row as a whole for what lies deeper. */
function fieldOf(place: string): keyof RecordValues {
  return place.split('.')[0] as keyof RecordValues;
}
