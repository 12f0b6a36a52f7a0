import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { createInterface } from 'node:readline';
import { instant, instantAfterDays } from '@/core/calendar';
import { FolderMedia } from '@/outside/folderMedia';
import type { PersonActor } from '@/server/actor';
import { deleteChild } from '@/server/students/deleteChild';
import { exportChild } from '@/server/exchange/exportChild';
import { clipFileForDesk, clipFileForFamily, type ClipFileOut } from '@/server/videos/clipFile';
import { GRACE_MILLISECONDS } from '@/server/videos/storeFile';
import { askBack, changeClip, putClip } from '@/server/videos/putClip';
import { removeClip, takeBackClip } from '@/server/videos/removeClip';
import { sendBack } from '@/server/videos/sendBack';
import { takeClip } from '@/server/videos/takeClip';
import { viewClips } from '@/server/videos/viewClips';
import { sendProgram } from '@/server/programs/sendProgram';
import { viewBuilder } from '@/server/programs/viewBuilder';
import { viewFamily } from '@/server/reports/viewFamily';
import { decide } from '@/server/review/decide';
import { undoDecision } from '@/server/review/undoDecision';
import { viewReview } from '@/server/review/viewReview';
import { newTestBed, refusal, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
beforeEach(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
});
afterEach(() => bed.close());

const file = (name: string) => readFileSync(path.join('tests', 'fixtures', 'clips', name));
const FACTS = {
  hand: 'right',
  mayMirror: true,
  consent: 'nobody',
  consentWords: '',
  keptDays: 90,
  captions: [
    { atSeconds: 0, text: { en: 'Pinch.', es: 'Pellizca.' } },
    { atSeconds: 1.5, text: { en: 'Let go.' } },
  ],
  fromSeconds: 0,
  toSeconds: null,
  isMuted: false,
};
const film = (change: { childId?: number | null; facts?: object; key?: string; files?: Uint8Array[]; by?: PersonActor } = {}) =>
  takeClip(
    bed.context,
    change.by ?? ines,
    {
      childId: change.childId ?? null,
      slug: 'crane-lift',
      step: 2,
      idempotencyKey: change.key ?? randomUUID(),
      facts: { ...FACTS, ...change.facts },
    },
    change.files ?? [file('phone.mov')],
  );
const folderOf = () => path.join(process.env.YARD_TEST_FOLDER!, bed.databaseUrl.split('/').at(-1)!, 'media');
const filesThere = () =>
  (existsSync(folderOf()) ? readdirSync(folderOf(), { recursive: true, withFileTypes: true }) : [])
    .filter((each) => each.isFile())
    .map(({ name }) => name)
    .sort();
const filesNamed = async () =>
  (await bed.read<{ hash: string }>('SELECT DISTINCT hash FROM clip_files ORDER BY hash')).map(({ hash }) => hash);
const lengthOf = async (out: ClipFileOut) => (await new Response(await out.open()).arrayBuffer()).byteLength;
/** Past the moment at which a file may still be on its way, with all that is due by then. */
const later = async () => {
  bed.at(instant(bed.context.now() + GRACE_MILLISECONDS + 2));
  await bed.runJobs();
};

/** What the runner does once a day. */
async function tidy(): Promise<void> {
  await bed.write("INSERT INTO jobs (kind, job_key, payload, created_at, run_after) VALUES ('tidy', UUID(), '{}', NOW(3), '2000-01-01')");
  await bed.runJobs();
}

/** A child with the crane lift, whose family has been sent what hangs on it. */
async function shownTo(clipId: number, change: { asks?: boolean; name?: string } = {}) {
  const childId = await bed.child(ines, { calledName: change.name ?? 'Odalys', hand: 'left', familyLanguage: 'es' });
  await bed.send(ines, childId);
  await putClip(bed.context, ines, { childId, slug: 'crane-lift', clipId, isIn: true });
  if (change.asks) await askBack(bed.context, ines, { childId, slug: 'crane-lift', asks: true });
  const { draft } = await viewBuilder(bed.context, ines, childId);
  await sendProgram(bed.context, ines, { childId, expectedVersion: 1, draft, cautionsRead: true });
  await bed.runJobs();
  return { childId, token: await bed.newestToken(childId), versionTaskId: await bed.versionTaskId(childId, 'crane-lift') };
}

