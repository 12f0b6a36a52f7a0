import { useWatch, type UseFormReturn } from 'react-hook-form';
import { allergensIn, PRECAUTION_ASKS } from '@/core/safety';
import { CONTACT_MAY_BE_SENT, CONTACT_WAYS } from '@/core/students';
import type { HomeMaterial } from '@/core/tasks';
import { SKINS, TEXTURES } from '@/core/vocabulary';
import { WEEKDAYS } from '../../../shared/days';
import { words } from '../../../shared/deskWords';
import { languageName } from '../../../shared/languageName';
import { FormField, TickList } from '../../parts/FormField';
import { NEW_CONTACT, type RecordValues } from './recordValues';

interface Props {
  readonly form: UseFormReturn<RecordValues>;
}

/** A field's own props, what is wrong with it, and a box of a list, all bound to the form. */
function bound({ form: { register, formState } }: Props) {
  const fault = (name: keyof RecordValues) => formState.errors[name]?.message;
  return {
    fault,
    field: (name: keyof RecordValues) => ({ ...register(name), 'aria-invalid': fault(name) ? (true as const) : undefined }),
    tick: (name: keyof RecordValues, value: string, says: string) => (
      <label key={value} className="flex items-center gap-1.5">
        <input type="checkbox" value={value} {...register(name)} className="size-4 accent-green" /> {says}
      </label>
    ),
  };
}

const options = (codes: readonly string[], say: (code: string) => string) =>
  codes.map((code) => (
    <option key={code} value={code}>
      {say(code)}
    </option>
  ));

/** Name, birth date, school, hand, and how the family reads and reports. */
export function Basics({
  form,
  isNew,
  schools,
  languages,
}: Props & { isNew: boolean; schools: readonly string[]; languages: readonly string[] }) {
  const { fault, field } = bound({ form });
  const hand = useWatch({ control: form.control, name: 'hand' });
  return (
    <div className="flex flex-wrap items-start gap-3">
      <FormField label="Name used at school" fault={fault('calledName')}>
        <input {...field('calledName')} autoFocus={isNew} autoComplete="off" maxLength={40} className="field w-[150px]" />
      </FormField>
      <FormField label="Initial" fault={fault('initial')}>
        <input {...field('initial')} autoComplete="off" maxLength={2} className="field w-[56px]" />
      </FormField>
      <FormField label="Date of birth" fault={fault('bornOn')}>
        <input type="date" {...field('bornOn')} className="field" />
      </FormField>
      <FormField label="School" fault={fault('school')}>
        <input {...field('school')} list="schools" autoComplete="off" maxLength={80} className="field w-[200px]" />
        <datalist id="schools">{options(schools, String)}</datalist>
      </FormField>
      <FormField label="Dominant hand" fault={fault('hand')}>
        <select {...field('hand')} className="field">
          <option value="unsettled">Not established</option>
          <option value="right">Right</option>
          <option value="left">Left</option>
        </select>
      </FormField>
      {hand === 'unsettled' && (
        <FormField label="Likely">
          <select {...field('leaningHand')} className="field">
            <option value="">Not clear yet</option>
            <option value="right">Right</option>
            <option value="left">Left</option>
          </select>
        </FormField>
      )}
      <FormField label="Minutes per day" fault={fault('minutesPerDay')}>
        <input {...field('minutesPerDay')} inputMode="numeric" className="field w-[72px]" />
      </FormField>
      <FormField label="Family reads">
        <select {...field('familyLanguage')} className="field">
          {options(languages, languageName)}
        </select>
      </FormField>
      <FormField label="How the family reports">
        <select {...field('reportWay')} className="field">
          {options(['link', 'text', 'paper', 'call'], (way) => words(`ways.${way as 'link'}`))}
        </select>
      </FormField>
    </div>
  );
}

/** Mouthing, scissors, allergies, textures and precautions. */
export function Safety({ form }: Props) {
  const { register, control } = form;
  const { fault, field, tick } = bound({ form });
  const allergyLines = useWatch({ control, name: 'allergies' });
  const allergies = allergyLines
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);
  const unknown = allergies.filter((line) => allergensIn(line).length === 0);
  return (
    <section>
      <h2 className="text-[16px]">Safety</h2>
      <div className="mt-1 flex flex-wrap gap-x-6 gap-y-3">
        <div className="space-y-1">
          <label className="flex items-center gap-1.5">
            <input type="checkbox" {...register('mouthsThings')} className="size-4 accent-green" /> Mouths objects
          </label>
          <label className="flex items-center gap-1.5">
            <input type="checkbox" {...register('scissorsAllowed')} className="size-4 accent-green" /> The family allows scissors
          </label>
        </div>
        <FormField label="Allergies, one per line" hint="with the reaction: wheat: rash" fault={fault('allergies')}>
          <textarea {...field('allergies')} rows={2} className="field w-[240px]" />
          {unknown.length > 0 && (
            <span role="status" className="block max-w-[240px] text-[13px] text-brick">
              The safety check does not know {unknown.map((line) => `“${line}”`).join(', ')}: check the materials yourself.
            </span>
          )}
        </FormField>
        <TickList label="Textures avoided">
          {TEXTURES.map((texture) => tick('texturesAvoided', texture, words(`textures.${texture}`)))}
        </TickList>
      </div>
      <Precautions form={form} />
    </section>
  );
}

