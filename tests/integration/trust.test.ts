import { TOTP } from 'otpauth';
import jsQR from 'jsqr';
import { instant } from '@/core/calendar';
import { auditChain, inTransaction, migrator, openDatabase } from '@/db';
import { grantToServe } from '@/db/grants';
import { runDue } from '@/server/jobs/runDue';
import { acceptInvitation, inviteFirst } from '@/server/accounts/invitations';
import {
  giveFactor,
  offerFactor,
  stepOfCode,
  disableSecondFactor,
  disableSecondFactorOf,
  enableSecondFactor,
} from '@/server/accounts/secondFactor';
import { actorOfToken, confirm, halfSignedIn } from '@/server/accounts/sessions';
import { signIn, type OpenedSession } from '@/server/accounts/signIn';
import { seal, unseal } from '@/server/accounts/encryptAtRest';
import { setEmergencyNumber, setKeeping, setSignInRules, viewSettings } from '@/server/settings/workplace';
import { runSql } from '../../scripts/sql';
import { newTestBed, refusal, type TestBed } from './testBed';

const ACCOUNT = { email: 'ines@tarrowhill.example', password: 'one step at a time' };
const MINUTE = 60_000;
let bed: TestBed;
beforeEach(async () => {
  bed = await newTestBed();
  const token = (await inviteFirst(bed.context))!;
  await acceptInvitation(bed.context, {
    ...ACCOUNT,
    token,
    name: 'Ines Calloway-Brandt',
    timeZone: 'America/Denver',
    emergencyNumber: '911',
  });
});
afterEach(() => bed.close());

const open = (change: Record<string, unknown> = {}): Promise<OpenedSession> => signIn(bed.context, { ...ACCOUNT, ...change });
const passMinutes = (minutes: number) => bed.at(instant(bed.context.now() + minutes * MINUTE));
const trailOf = async (action: string) => {
  await runDue(bed.context, 'a');
  return bed.read<{ person: number | null }>('SELECT person_id AS person FROM audit WHERE action = :action', { action });
};

describe('signing in', () => {
  // The look-alikes with which the lock was walked round (A1).
  it.each([
    'ínes@tarrowhill.example',
    'ｉnes@tarrowhill.example',
    'ines\u200b@tarrowhill.example',
    'ines\u0001@tarrowhill.example',
    'ines@tarrowhill.example\u200d',
    'ĭnes@tarrowhill.exämple',
    'ines@tarrowhill.example\0',
  ])('takes no address that only looks like one: %j', async (email) => {
    expect(await refusal(open({ email }))).toBe('signInFailed');
  });

  it('takes the address in any case and with space around it, and counts all of them as one', async () => {
    await open({ email: ' INES@TarrowHill.Example ' });
    const tries: string[] = [];
    for (const email of ['ines@tarrowhill.example', 'INES@tarrowhill.example', ' ines@tarrowhill.example'])
      for (let count = 0; count < 3; count += 1) tries.push(await refusal(open({ email, password: 'wrong' })));
    expect(tries.filter((code) => code === 'tooManyTries')).toHaveLength(1);
    expect(await refusal(open())).toBe('tooManyTries');
    expect(await trailOf('signIn.locked')).toEqual([{ person: 1 }]);
    passMinutes(15);
    await open();
  });

  it('does not lock out who signed in by this browser before, whatever strangers try (A12)', async () => {
    const { deviceToken } = await open();
    for (let count = 0; count < 12; count += 1) await refusal(open({ password: 'wrong' }));
    expect(await refusal(open())).toBe('tooManyTries');
    await open({ deviceToken });
    // A made-up token is none that is known, and in the known browser there is an end of tries, too.
    expect(await refusal(open({ deviceToken: 'x'.repeat(32) }))).toBe('tooManyTries');
    for (let count = 0; count < 8; count += 1) await refusal(open({ deviceToken, password: 'wrong' }));
    expect(await refusal(open({ deviceToken }))).toBe('tooManyTries');
  });

  it('counts by place, and over all from places that nobody knows', async () => {
    const spray = async (many: number, address: (count: number) => string) => {
      const codes: string[] = [];
      for (let count = 0; count < many; count += 1)
        codes.push(await refusal(signIn(bed.context, { email: `a${count}@tarrowhill.example`, password: 'x', address: address(count) })));
      return codes.filter((code) => code === 'tooManyTries').length;
    };
    await bed.write("INSERT INTO sign_in_tries VALUES ('place:203.0.113.7', 95, :end), ('all', 990, :end)", {
      end: new Date(bed.context.now() + MINUTE),
    });
    expect(await spray(7, () => '203.0.113.7')).toBe(2);
    expect(await spray(12, (count) => `203.0.113.${count + 10}`)).toBe(7);
  }, 30_000);

  it('takes a browser that tells a long story of itself (A18)', async () => {
    await open({ device: 'x'.repeat(5_000) });
    expect(await bed.read('SELECT LENGTH(device) AS length FROM sign_ins')).toEqual([{ length: 120 }]);
  });

  it('is written down: opened, failed, ended, with where it came from', async () => {
    await open({ address: '203.0.113.7' });
    await refusal(open({ password: 'wrong' }));
    await refusal(signIn(bed.context, { email: 'nobody@tarrowhill.example', password: 'wrong' }));
    expect(await trailOf('signIn.opened')).toEqual([{ person: 1 }]);
    expect(await trailOf('signIn.failed')).toEqual([{ person: 1 }, { person: null }]);
    expect(await inTransaction(bed.db, auditChain)).toMatchObject({ fault: null });
  });
});

