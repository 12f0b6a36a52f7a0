import path from 'node:path';
import type { Page } from '@playwright/test';
import { accessibilityFindings, ask, beginAnew, expect, linkOf, newPage, openCard, served, signIn, test } from './app';

const fixture = (name: string) => path.join('tests', 'fixtures', 'clips', name);

/** A family of the demo that has been sent a clip of the crane lift. */
async function shown(): Promise<{ name: string; link: string; taskId: number; clipId: number }> {
  const [row] = await ask<{ name: string; initial: string }>(
    `SELECT c.called_name AS name, c.initial FROM version_tasks t
     JOIN program_versions v ON v.id = t.program_version_id JOIN programs p ON p.id = v.program_id AND v.number = p.current_version
     JOIN children c ON c.id = p.child_id JOIN tasks k ON k.id = t.task_id
     WHERE JSON_EXTRACT(t.choices, '$.clips[0]') IS NOT NULL AND k.slug = 'crane-lift' AND c.hand = 'left' ORDER BY c.id DESC`,
  );
  const name = `${row!.name} ${row!.initial}.`;
  const childId = await beginAnew(name);
  const [task] = await ask<{ id: number; clipId: number }>(
    `SELECT t.id, JSON_EXTRACT(t.choices, '$.clips[0]') AS clipId FROM version_tasks t JOIN program_versions v ON v.id = t.program_version_id
     JOIN programs p ON p.id = v.program_id WHERE p.child_id = ? AND JSON_EXTRACT(t.choices, '$.clips') IS NOT NULL`,
    [childId],
  );
  // The runner makes small forms once the stack is up.
  await expect.poll(async () => (await ask<{ form: string }>('SELECT form FROM clips WHERE id = ?', [task!.clipId]))[0]!.form).toBe('made');
  return { name, link: linkOf(name).split('?')[0]!, taskId: task!.id, clipId: Number(task!.clipId) };
}

const playing = (page: Page) =>
  page.evaluate(() => {
    const video = document.querySelector('video')!;
    return {
      at: video.currentTime,
      transform: getComputedStyle(video).transform,
      said: document.querySelector('.shown-says')!.textContent,
    };
  });

test.describe('a clip that a therapist films', () => {
  test('is counted in, recorded, trimmed by keys, captioned from the step, kept, and hung on the program', async ({ page }) => {
    test.setTimeout(60_000);
    await signIn(page);
    const [own] = await ask<{ id: number }>(
      `SELECT p.child_id AS id FROM version_tasks t JOIN program_versions v ON v.id = t.program_version_id JOIN programs p ON p.id = v.program_id AND v.number = p.current_version
       JOIN tasks k ON k.id = t.task_id WHERE k.slug = 'crane-lift' ORDER BY p.child_id DESC LIMIT 1`,
    );
    await page.goto(`/videos?task=crane-lift&child=${own!.id}`);
    await page.keyboard.press('f');
    await page.getByRole('button', { name: /Start after a countdown/ }).waitFor();
    await page.keyboard.press('r');
    await expect(page.getByText('3', { exact: true })).toBeVisible();
    const end = page.getByRole('button', { name: /^End/ });
    await expect(page.getByRole('timer')).toHaveText('2 of 60 s', { timeout: 15_000 });
    await end.click();
    const span = page.getByText(/^0\.0 to \d+\.\d s/);
    await expect(span).toBeVisible();
    const lengthOf = async () => Number(/: (\d+\.\d) s of/.exec((await page.getByText(/ s of \d/).textContent())!)![1]);
    await expect.poll(lengthOf).toBeGreaterThan(1.9);
    const whole = await lengthOf();
    await page.getByRole('slider').first().focus();
    for (let key = 0; key < 5; key += 1) await page.keyboard.press('ArrowRight');
    await page.getByRole('slider').last().focus();
    for (let key = 0; key < 5; key += 1) await page.keyboard.press('ArrowLeft');
    expect(await lengthOf()).toBeCloseTo(whole - 1, 1);
    await page.getByRole('button', { name: 'Use the step’s instructions' }).click();
    const first = await page.getByLabel('Your new video').getByLabel('caption 1, English').inputValue();
    expect(first).not.toBe('');
    expect(await accessibilityFindings(page)).toEqual([]);
    await page.getByRole('button', { name: /^Save/ }).click();
    await expect(page.getByText('Saved.')).toBeVisible({ timeout: 15_000 });
    const [clip] = await ask<{ id: number; seconds: number }>(
      "SELECT id, seconds FROM clips WHERE origin = 'shown' ORDER BY id DESC LIMIT 1",
    );
    expect(clip!.seconds).toBeCloseTo(whole - 1, 1);
    const card = page.locator(`#clip-${clip!.id}`);
    await expect(card).toContainText(first);
    await card.getByRole('button', { name: /^Show it to/ }).click();
    await expect(card.getByText('The family gets it when you send the program.')).toBeVisible();
    await page.goto(`/students/${own!.id}/program`);
    await expect(page.getByText('Crane lift').first()).toBeVisible();
    await page.goto(`/videos?task=crane-lift&child=${own!.id}`);
    await card.getByRole('button', { name: 'delete' }).click();
    await card.getByRole('button', { name: 'Delete the video' }).click();
    await expect.poll(async () => (await ask('SELECT id FROM clips WHERE id = ?', [clip!.id])).length).toBe(0);
    const gone = await page.request.get(`/videos/${clip!.id}/small`);
    expect(gone.status()).toBe(404);
  });

  test('from a file that is none says so, and what was chosen is still there', async ({ page }) => {
    await signIn(page);
    await page.goto('/videos?task=crane-lift');
    await page
      .getByLabel('Or choose a video or photos')
      .setInputFiles({ name: 'clip.mp4', mimeType: 'video/mp4', buffer: Buffer.from('none') });
    await page.getByRole('button', { name: /^Save/ }).click();
    await expect(page.getByRole('alert').filter({ hasText: 'cannot be read as a video or picture' })).toBeVisible();
    await expect(page.getByRole('button', { name: /^Save/ })).toBeEnabled();
  });
});