describe('a clip', () => {
  it('is taken in once, gets its small form, and what was cut away is nowhere any more', async () => {
    const key = randomUUID();
    const cut = { fromSeconds: 1.4, toSeconds: 2.6, captions: FACTS.captions.slice(0, 1) };
    const clipId = await film({ key, facts: cut });
    expect(await film({ key, facts: cut })).toBe(clipId);
    expect(await filesThere()).toHaveLength(1);
    await bed.runJobs();
    const { clips } = await viewClips(bed.context, ines, {});
    expect(clips).toHaveLength(1);
    expect(clips[0]).toMatchObject({ form: 'made', fromSeconds: 0, hasSound: true, title: { en: 'Crane lift' }, mayRemove: true });
    expect(clips[0]!.files.map(({ part }) => part)).toEqual(['poster', 'small', 'still1']);
    await later();
    expect(filesThere()).toEqual(await filesNamed());
    expect(filesThere()).toHaveLength(3);
    // A file that is used was never tried to be taken away.
    expect(await bed.read("SELECT id FROM jobs WHERE kind = 'dropMedia' AND attempts > 1")).toEqual([]);
    const small = await clipFileForDesk(bed.context, ines, clipId, 'small');
    expect([small.type, await lengthOf(small)]).toEqual(['video/mp4', small.bytes]);
    expect(await refusal(clipFileForDesk(bed.context, ines, clipId, 'original'))).toBe('notFound');
  });

  it('loses its original though its forms are made late', async () => {
    await film();
    // The runner was away meanwhile: the file's own job and its forms come due together.
    bed.at(instant(bed.context.now() + 10 * GRACE_MILLISECONDS));
    await bed.runJobs();
    await bed.runJobs();
    expect((await viewClips(bed.context, ines, {})).clips[0]!.form).toBe('made');
    expect(filesThere()).toEqual(await filesNamed());
  });

  it('is kept as it came where nothing can make a small form, and says so', async () => {
    const poor = await newTestBed({
      parts: {
        workshop: { ...bed.context.workshop, readClip: (...all) => bed.context.workshop.readClip(...all), makeForms: async () => null },
      },
    });
    const person = await poor.person('Ines Calloway-Brandt');
    await takeClip(poor.context, person, { childId: null, slug: 'crane-lift', step: 1, idempotencyKey: randomUUID(), facts: FACTS }, [
      file('tone.webm'),
    ]);
    await poor.runJobs();
    const { clips } = await viewClips(poor.context, person, {});
    expect(clips[0]).toMatchObject({ form: 'without', files: [{ part: 'original', type: 'video/webm' }] });
    await poor.close();
  });

  it('of still pictures is each of them, without a job', async () => {
    const sharp = (await import('sharp')).default;
    const picture = await sharp({ create: { width: 1200, height: 600, channels: 3, background: '#1f5a4c' } })
      .png()
      .toBuffer();
    await film({ files: [picture, picture], facts: { captions: [] } });
    const { clips } = await viewClips(bed.context, ines, {});
    expect(clips[0]).toMatchObject({ kind: 'pictures', form: 'made', seconds: null });
    expect(clips[0]!.files.map(({ part }) => part)).toEqual(['still1', 'still2']);
    // The same picture twice is one file.
    expect(filesThere()).toHaveLength(1);
  });

  it.each([
    [{ files: [Buffer.from('no clip')] }, 'notAClip'],
    [{ files: [Buffer.from('no'), Buffer.from('pictures')] }, 'notAPicture'],
    [{ files: [file('long.mp4')] }, 'clipTooLong'],
    [{ files: [] }, 'oneClipOrPictures'],
    [{ facts: { consent: 'agreed' } }, 'consentNeeded'],
    [{ facts: { captions: [{ atSeconds: 30, text: { en: 'Late.' } }] } }, 'captionAfterTheEnd'],
    [{ facts: { captions: [FACTS.captions[1], FACTS.captions[0]] } }, 'captionsOutOfOrder'],
  ])('that is not as it should be (%#) is refused, and nothing of it stays', async (change, code) => {
    const fault = await film(change).catch((error: { detail: { issues: { code: string }[] } }) =>
      error.detail.issues.map((issue) => issue.code),
    );
    expect(fault).toEqual([code]);
    await later();
    expect(await bed.read('SELECT id FROM clips')).toEqual([]);
    expect(filesThere()).toEqual([]);
  });

  it('changes its captions and its day, and nothing else', async () => {
    const clipId = await film();
    await changeClip(bed.context, ines, { clipId, captions: [], keptDays: 365 });
    const { clips } = await viewClips(bed.context, ines, {});
    expect(clips[0]).toMatchObject({ captions: [], seconds: expect.any(Number) as number });
    const marit = await bed.person('Marit Oyelaran-Voss');
    expect(await refusal(changeClip(bed.context, marit, { clipId, captions: [], keptDays: null }))).toBe('notAllowed');
  });
});