describe('a session', () => {
  it('ends when it was idle for too long, and at the latest after its days', async () => {
    const { token } = await open();
    await bed.write('UPDATE workplace SET idle_minutes = 60, sign_in_days = 7');
    passMinutes(59);
    await actorOfToken(bed.context, token);
    passMinutes(59);
    await actorOfToken(bed.context, token);
    passMinutes(60);
    expect(await refusal(actorOfToken(bed.context, token))).toBe('signInNeeded');
    const another = await open();
    for (let hours = 0; hours < 7 * 24 - 1; hours += 1) {
      await bed.write('UPDATE sign_ins SET seen_at = :now', { now: new Date(bed.context.now()) });
      passMinutes(60);
    }
    await actorOfToken(bed.context, another.token);
    await bed.write('UPDATE sign_ins SET seen_at = :now', { now: new Date(bed.context.now() + 59 * MINUTE) });
    passMinutes(60);
    expect(await refusal(actorOfToken(bed.context, another.token))).toBe('signInNeeded');
  });

  it('is one of eight at most: the oldest ends', async () => {
    const tokens: string[] = [];
    for (let count = 0; count < 9; count += 1) tokens.push((await open()).token);
    const states = await Promise.all(tokens.map((token) => refusal(actorOfToken(bed.context, token))));
    expect(states).toEqual(['signInNeeded', ...Array<string>(8).fill('not refused')]);
  });

  it('takes the password once more for what matters, ten minutes after it was given', async () => {
    // What concerns the whole workplace is a supervisor's.
    expect(await refusal(setEmergencyNumber(bed.context, await actorOfToken(bed.context, (await open()).token), '112'))).toBe('notAllowed');
    await bed.write("UPDATE people SET role = 'supervisor' WHERE id = 1", {});
    const { token } = await open();
    const now = () => actorOfToken(bed.context, token);
    await setEmergencyNumber(bed.context, await now(), '112');
    passMinutes(10);
    const late = await now();
    expect(await refusal(setEmergencyNumber(bed.context, late, '113'))).toBe('confirmNeeded');
    expect(await refusal(setKeeping(bed.context, late, {}))).toBe('confirmNeeded');
    expect(await refusal(confirm(bed.context, late, 'wrong'))).toBe('signInFailed');
    expect(await refusal(setEmergencyNumber(bed.context, await now(), '113'))).toBe('confirmNeeded');
    await confirm(bed.context, late, ACCOUNT.password);
    await setEmergencyNumber(bed.context, await now(), '113');
    expect((await viewSettings(bed.context, await now())).emergencyNumber).toBe('113');
    // Whose families call another number, since when and by whom, stands in the trail (A4).
    await runDue(bed.context, 'a');
    expect(await bed.read("SELECT person_id AS person, numbers FROM audit WHERE action = 'settings.changed' ORDER BY id")).toEqual([
      { person: 1, numbers: { setting: 'emergencyNumber', to: '112' } },
      { person: 1, numbers: { setting: 'emergencyNumber', to: '113' } },
    ]);
    await bed.write("UPDATE people SET role = 'therapist' WHERE id = 1", {});
  });

  it('is not confirmed by guessing without end', async () => {
    const actor = await actorOfToken(bed.context, (await open()).token);
    const codes: string[] = [];
    for (let count = 0; count < 10; count += 1) codes.push(await refusal(confirm(bed.context, actor, `guess ${count}`)));
    expect(codes.slice(7)).toEqual(['signInFailed', 'tooManyTries', 'tooManyTries']);
  });
});

