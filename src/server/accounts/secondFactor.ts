import { randomInt } from 'node:crypto';
import { Secret, TOTP } from 'otpauth';
import { renderSVG } from 'uqr';
import type { Instant } from '@/core/calendar';
import {
  changeFactor,
  completeSignIn,
  countRecoveryCodes,
  inTransaction,
  personById,
  replaceRecoveryCodes,
  revokeOtherSignIns,
  spendRecoveryCode,
  type Person,
  type Work,
} from '@/db';
import { requireMay } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordAboutPerson, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { hashOf } from '../secrets';
import { seal, unseal } from './encryptAtRest';
import { requireConfirmed } from './sessions';
import { countTry, clearTriesAt } from './rateLimit';

const PURPOSE = 'second factor';
const STEP_SECONDS = 30;
/** A code of the step before or after is taken, too: RFC 6238, section 5.2, recommends one for the network's delay. */
const STEPS_AROUND = 1;
const SECRET_BYTES = 20;
const RECOVERY_CODES = 10;
/** No letter or digit that another one is mistaken for. */
const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789';
const CODE_LETTERS = 10;

/**
 * The step of time that a six-digit code belongs to; null where it is none of about now.
 * Source: RFC 6238 (TOTP: HMAC-SHA-1, thirty seconds, six digits).
 */
export function stepOfCode(secret: string, code: string, now: Instant): number | null {
  const totp = new TOTP({ secret: Secret.fromBase32(secret), period: STEP_SECONDS, digits: 6, algorithm: 'SHA1' });
  const delta = /^\d{6}$/.test(code) ? totp.validate({ token: code, timestamp: now, window: STEPS_AROUND }) : null;
  return delta === null ? null : Math.floor(now / 1000 / STEP_SECONDS) + delta;
}

export interface FactorView {
  /** Since when it is asked for; null where it is not yet. */
  readonly since: Instant | null;
  readonly codesLeft: number;
}

export async function viewFactor(context: Context, actor: PersonActor): Promise<FactorView> {
  return inTransaction(context.db, async (work) => ({
    since: (await personById(work, actor.personId))!.factorAt,
    codesLeft: await countRecoveryCodes(work, actor.personId),
  }));
}

export interface FactorOffer {
  /** To be typed where it can't be scanned. */
  readonly secret: string;
  /** The same as a picture, made here: no service sees it. */
  readonly qr: string;
}

/** A new secret, which is asked for only once a code of it was given. @throws AppError confirmNeeded, goneOn where there is one already */
export async function offerFactor(context: Context, actor: PersonActor): Promise<FactorOffer> {
  requireConfirmed(context, actor);
  return inTransaction(context.db, async (work) => {
    const person = (await personById(work, actor.personId, true))!;
    if (person.factorAt !== null) throw new AppError('goneOn');
    // Loading the page again shows the same secret: a phone that scanned it before keeps a working code.
    const known = person.factorSecret === null ? null : unseal(context.linkSecret, PURPOSE, person.factorSecret);
    const secret = known ?? new Secret({ size: SECRET_BYTES }).base32;
    if (!known) await changeFactor(work, person.id, { secret: seal(context.linkSecret, PURPOSE, secret), since: null, step: 0 });
    const uri = new TOTP({ issuer: 'Yard Steps', label: person.email, secret, period: STEP_SECONDS, digits: 6, algorithm: 'SHA1' });
    return { secret: secret.replace(/(.{4})(?=.)/g, '$1 '), qr: renderSVG(uri.toString(), { border: 2 }) };
  });
}

/**
 * The first code: from now on it is asked for. Gives back the recovery codes, which are told once.
 * @throws AppError codeWrong, tooManyTries, goneOn
 */
