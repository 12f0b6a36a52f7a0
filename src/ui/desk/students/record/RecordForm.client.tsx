'use client';

import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { childRecordSchema, type Child } from '@/core/students';
import type { HomeMaterial } from '@/core/tasks';
import { words } from '../../../shared/deskWords';
import { issueWords } from '../../frame/Trouble';
import { FaultNote } from '../../parts/FaultNote';
import { Basics, Contacts, Home, Safety, ThingsAtHome } from './RecordSections';
import { recordFrom, valuesFrom, type RecordValues } from './recordValues';

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

/** Edits a student's information. A new student needs the first row; the rest can follow later. */
export function RecordForm({ child, schools, languages, things, keep }: Props) {
  const form = useForm<RecordValues>({ defaultValues: valuesFrom(child) });
  const { formState, setError, clearErrors } = form;
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
  return (
    <form onSubmit={(event) => void send(event)} noValidate className="mt-4 max-w-[1120px] space-y-6">
      <Basics
        form={form}
        isNew={!child}
        schools={schools}
        languages={[...new Set([...languages, ...(child ? [child.familyLanguage] : [])])]}
      />
      <Safety form={form} />
      <Home form={form} isOpen={child !== null} />
      <Contacts form={form} languages={languages} />
      <ThingsAtHome form={form} things={things} />
      {told && <FaultNote>{told}</FaultNote>}
      <button className="act act-main" disabled={formState.isSubmitting}>
        {child ? 'Save' : 'Add the student'}
      </button>
    </form>
  );
}

/** The field of a form that an issue's place belongs to: the row as a whole for what lies deeper. */
function fieldOf(place: string): keyof RecordValues {
  return place.split('.')[0] as keyof RecordValues;
}
