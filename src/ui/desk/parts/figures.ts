import { wilsonInterval, type AdherenceRange } from '@/core/adherence';

const percent = (share: number) => Math.round(share * 100);

/** "47–65 %", or a dash where nothing was planned. */
export function percentRange({ low, high }: AdherenceRange): string {
  if (low === null || high === null) return '–';
  return percent(low) === percent(high) ? `${percent(low)} %` : `${percent(low)}–${percent(high)} %`;
}

/** The answer to "how do you know?": the counts, the formula, and how sure the lower end is. */
export function adherenceHow({ planned, knownDone, saidNotDone, noWord }: AdherenceRange): string {
  if (planned === 0) return 'Nothing was planned in these 14 days.';
  const { low, high } = wilsonInterval(knownDone, planned);
  return [
    `${planned} planned: ${knownDone} known done, ${saidNotDone} said not done, ${noWord} no word.`,
    `Low end ${knownDone}/${planned}, high end (${knownDone} + ${noWord})/${planned}.`,
    `95 % interval of the low end by Wilson’s score: ${percent(low)}–${percent(high)} %.`,
  ].join(' ');
}