describe('the second factor', () => {
  // RFC 6238, appendix B, SHA-1: the last six of the eight digits; the secret is "12345678901234567890" in base 32.
  const RFC_SECRET = 'GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ';
  it.each([
    [59, '287082'],
    [1_111_111_109, '081804'],
    [1_111_111_111, '050471'],
    [1_234_567_890, '005924'],
    [2_000_000_000, '279037'],
    [20_000_000_000, '353130'],
  ])('knows the code of RFC 6238 at %d s, and the step that it belongs to', (seconds, code) => {
    const at = (shift: number) => instant((seconds + shift) * 1000);
    expect(stepOfCode(RFC_SECRET, code, at(0))).toBe(Math.floor(seconds / 30));
    expect(stepOfCode(RFC_SECRET, code, at(30))).toBe(Math.floor(seconds / 30));
    expect(stepOfCode(RFC_SECRET, code, at(61))).toBeNull();
    expect(stepOfCode(RFC_SECRET, '000000', at(0))).toBeNull();
  });

  const codeAt = (secret: string, moment: number) => new TOTP({ secret: secret.replaceAll(' ', '') }).generate({ timestamp: moment });

  async function withFactor() {
    const { token } = await open();
    const actor = await actorOfToken(bed.context, token);
    const { secret, qr } = await offerFactor(bed.context, actor);
    const codes = await enableSecondFactor(bed.context, actor, codeAt(secret, bed.context.now()));
    return { token, actor, secret, qr, codes };
  }

  it('is offered as a picture that another reader understands, and asked for only once a code was given', async () => {
    const actor = await actorOfToken(bed.context, (await open()).token);
    const { secret, qr } = await offerFactor(bed.context, actor);
    const read = readQr(qr);
    expect(read).toMatch(/^otpauth:\/\/totp\/Yard%20Steps:ines%40tarrowhill\.example\?/);
    expect(new URL(read).searchParams.get('secret')).toBe(secret.replaceAll(' ', ''));
    await actorOfToken(bed.context, (await open()).token);
    expect(await refusal(enableSecondFactor(bed.context, actor, '000000'))).toBe('codeWrong');
    expect((await bed.read<{ secret: string }>('SELECT factor_secret AS secret FROM people'))[0]!.secret).not.toContain(
      secret.replaceAll(' ', ''),
    );
  });

  it('lets nobody in by the password alone; each code is taken once, each recovery code, too', async () => {
    const { secret, codes } = await withFactor();
    const half = await open();
    expect(half.needsFactor).toBe(true);
    expect(await refusal(actorOfToken(bed.context, half.token))).toBe('factorNeeded');
    const actor = await halfSignedIn(bed.context, half.token);
    // The code that turned it on was that of this step: it is not taken again.
    expect(await refusal(giveFactor(bed.context, actor, codeAt(secret, bed.context.now())))).toBe('codeWrong');
    passMinutes(1);
    const code = codeAt(secret, bed.context.now());
    await giveFactor(bed.context, actor, `${code.slice(0, 3)} ${code.slice(3)}`);
    await actorOfToken(bed.context, half.token);
    const other = await halfSignedIn(bed.context, (await open()).token);
    expect(await refusal(giveFactor(bed.context, other, code))).toBe('codeWrong');
    await giveFactor(bed.context, other, codes[0]!.toUpperCase());
    const third = await halfSignedIn(bed.context, (await open()).token);
    expect(await refusal(giveFactor(bed.context, third, codes[0]!))).toBe('codeWrong');
    expect(codes).toHaveLength(10);
    expect((await viewSettings(bed.context, actor)).factor.codesLeft).toBe(9);
  });

  it('is not guessed at without end, and two at once do not spend one code twice', async () => {
    const { codes } = await withFactor();
    const actors = await Promise.all([open(), open()].map(async (session) => halfSignedIn(bed.context, (await session).token)));
    const both = await Promise.all(actors.map((actor) => refusal(giveFactor(bed.context, actor, codes[1]!))));
    expect(both.toSorted()).toEqual(['codeWrong', 'not refused']);
    const guesses: string[] = [];
    for (let count = 0; count < 10; count += 1) guesses.push(await refusal(giveFactor(bed.context, actors[0]!, '123456')));
    expect(guesses.at(-1)).toBe('tooManyTries');
  });

  it('is taken off by its owner with the password, or by a supervisor for a colleague; every session then ends', async () => {
    const { actor, token } = await withFactor();
    const marit = await bed.person('Marit Oyelaran-Voss', 'supervisor');
    const other = await bed.person('Somebody Else');
    expect(await refusal(disableSecondFactorOf(bed.context, other, actor.personId))).toBe('notAllowed');
    await disableSecondFactorOf(bed.context, marit, actor.personId);
    expect(await refusal(actorOfToken(bed.context, token))).toBe('signInNeeded');
    expect((await open()).needsFactor).toBe(false);
    const again = await withFactor();
    await disableSecondFactor(bed.context, again.actor);
    expect((await open()).needsFactor).toBe(false);
    expect(await trailOf('factor.off')).toHaveLength(2);
  });

  it('is asked of everybody where a supervisor says so, and nobody gets round it', async () => {
    const marit = await bed.person('Marit Oyelaran-Voss', 'supervisor');
    const ines = await actorOfToken(bed.context, (await open()).token);
    const rules = { idleMinutes: '60', signInDays: '2', factorRequired: 'on' };
    expect(await refusal(setSignInRules(bed.context, ines, rules))).toBe('notAllowed');
    expect(await refusal(setSignInRules(bed.context, marit, { ...rules, idleMinutes: '4' }))).toBe('invalid');
    const before = await open();
    await setSignInRules(bed.context, marit, rules);
    expect(await refusal(actorOfToken(bed.context, before.token))).toBe('factorNeeded');
    const half = await open();
    expect(await refusal(actorOfToken(bed.context, half.token))).toBe('factorNeeded');
    const actor = await halfSignedIn(bed.context, half.token);
    expect(await refusal(giveFactor(bed.context, actor, '000000'))).toBe('codeWrong');
    const { secret } = await offerFactor(bed.context, actor);
    await enableSecondFactor(bed.context, actor, codeAt(secret, bed.context.now()));
    await actorOfToken(bed.context, half.token);
  });

  it('is asked of everybody where the settings of the installation say so, of sessions that are open, too', async () => {
    const { token } = await open();
    await actorOfToken(bed.context, token);
    const strict = { ...bed.context, house: { ...bed.context.house, factorRequired: true } };
    expect(await refusal(actorOfToken(strict, token))).toBe('factorNeeded');
    expect((await signIn(strict, ACCOUNT)).needsFactor).toBe(true);
    const { token: full } = await withFactor();
    await actorOfToken(strict, full);
  });

  it('is sealed: by another secret, for another purpose, or changed, it opens nothing', () => {
    const sealed = seal('secret', 'second factor', 'words');
    expect(unseal('secret', 'second factor', sealed)).toBe('words');
    const changed = sealed.slice(0, -2) + (sealed.endsWith('AA') ? 'BB' : 'AA');
    for (const [secret, purpose, text] of [
      ['other', 'second factor', sealed],
      ['secret', 'other', sealed],
      ['secret', 'second factor', changed],
    ] as const)
      expect(() => unseal(secret, purpose, text)).toThrow();
  });
});

