import { randomUUID } from 'node:crypto';
import { type APIRequestContext } from '@playwright/test';
import { expect, test, ask, beginAnew, childIdOf, linkOf, reportCount } from './app';

const CHILD = 'Delphine R.';

async function anyTask(): Promise<string> {
  const [task] = await ask<{ id: number }>(
    `SELECT t.id FROM version_tasks t JOIN program_versions v ON v.id = t.program_version_id JOIN programs p ON p.id = v.program_id
     WHERE p.child_id = ? AND v.number = p.current_version LIMIT 1`,
    [await childIdOf(CHILD)],
  );
  return String(task!.id);
}

function send(request: APIRequestContext, form: Record<string, string>, accept = 'text/html') {
  return request.post(`${linkOf(CHILD)}/report`, { form, headers: { accept }, maxRedirects: 0 });
}

test.describe('the intake of reports over HTTP', () => {
  test.beforeEach(async () => {
    await beginAnew(CHILD);
  });

  test('answers a form with the way back and a script with JSON; the same key makes one report', async ({ request }) => {
    const before = await reportCount(CHILD);
    const form = { idempotencyKey: randomUUID(), versionTaskId: await anyTask(), done: 'yes', amount: '3', lang: 'es' };
    const first = await send(request, form);
    expect(first.status()).toBe(303);
    expect(first.headers().location).toMatch(/^\/f\/[^?]+\?said=saved&lang=es$/);
    const again = await send(request, form, 'application/json');
    expect(again.status()).toBe(200);
    expect(((await again.json()) as { next: string }).next).toContain('said=repeated');
    expect(await reportCount(CHILD)).toBe(before + 1);
  });

  test('takes a form that is not URL-encoded by its other way', async ({ request }) => {
    const before = await reportCount(CHILD);
    const answer = await request.post(`${linkOf(CHILD)}/report`, {
      multipart: { idempotencyKey: randomUUID(), versionTaskId: await anyTask(), done: 'yes', amount: '2' },
      maxRedirects: 0,
    });
    expect(answer.status()).toBe(303);
    expect(await reportCount(CHILD)).toBe(before + 1);
  });

  test('refuses what is wrong with its status and its words, and writes nothing', async ({ request }) => {
    const before = await reportCount(CHILD);
    const versionTaskId = await anyTask();
    const cases: [Record<string, string>, number, RegExp][] = [
      [{ idempotencyKey: randomUUID(), versionTaskId, amount: '-1' }, 422, /-1 is less than 0/],
      [{ idempotencyKey: randomUUID(), versionTaskId, amount: '10000' }, 422, /more than 500/],
      [{ idempotencyKey: randomUUID(), versionTaskId, doneOn: '2999-01-01' }, 422, /has not come yet|is not a date/],
      [{ idempotencyKey: randomUUID(), versionTaskId: '999999999' }, 404, /nothing here/],
      [{ idempotencyKey: 'none', versionTaskId }, 422, /not right yet/],
      [{}, 422, /not right yet/],
    ];
    for (const [form, status, words] of cases) {
      const answer = await send(request, form);
      expect([form, answer.status()]).toEqual([form, status]);
      expect(await answer.text()).toMatch(words);
    }
    expect(await reportCount(CHILD)).toBe(before);
  });

  test('answers a made-up link with 404, and a body larger than any report with 413', async ({ request, baseURL }) => {
    const madeUp = await request.post(`${baseURL}/f/${'z'.repeat(32)}/report`, {
      form: { idempotencyKey: randomUUID(), versionTaskId: '1' },
    });
    expect(madeUp.status()).toBe(404);
    const huge = await send(request, { idempotencyKey: randomUUID(), versionTaskId: '1', words: 'x'.repeat(200_000) }).catch(() => null);
    // The line is closed while the body is still on its way, so the answer may not be read any more.
    expect(huge?.status() ?? 413).toBe(413);
    expect((await request.get('/api/health')).status()).toBe(200);
  });

  test('sends no referrer from a family’s page and lets nobody frame it', async ({ request }) => {
    const headers = (await request.get(linkOf(CHILD))).headers();
    expect(headers['referrer-policy']).toBe('no-referrer');
    expect(headers['x-frame-options']).toBe('DENY');
    expect(headers['x-robots-tag']).toBe('noindex');
    expect(headers['content-security-policy']).toContain("frame-ancestors 'none'");
  });
});