function Precautions({ form }: Props) {
  const { register, setValue } = form;
  const precautions = useWatch({ control: form.control, name: 'precautions' });
  const { fault } = bound({ form });
  return (
    <fieldset className="mt-3">
      <legend className="text-[13px] font-semibold text-soft">Precautions. For each, check what to watch for.</legend>
      {precautions.map((_, index) => (
        <div key={index} className="mt-1 flex flex-wrap items-center gap-3">
          <input
            {...register(`precautions.${index}.words`)}
            aria-label={`Precaution ${index + 1}`}
            placeholder="Loose joints"
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
            Remove
          </button>
        </div>
      ))}
      <button type="button" className="link mt-1" onClick={() => setValue('precautions', [...precautions, { words: '', asks: [] }])}>
        Add a precaution
      </button>
      {fault('precautions') && <p className="text-[13px] font-semibold text-brick">{fault('precautions')}</p>}
    </fieldset>
  );
}

/** Helpers, languages, likes and days of practice. */
export function Home({ form, isOpen }: Props & { isOpen: boolean }) {
  const { register } = form;
  const { fault, field, tick } = bound({ form });
  return (
    <details open={isOpen}>
      <summary className="font-title text-[16px] font-bold">Home, helpers, likes</summary>
      <div className="mt-2 flex flex-wrap gap-x-4 gap-y-3">
        <FormField label="Who helps at home" fault={fault('helpers')}>
          <input {...field('helpers')} maxLength={120} className="field w-[240px]" />
        </FormField>
        <FormField label="Languages at home" hint="such as Spanish, English" fault={fault('homeLanguages')}>
          <input {...field('homeLanguages')} className="field w-[190px]" />
        </FormField>
        <FormField label="Teacher, and how to reach them" fault={fault('teacher')}>
          <input {...field('teacher')} maxLength={120} className="field w-[260px]" />
        </FormField>
        <FormField label="Likes" fault={fault('likes')}>
          <input {...field('likes')} maxLength={200} className="field w-[240px]" />
        </FormField>
        <FormField label="Dislikes" fault={fault('dislikes')}>
          <input {...field('dislikes')} maxLength={200} className="field w-[240px]" />
        </FormField>
        <FormField label="How to end on a good note" fault={fault('endsWell')}>
          <input {...field('endsWell')} maxLength={200} className="field w-[240px]" />
        </FormField>
        <TickList label="Practice days">
          {WEEKDAYS.map((day, index) => tick('practiceWeekdays', String(index + 1), day.slice(0, 3)))}
        </TickList>
        <TickList label="Themes not wanted">{SKINS.map((skin) => tick('themesNotWanted', skin, words(`skins.${skin}`)))}</TickList>
        <label className="flex items-center gap-1.5">
          <input type="checkbox" {...register('hasPrinter')} className="size-4 accent-green" /> Printer at home
        </label>
      </div>
      {fault('practiceWeekdays') && <p className="text-[13px] font-semibold text-brick">{fault('practiceWeekdays')}</p>}
    </details>
  );
}

/** Edits the people who may be written to, how, and when not. */
export function Contacts({ form, languages }: Props & { languages: readonly string[] }) {
  const { register, setValue } = form;
  const contacts = useWatch({ control: form.control, name: 'contacts' });
  const { fault } = bound({ form });
  return (
    <details open={contacts.length > 0}>
      <summary className="font-title text-[16px] font-bold">Contacts</summary>
      {contacts.map((_, index) => (
        <div key={index} className="mt-2 flex flex-wrap items-end gap-3 border-t border-line pt-2">
          <FormField label="Name">
            <input {...register(`contacts.${index}.name`)} maxLength={60} className="field w-[150px]" />
          </FormField>
          <FormField label="Relationship">
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
          <FormField label="To">
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
            Remove
          </button>
        </div>
      ))}
      <button type="button" className="link mt-2" onClick={() => setValue('contacts', [...contacts, NEW_CONTACT])}>
        Add a contact
      </button>
      {fault('contacts') && <p className="text-[13px] font-semibold text-brick">{fault('contacts')}</p>}
    </details>
  );
}

export function ThingsAtHome({ form, things }: Props & { things: readonly HomeMaterial[] }) {
  const { tick } = bound({ form });
  const atHome = useWatch({ control: form.control, name: 'materialsAtHome' });
  return (
    <details>
      <summary className="font-title text-[16px] font-bold">Materials at home ({atHome.length})</summary>
      <div className="mt-2 columns-4 gap-4 text-[14px]">{things.map((thing) => tick('materialsAtHome', thing.id, thing.name.en))}</div>
    </details>
  );
}
