import Link from 'next/link';
import { nameOf } from '@/core/students';
import { calculateDose } from '@/core/dose';
import { EFFORTS, STOP_REASONS } from '@/core/reports';
import { HELP_LEVELS } from '@/core/vocabulary';
import { doseAtStep } from '@/core/tasks';
import type { ReportView } from '@/server/reports/viewReport';
import { longDay, momentIn } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';
import { FormField } from '../parts/FormField';
import { ReportTable } from '../parts/ReportTable';

/** Corrects one report; its earlier values stay below. */
export function ReportScreen({ view, correct }: { view: ReportView; correct: WordedAction }) {
  const { child, report, history } = view;
  return (
    <>
      <h1 className="text-[24px]">
        <Link href={`/students/${child.id}`} prefetch={false} className="hover:underline">
          {nameOf(child)}
        </Link>{' '}
        <span className="font-text text-[16px] font-normal text-soft">Correct a report</span>
      </h1>
      <div className="mt-3">
        <ReportTable reports={[report]} withTask />
      </div>
      <p className="mt-3 max-w-[720px] text-soft">
        Use this for a typing mistake or a call you misheard. The family’s comment stays as it is. An injury report cannot be withdrawn
        here. The current version is kept, with your name and your reason.
      </p>
      <CorrectionForm view={view} correct={correct} />
      {history.length > 0 && (
        <section className="mt-8 max-w-[860px]">
          <h2 className="text-[18px]">Earlier version</h2>
          <ul>
            {history.map((each, index) => (
              <li key={index} className="border-t border-line py-1">
                {saidBefore(each)}{' '}
                <span className="text-soft">
                  until {momentIn(each.correctedAt, child.timeZone)}, {each.who ?? 'the family'}
                  {each.why && ` “${each.why}”`}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

function CorrectionForm({ view: { child, today, report }, correct }: { view: ReportView; correct: WordedAction }) {
  const dose = doseAtStep(report.content, report.step);
  const byHand = report.left !== null || report.right !== null || calculateDose(dose, 1).handTurns === 2;
  const inAll = !byHand || report.plainAmount !== null;
  const number = (name: 'left' | 'right' | 'amount', label: string, value: number | null) => (
    <FormField label={label}>
      <input name={name} inputMode="decimal" defaultValue={value ?? ''} autoComplete="off" className="field w-[90px]" />
    </FormField>
  );
  const choice = (name: string, label: string, value: string | null, codes: readonly string[], say: (code: string) => string) => (
    <FormField label={label}>
      <select name={name} defaultValue={value ?? ''} className="field">
        <option value="">Not recorded</option>
        {codes.map((code) => (
          <option key={code} value={code}>
            {say(code)}
          </option>
        ))}
      </select>
    </FormField>
  );
  return (
    <ActionForm
      action={correct}
      hidden={{ childId: child.id, reportId: report.reportId, seenCorrectedAt: report.correctedAt ?? 0 }}
      className="mt-4 max-w-[1120px]"
    >
      <div className="flex flex-wrap items-end gap-3">
        <FormField label="Done on">
          <input type="date" name="doneOn" defaultValue={report.doneOn} max={today} required className="field" />
        </FormField>
        <FormField label="Done">
          <select name="done" defaultValue={report.done ? 'yes' : 'no'} className="field">
            <option value="yes">Done</option>
            <option value="no">Not done</option>
          </select>
        </FormField>
        <FormField label="At step">
          <select name="step" defaultValue={report.step} className="field max-w-[260px]">
            {report.content.ladder.steps.map(({ name }, index) => (
              <option key={index} value={index + 1}>
                {index + 1} {name.en}
              </option>
            ))}
          </select>
        </FormField>
        {byHand && number('left', dose.limb === 'foot' ? 'Left foot' : 'Left hand', report.left)}
        {byHand && number('right', dose.limb === 'foot' ? 'Right foot' : 'Right hand', report.right)}
        {inAll && number('amount', 'In all', report.plainAmount)}
        {choice('help', 'Help', report.help, HELP_LEVELS, (code) => words(`helps.${code as (typeof HELP_LEVELS)[number]}`))}
        {choice('effort', 'Difficulty', report.effort, EFFORTS, (code) => words(`efforts.${code as (typeof EFFORTS)[number]}`))}
        {choice('stopReason', 'Stopped early', report.stopReason, STOP_REASONS, (code) =>
          words(`stops.${code as (typeof STOP_REASONS)[number]}`),
        )}
      </div>
      {report.minutes !== null && report.minutes !== undefined && <input type="hidden" name="minutes" value={report.minutes} />}
      <div className="mt-3 flex flex-wrap items-end gap-3">
        <FormField label="Reason for the correction">
          <input name="why" required minLength={3} maxLength={300} autoComplete="off" className="field w-[420px] max-w-full" />
        </FormField>
        <button className="act">Save the correction</button>
      </div>
    </ActionForm>
  );
}

function saidBefore({ before }: ReportView['history'][number]): string {
  const { left, right, plainAmount, help, effort, stopReason } = before;
  const amounts = [
    ...(left === null && right === null ? [] : [`left ${left ?? '–'}, right ${right ?? '–'}`]),
    ...(plainAmount === null ? [] : [`${plainAmount} in all`]),
  ];
  return [
    `${longDay(before.doneOn)}: step ${before.step}`,
    before.done ? amounts.join(', ') || 'done, amount not reported' : 'not done',
    ...(help ? [`help ${words(`helps.${help}`)}`] : []),
    ...(effort ? [words(`efforts.${effort}`)] : []),
    ...(stopReason ? [words(`stops.${stopReason}`)] : []),
    ...(before.words ? [`“${before.words}”`] : []),
  ].join(', ');
}