export async function enableSecondFactor(context: Context, actor: PersonActor, code: unknown): Promise<readonly string[]> {
  const of = { personId: actor.personId, deviceHash: null };
  await countTry(context, of, 'factor');
  return inTransaction(context.db, async (work) => {
    const person = (await personById(work, actor.personId, true))!;
    if (person.factorSecret === null || person.factorAt !== null) throw new AppError('goneOn');
    const step = stepOfCode(unseal(context.linkSecret, PURPOSE, person.factorSecret), plainCode(code), context.now());
    if (step === null) throw new AppError('codeWrong');
    const codes = Array.from({ length: RECOVERY_CODES }, newRecoveryCode);
    await changeFactor(work, person.id, { secret: person.factorSecret, since: context.now(), step });
    await replaceRecoveryCodes(work, person.id, codes.map(hashOf));
    await completeSignIn(work, actor.signInId, context.now());
    // Ends other sessions, so that each signs in again with the second factor.
    await revokeOtherSignIns(work, person.id, actor.signInId, context.now());
    await clearTriesAt(work, of, 'factor');
    await recordAboutPerson(work, context.now(), person.id, 'factor.on');
    return codes;
  });
}

/** A code of the app, or one of the recovery codes, each taken once. @throws AppError codeWrong, tooManyTries */
export async function giveFactor(context: Context, actor: PersonActor, code: unknown): Promise<void> {
  const of = { personId: actor.personId, deviceHash: null };
  await countTry(context, of, 'factor');
  const taken = await inTransaction(context.db, async (work) => {
    const person = (await personById(work, actor.personId, true))!;
    const how = await howGiven(work, context, person, plainCode(code));
    if (how === null) {
      await recordAboutPerson(work, context.now(), person.id, 'factor.failed');
      return false;
    }
    await completeSignIn(work, actor.signInId, context.now());
    await clearTriesAt(work, of, 'factor');
    await recordAboutPerson(work, context.now(), person.id, how);
    return true;
  });
  if (!taken) throw new AppError('codeWrong');
}

async function howGiven(work: Work, context: Context, person: Person, code: string): Promise<'factor.given' | 'factor.recovered' | null> {
  if (person.factorSecret === null || person.factorAt === null) return null;
  const step = stepOfCode(unseal(context.linkSecret, PURPOSE, person.factorSecret), code, context.now());
  if (step !== null && step > person.factorStep) {
    await changeFactor(work, person.id, { secret: person.factorSecret, since: person.factorAt, step });
    return 'factor.given';
  }
  return (await spendRecoveryCode(work, person.id, hashOf(code), context.now())) ? 'factor.recovered' : null;
}

/** No second factor any more for the actor. @throws AppError confirmNeeded */
export async function disableSecondFactor(context: Context, actor: PersonActor): Promise<void> {
  requireConfirmed(context, actor);
  await inTransaction(context.db, (work) => forgetFactor(work, context, actor, actor.personId));
}

/**
 * For a colleague who lost phone and codes: the next sign-in is by the password alone, or sets a new one up where everybody has one.
 * @throws AppError notAllowed, confirmNeeded, notFound
 */
export async function disableSecondFactorOf(context: Context, actor: PersonActor, personId: unknown): Promise<void> {
  requireMay(actor, 'changeTrust');
  requireConfirmed(context, actor);
  await inTransaction(context.db, async (work) => {
    const person = Number.isSafeInteger(personId) ? await personById(work, personId as number) : null;
    if (!person || person.closedAt !== null) throw new AppError('notFound');
    await forgetFactor(work, context, actor, person.id);
    await revokeOtherSignIns(work, person.id, 0, context.now());
  });
}

async function forgetFactor(work: Work, context: Context, actor: PersonActor, personId: number): Promise<void> {
  await changeFactor(work, personId, { secret: null, since: null, step: 0 });
  await replaceRecoveryCodes(work, personId, []);
  await recordChanges(work, context.now(), [entryOf(actor, context.now(), [], 'factor.off', { person: personId })]);
}

function newRecoveryCode(): string {
  return Array.from({ length: CODE_LETTERS }, () => LETTERS[randomInt(LETTERS.length)]).join('');
}

/** As it is compared: without the spaces and hyphens that people and phones put in. */
function plainCode(code: unknown): string {
  return typeof code === 'string' ? code.slice(0, 60).toLowerCase().replace(/[\s-]/g, '') : '';
}