test.describe('a family that is shown a clip', () => {
  test('loads next to nothing before it touches it, sees it for its own hand with its words, and has it without network', async ({
    browser,
  }) => {
    test.setTimeout(60_000);
    const { link, taskId, clipId } = await shown();
    const page = await newPage(browser, { viewport: { width: 390, height: 844 }, serviceWorkers: 'allow' });
    const bytes: number[] = [];
    const asked: string[] = [];
    page.on('response', (response) => {
      if (!response.url().includes('/shown/')) return;
      asked.push(response.url());
      bytes.push(Number(response.headers()['content-length'] ?? 0));
    });
    await page.goto(`${link}?lang=es`);
    // The worker of the link is what keeps it afterwards.
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await page.goto(`${link}/task/${taskId}?lang=es#look`);
    const box = page.locator(`[data-clip="${clipId}"]`);
    await expect(box.locator('summary')).toContainText(/Fotos: 2, \d+ kB · video de 8 s, \d+ kB/);
    const weight = (await box.evaluate((each) => each.outerHTML.length)) + bytes.reduce((sum, each) => sum + each, 0);
    expect(weight).toBeLessThanOrEqual(20_000);
    expect(asked.filter((url) => /still|small|poster/.test(url))).toEqual([]);
    await box.locator('summary').click();
    await expect(box.locator('img').first()).toBeVisible();
    await expect
      .poll(() =>
        box
          .locator('img')
          .first()
          .evaluate((image) => (image as HTMLImageElement).naturalWidth),
      )
      .toBeGreaterThan(100);
    expect(asked.filter((url) => url.includes('small'))).toEqual([]);
    await expect(page.locator('video')).toBeHidden();
    expect(await accessibilityFindings(page)).toEqual([]);
    await page.getByRole('button', { name: /Ver el video/ }).click();
    await expect.poll(async () => (await playing(page)).at).toBeGreaterThan(0.5);
    const now = await playing(page);
    // A left hand sees what was filmed with the right one turned over.
    expect(now.transform).toBe('matrix(-1, 0, 0, 1, 0, 0)');
    expect(now.said).toBe('Aprieta las tenazas en una carga.');
    await page.getByRole('button', { name: 'Ver al revés (como en un espejo)' }).click();
    expect((await playing(page)).transform).toBe('none');
    await page.context().setOffline(true);
    await page.reload();
    await box.locator('summary').click();
    await page.getByRole('button', { name: /Ver el video/ }).click();
    await expect.poll(async () => (await playing(page)).at).toBeGreaterThan(0.3);
    await page.context().setOffline(false);
    await page.context().close();
  });

  test('without scripts has the pictures and a player of the browser’s own, with captions that it can read', async ({ browser }) => {
    const { link, taskId, clipId } = await shown();
    const page = await newPage(browser, { javaScriptEnabled: false, viewport: { width: 390, height: 844 } });
    await page.goto(`${link}/task/${taskId}?lang=en`);
    const box = page.locator(`[data-clip="${clipId}"]`);
    await box.locator('summary').click();
    await expect(box.locator('video[controls]')).toBeVisible();
    await expect(box.locator('track')).toHaveAttribute('srclang', 'en');
    await page.context().close();
    const reader = await newPage(browser);
    await reader.goto(`${link}?lang=en`);
    const cues = await reader.evaluate(async (address) => {
      const video = document.createElement('video');
      const track = Object.assign(document.createElement('track'), { kind: 'captions', src: address, default: true });
      video.append(track);
      document.body.append(video);
      await new Promise((resolve, reject) => {
        track.addEventListener('load', resolve);
        track.addEventListener('error', () => reject(new Error('not read')));
        track.track.mode = 'hidden';
      });
      return Array.from(track.track.cues!, (cue) => [cue.startTime, (cue as VTTCue).text]);
    }, `${link}/shown/${clipId}/captions?lang=en`);
    expect(cues).toHaveLength(2);
    expect(cues[0]).toEqual([0, 'Squeeze the tongs on one load.']);
    await reader.context().close();
  });

  test('gets parts as it asks for them, nobody else anything, and nothing on the way keeps it', async ({ request }) => {
    const { link, clipId, name } = await shown();
    const address = `${link}/shown/${clipId}/small`;
    const whole = await request.get(address);
    expect(whole.status()).toBe(200);
    expect(whole.headers()).toMatchObject({ 'cache-control': 'no-store', 'accept-ranges': 'bytes', 'content-type': 'video/mp4' });
    const body = await whole.body();
    expect(whole.headers()['content-length']).toBe(String(body.length));
    expect((await request.head(address)).headers()['content-length']).toBe(String(body.length));
    const part = async (range: string) => {
      const answer = await request.get(address, { headers: { range } });
      return { status: answer.status(), range: answer.headers()['content-range'], body: await answer.body() };
    };
    expect(await part('bytes=10-19')).toEqual({ status: 206, range: `bytes 10-19/${body.length}`, body: body.subarray(10, 20) });
    expect(await part('bytes=-5')).toMatchObject({ status: 206, body: body.subarray(-5) });
    expect(await part(`bytes=${body.length - 3}-`)).toMatchObject({ status: 206, body: body.subarray(-3) });
    expect(await part(`bytes=${body.length}-`)).toMatchObject({ status: 416, range: `bytes */${body.length}` });
    for (const odd of ['bytes=x', 'lines=1-2', 'bytes=0-1,5-6']) expect((await part(odd)).status).toBe(200);
    const huge = await request.post(`${link}/send-back`, { data: Buffer.alloc(25 * 1024 * 1024) }).then(
      (answer) => answer.status(),
      () => 'cut off',
    );
    expect([413, 'cut off']).toContain(huge);
    const others = served().families.filter(({ child }) => child !== name);
    const without = others.at(-1)!.link.split('?')[0]!;
    expect((await request.get(`${without}/shown/${clipId}/small`)).status()).toBe(404);
    expect((await request.get(`${served().url}/videos/${clipId}/small`, { maxRedirects: 0 })).status()).toBe(307);
  });
});