describe('a family', () => {
  it('is shown what hangs on its task, once that was sent, with captions in its language; another family is not', async () => {
    const clipId = await film();
    await bed.runJobs();
    const own = await shownTo(clipId);
    const { tasks, otherTasks } = await viewFamily(bed.context, own.token);
    const shown = [...tasks, ...otherTasks].find(({ task }) => task.content.slug === 'crane-lift')!.shown;
    expect(shown.map(({ id }) => id)).toEqual([clipId]);
    // What the page is drawn from names no file of the store.
    expect(JSON.stringify(shown)).not.toMatch(/[0-9a-f]{64}/);
    const asked = (token: string, part: string) => clipFileForFamily(bed.context, token, { clipId, part, language: 'es' });
    const small = await asked(own.token, 'small');
    expect(await lengthOf(small)).toBe(small.bytes);
    const vtt = await asked(own.token, 'captions');
    expect(await new Response(await vtt.open()).text()).toContain('Pellizca.');
    const other = await bed.child(ines, { calledName: 'Matteo' });
    await bed.send(ines, other);
    expect(await refusal(asked(await bed.newestToken(other), 'small'))).toBe('notFound');
    for (const part of ['original', '../poster', 'still9', '']) expect(await refusal(asked(own.token, part))).toBe('notFound');
  });

  it('is shown no clip of another child, however it is put', async () => {
    const matteo = await bed.child(ines, { calledName: 'Matteo' });
    await bed.send(ines, matteo);
    const clipId = await film({ childId: matteo });
    const odalys = await bed.child(ines, { calledName: 'Odalys' });
    await bed.send(ines, odalys);
    expect(await refusal(putClip(bed.context, ines, { childId: odalys, slug: 'crane-lift', clipId, isIn: true }))).toBe('notFound');
    const stranger = await bed.person('Marit Oyelaran-Voss');
    expect(await refusal(clipFileForDesk(bed.context, stranger, clipId, 'original'))).toBe('notFound');
    expect(await refusal(removeClip(bed.context, stranger, clipId))).toBe('notFound');
    expect(await refusal(film({ childId: matteo, by: stranger }))).toBe('notFound');
    expect((await viewClips(bed.context, stranger, {})).clips).toEqual([]);
  });

  it('finds room on a task once a clip that hung there was deleted: four at most, of those that there are', async () => {
    const childId = await bed.child(ines);
    await bed.send(ines, childId);
    const put = (clipId: number) => refusal(putClip(bed.context, ines, { childId, slug: 'crane-lift', clipId, isIn: true }));
    const clips: number[] = [];
    for (let index = 0; index < 5; index += 1) clips.push(await film());
    for (const clipId of clips.slice(0, 4)) expect(await put(clipId)).toBe('not refused');
    expect(await put(clips[4]!)).toBe('invalid');
    await removeClip(bed.context, ines, clips[0]!);
    expect(await put(clips[4]!)).toBe('not refused');
  });

  it('has nothing left of it once it is taken away, nor when its day is over; neither has the store', async () => {
    const [first, second] = [await film(), await film({ facts: { isMuted: true, keptDays: 30 } })];
    const own = await shownTo(first);
    const asked = (clipId: number) => refusal(clipFileForFamily(bed.context, own.token, { clipId, part: 'small', language: 'en' }));
    expect(await asked(first)).toBe('not refused');
    await removeClip(bed.context, ines, first);
    expect(await asked(first)).toBe('notFound');
    await later();
    expect(filesThere()).toEqual(await filesNamed());
    bed.passDays(30);
    await tidy();
    // Its last day is its own.
    expect((await viewClips(bed.context, ines, {})).clips.map(({ id }) => id)).toEqual([second]);
    bed.passDays(1);
    expect((await viewClips(bed.context, ines, {})).clips).toEqual([]);
    await tidy();
    await later();
    expect(filesThere()).toEqual([]);
    expect(await bed.read('SELECT hash FROM media')).toEqual([]);
  });

  it('shows how it goes where it was asked, with its word that all agree; Rounds has it till somebody looked', async () => {
    const own = await shownTo(await film(), { asks: true });
    const given = { versionTaskId: own.versionTaskId, step: 3, idempotencyKey: randomUUID(), agreed: 'yes', saidBy: 'Grandma' };
    expect(await refusal(sendBack(bed.context, own.token, { ...given, agreed: '' }, file('tone.webm')))).toBe('invalid');
    await sendBack(bed.context, own.token, given, file('tone.webm'));
    await sendBack(bed.context, own.token, given, file('tone.webm'));
    const open = async () => (await viewReview(bed.context, ines, null)).open.filter(({ kind }) => kind === 'sentBack');
    const [card] = await open();
    expect(card).toMatchObject({ childId: own.childId, clipIds: [expect.any(Number)] });
    const { here } = await viewReview(bed.context, ines, card!.key);
    expect(here!.clips).toMatchObject([{ saidBy: 'Grandma', step: 3, consent: 'agreed' }]);
    // It is no report.
    expect(await bed.read('SELECT id FROM reports')).toEqual([]);
    const { decisionId } = await decide(bed.context, ines, { childId: own.childId, key: card!.key, answer: 'read', expectedVersion: 2 });
    expect(await open()).toEqual([]);
    await undoDecision(bed.context, ines, decisionId);
    expect(await open()).toHaveLength(1);
    const [sent] = await bed.read<{ id: number }>("SELECT id FROM clips WHERE origin = 'sentBack'");
    const other = await shownTo(await film({ facts: { isMuted: true } }), { name: 'Matteo' });
    const [shown] = await bed.read<{ id: number }>("SELECT id FROM clips WHERE origin = 'shown'");
    expect(await refusal(takeBackClip(bed.context, own.token, shown!.id))).toBe('notFound');
    expect(await refusal(takeBackClip(bed.context, other.token, sent!.id))).toBe('notFound');
    // Nobody asks any more: the family still finds what it sent, to take it back.
    await bed.write("UPDATE version_tasks SET choices = JSON_REMOVE(choices, '$.asksBack') WHERE id = :id", { id: own.versionTaskId });
    const day = await viewFamily(bed.context, own.token);
    expect([...day.tasks, ...day.otherTasks].flatMap(({ sentBack }) => sentBack.map(({ id }) => id))).toEqual([sent!.id]);
    await takeBackClip(bed.context, own.token, sent!.id);
    expect(await open()).toEqual([]);
    expect(await refusal(takeBackClip(bed.context, own.token, sent!.id))).toBe('notFound');
  });

  it('is refused where nobody asked, where the task is closed, and after six in a day', async () => {
    const quiet = await shownTo(await film());
    const send = (own: { token: string; versionTaskId: number }, key = randomUUID() as string) =>
      refusal(
        sendBack(
          bed.context,
          own.token,
          { versionTaskId: own.versionTaskId, step: 2, idempotencyKey: key, agreed: 'yes' },
          file('tone.webm'),
        ),
      );
    expect(await send(quiet)).toBe('notFound');
    const own = await shownTo(await film(), { asks: true, name: 'Matteo' });
    expect(await send({ ...own, versionTaskId: quiet.versionTaskId })).toBe('notFound');
    for (let index = 0; index < 6; index += 1) expect(await send(own)).toBe('not refused');
    expect(await send(own)).toBe('tooManyReports');
    bed.passDays(2);
    expect(await send(own)).toBe('not refused');
    // Files that are none are counted, too: no family keeps the reader busy all day.
    const junk = () =>
      refusal(
        sendBack(
          bed.context,
          own.token,
          { versionTaskId: own.versionTaskId, step: 2, idempotencyKey: randomUUID(), agreed: 'yes' },
          Buffer.from('none'),
        ),
      );
    for (let index = 0; index < 19; index += 1) expect(await junk()).toBe('invalid');
    expect(await junk()).toBe('tooManyReports');
    await bed.report(own.childId, { idempotencyKey: randomUUID(), versionTaskId: own.versionTaskId, hurt: 'on', words: 'it hurt' });
    expect(await send(own)).toBe('notFound');
  }, 60_000);

  it('that is deleted takes its clips along; an export names what there was', async () => {
    const own = await shownTo(await film({ childId: null }), { asks: true });
    await film({ childId: own.childId, facts: { isMuted: true } });
    const exported = await exportChild(bed.context, ines, own.childId);
    expect(exported.clips).toHaveLength(1);
    await bed.runJobs();
    await deleteChild(bed.context, ines, own.childId, 'Odalys V.');
    await later();
    await later();
    expect(await bed.read('SELECT child_id FROM clips')).toEqual([{ child_id: null }]);
    expect(filesThere()).toEqual(await filesNamed());
  });
});

