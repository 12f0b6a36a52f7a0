import { MILLISECONDS_PER_DAY, instant, type Instant } from '@/core/calendar';
import { dangerOf } from '@/core/safety';
import { knownReportKeys, type IntakeLink, type Work } from '@/db';
import { AppError } from '../errors';
import type { Envelope, ReadSubmission } from './readSubmission';

/** A family with six tasks that catches up on two weeks sends about ninety. Our own choice. */
export const MOST_A_DAY = 200;
/** Further allowance for reports of harm, so that a flood never hides one. */
export const MOST_OF_HARM = 300;

export const dayBefore = (now: Instant): Instant => instant(now - MILLISECONDS_PER_DAY);

/** Which of the reports of links that have sent their share are there already: those are answered as ever. */
export async function keysOfFull(
  work: Work,
  envelopes: readonly Envelope[],
  links: ReadonlyMap<string, IntakeLink>,
): Promise<ReadonlySet<string>> {
  const isNearlyFull = ({ tokenHash }: Envelope) => (links.get(tokenHash)?.sentLately ?? 0) + envelopes.length > MOST_A_DAY;
  return knownReportKeys(
    work,
    envelopes.filter(isNearlyFull).map(({ idempotencyKey }) => idempotencyKey),
  );
}

/** Counts what links send in a day, within one batch. */
export class DailyReportLimit {
  private readonly fresh = new Map<number, Set<string>>();

  constructor(private readonly known: ReadonlySet<string>) {}

  /** @throws AppError tooManyReports */
  refuseOver({ idempotencyKey }: Envelope, { link, facts }: ReadSubmission): void {
    if (this.known.has(idempotencyKey)) return;
    const keys = this.fresh.get(link.id) ?? new Set<string>();
    this.fresh.set(link.id, keys);
    const most = dangerOf(facts) === null ? MOST_A_DAY : MOST_OF_HARM;
    if (link.sentLately + keys.size >= most && !keys.has(idempotencyKey)) throw new AppError('tooManyReports');
    keys.add(idempotencyKey);
  }
}