describe('the account that serves', () => {
  it('reads and writes what the program needs, and neither changes the schema nor takes a row of the trail away', async () => {
    await inTransaction(bed.db, async () => {});
    const [name] = await bed.read<{ name: string }>('SELECT DATABASE() AS name');

    expect(await migrator(bed.db).pending()).toEqual([]);
    await grantToServe(bed.db, `${new URL(process.env.YARD_TEST_RUN_DATABASE!).username}@127.0.0.1`);
    const run = openDatabase(process.env.YARD_TEST_RUN_DATABASE!.replace(/\/yard$/, `/${name!.name}`));
    try {
      const context = { ...bed.context, db: run };
      await signIn(context, ACCOUNT);
      await runDue(context, 'a');
      const refused = async (sql: string) =>
        runSql(run, sql).then(
          () => 'taken',
          (error: Error) => (/denied/.test(error.message) ? 'denied' : error.message),
        );
      for (const sql of [
        'DELETE FROM audit',
        "UPDATE audit SET action = 'yard.viewed'",
        'DELETE FROM audit_drops',
        'INSERT INTO audit_drops (dropped_at, before_at, row_count) VALUES (NOW(), NOW(), 1)',
        'DELETE FROM audit_head',
        'DELETE FROM audit_group_children',
        'CREATE TABLE more (id INT)',
        'ALTER TABLE people ADD COLUMN more INT',
        'DROP TABLE audit',
        'TRUNCATE audit',
        'DELETE FROM schema_migrations',
        'CREATE DATABASE yard_more',
        "GRANT DELETE ON audit TO 'yard_run'@'127.0.0.1'",
      ])
        expect([sql, await refused(sql)]).toEqual([sql, 'denied']);
      expect(await bed.read("SELECT COUNT(*) AS count FROM audit WHERE action = 'signIn.opened'")).toEqual([{ count: 1 }]);
    } finally {
      await run.close();
    }
  });
});

/** What a picture of a code says, read by a library that did not draw it. */
function readQr(svg: string): string {
  const size = Number(svg.match(/viewBox="0 0 (\d+)/)![1]);
  const dark = new Set([...svg.matchAll(/M(\d+),(\d+)h(\d+)v(\d+)h-\d+z/g)].map(([, x, y]) => `${x} ${y}`));
  const scale = size > 200 ? 1 : 4;
  const pixels = new Uint8ClampedArray(size * scale * size * scale * 4).fill(255);
  const unit = Number(svg.match(/h(\d+)v/)![1]);
  for (const place of dark) {
    const [x, y] = place.split(' ').map(Number) as [number, number];
    for (let row = y * scale; row < (y + unit) * scale; row += 1)
      for (let column = x * scale; column < (x + unit) * scale; column += 1)
        pixels.fill(0, (row * size * scale + column) * 4, (row * size * scale + column) * 4 + 3);
  }
  return jsQR(pixels, size * scale, size * scale)?.data ?? '';
}