describe('a crash between file, row and job leaves nothing lying', () => {
  it.each(['before the file', 'after the file'] as const)('%s was written', async (when) => {
    const media = bed.context.media as FolderMedia;
    const put = media.put.bind(media);
    let calls = 0;
    media.put = async (bytes) => {
      calls += 1;
      if (calls === 1 && when === 'before the file') throw new Error('the machine went');
      const name = await put(bytes);
      if (calls === 1) throw new Error('the machine went');
      return name;
    };
    await expect(film()).rejects.toThrow('the machine went');
    expect(filesThere()).toHaveLength(when === 'after the file' ? 1 : 0);
    await later();
    expect(filesThere()).toEqual([]);
    expect(await bed.read('SELECT hash FROM media')).toEqual([]);
    // The same one is taken in afterwards, and stays.
    await film();
    await later();
    expect(filesThere()).toEqual(await filesNamed());
    expect(filesThere().length).toBeGreaterThan(0);
  });

  it('while its small form is made: it is made once more, and the half of it goes', async () => {
    await film();
    const media = bed.context.media as FolderMedia;
    const put = media.put.bind(media);
    let calls = 0;
    media.put = async (bytes) => {
      calls += 1;
      if (calls === 3) throw new Error('the machine went');
      return put(bytes);
    };
    await bed.runJobs();
    bed.passDays(1);
    await bed.runJobs();
    await later();
    expect((await viewClips(bed.context, ines, {})).clips[0]!.form).toBe('made');
    expect(filesThere()).toEqual(await filesNamed());
  });

  it('while a file is taken away: it goes the next time', async () => {
    const clipId = await film();
    await later();
    // Its forms were made a moment ago: they are no longer fresh then.
    await later();
    const media = bed.context.media as FolderMedia;
    const drop = media.drop.bind(media);
    let calls = 0;
    media.drop = async (name) => {
      calls += 1;
      if (calls <= 2) throw new Error('the machine went');
      await drop(name);
    };
    await removeClip(bed.context, ines, clipId);
    await bed.runJobs();
    expect(filesThere().length).toBeGreaterThan(0);
    bed.at(instantAfterDays(bed.context.now(), 2));
    await bed.runJobs();
    expect(filesThere()).toEqual([]);
  });

  it('by kill -9, at any line, three times over', async () => {
    const folder = path.dirname(folderOf());
    for (let kill = 0; kill < 3; kill += 1) {
      const words = [
        'scripts/run.mjs',
        'tests/fixtures/filming.ts',
        bed.databaseUrl,
        folder,
        String(ines.personId),
        String(bed.context.now()),
      ];
      const filming = spawn(process.execPath, words, { stdio: ['ignore', 'pipe', 'inherit'] });
      const lines = createInterface({ input: filming.stdout });
      // Somewhere after so many whole ones: another line of the program each time.
      await new Promise<void>((resolve) => {
        lines.on('line', (line) => {
          if (Number(line) >= 1 + kill) resolve();
        });
      });
      const ended = once(filming, 'exit');
      filming.kill('SIGKILL');
      await ended;
    }
    // Leases run out, and every file's own job comes due.
    for (let day = 0; day < 3; day += 1) {
      bed.passDays(1);
      await bed.runJobs();
    }
    expect((await bed.read('SELECT id FROM clips')).length).toBeGreaterThan(2);
    expect(filesThere()).toEqual(await filesNamed());
    expect(await bed.read('SELECT m.hash FROM media m LEFT JOIN clip_files f ON f.hash = m.hash WHERE f.id IS NULL')).toEqual([]);
    expect(await bed.read('SELECT DISTINCT form FROM clips')).toEqual([{ form: 'made' }]);
  }, 120_000);
});
