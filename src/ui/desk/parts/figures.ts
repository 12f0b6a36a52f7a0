import { wilsonInterval, type AdherenceRange, type DoseGiven, type SkillDose } from '@/core/adherence';
import type { Skill } from '@/core/vocabulary';
import { words } from '../../shared/deskWords';

export const percent = (share: number) => Math.round(share * 100);

/** "47–65%", or a dash where nothing was planned. */
export function percentRange({ low, high }: AdherenceRange): string {
  if (low === null || high === null) return '–';
  return percent(low) === percent(high) ? `${percent(low)}%` : `${percent(low)}–${percent(high)}%`;
}

/** The answer to "How was this calculated?": the counts, the formula, and how sure the share is of what was said. */
export function adherenceHow({ planned, knownDone, saidNotDone, noWord }: AdherenceRange): string {
  if (planned === 0) return 'Nothing was planned in these 14 days.';
  const said = knownDone + saidNotDone;
  const sure = said === 0 ? null : wilsonInterval(knownDone, said);
  return [
    `${planned} planned: ${knownDone} known done, ${saidNotDone} reported not done, ${noWord} no report.`,
    `Low end ${knownDone}/${planned}, high end (${knownDone} + ${noWord})/${planned}.`,
    ...(sure
      ? [
          `Of the reported days, ${knownDone} of ${said} done. 95% interval by Wilson’s score, assuming that days are independent: ${percent(sure.low)}–${percent(sure.high)}%.`,
        ]
      : []),
  ].join(' ');
}

/** The answer to "How was this calculated?" of the dose: each task in its own unit, and what was left out. */
export function doseHow({ tasks, uncounted }: DoseGiven, titleOf: (taskId: number) => string | undefined): string {
  const each = tasks.map(
    (task) => `${titleOf(task.taskId) ?? 'an earlier task'}: ${rounded(task.given)} of ${rounded(task.asked)} ${task.unit}`,
  );
  const left = uncounted ? [`${uncounted} done with no amount reported, left out`] : [];
  return `Mean over tasks of practice done ÷ practice planned (at most 100% each), in 14 days. ${[...each, ...left].join('; ')}.`;
}

/** The dose of each skill, what was least given first. */
export function skillsInWords(skills: readonly SkillDose<Skill>[]): string {
  return skills.map(({ skill, share }) => `${words(`skills.${skill}`)} ${percent(share)}%`).join(', ');
}

const rounded = (amount: number) => Math.round(amount * 10) / 10;