test('a family shows how it goes: told first, refused with words, seen in Rounds, taken back', async ({ page, browser }) => {
  test.setTimeout(60_000);
  const { name, link, taskId } = await shown();
  await ask("UPDATE version_tasks SET choices = JSON_SET(choices, '$.asksBack', TRUE) WHERE id = ?", [taskId]);
  const phone = await newPage(browser, { viewport: { width: 390, height: 844 } });
  await phone.goto(`${link}/show-back/${taskId}?lang=en`);
  await expect(phone.getByText(/It is deleted automatically after 30 days/)).toBeVisible();
  expect(await accessibilityFindings(phone)).toEqual([]);
  await phone.getByLabel(/Clip or picture/).setInputFiles({ name: 'x.mp4', mimeType: 'video/mp4', buffer: Buffer.from('none') });
  await phone.getByLabel(/Everyone who can be seen/).check();
  await phone.getByRole('button', { name: 'Send it' }).click();
  await expect(phone.getByRole('alert')).toContainText('cannot read this as a video or picture');
  await phone.getByRole('link', { name: 'Try again' }).click();
  await phone.getByLabel(/Clip or picture/).setInputFiles(fixture('tone.webm'));
  await phone.getByLabel(/Everyone who can be seen/).check();
  await phone.getByRole('button', { name: 'Send it' }).click();
  await expect(phone.getByRole('status')).toHaveText('It is there. Thank you.');
  await signIn(page);
  await openCard(page, `${name}: sent a video or picture`);
  await expect(page.getByLabel('Evidence').locator('video').first()).toBeVisible();
  await phone.getByRole('button', { name: 'Delete it' }).first().click();
  await expect(phone.getByRole('status')).toHaveText('It was deleted.');
  await ask("UPDATE version_tasks SET choices = JSON_REMOVE(choices, '$.asksBack') WHERE id = ?", [taskId]);
  await phone.context().close();
});
