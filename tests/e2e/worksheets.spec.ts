import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { pathsOn, readPdf } from './readPdf';
import { accessibilityFindings, ask, beginAnew, childIdOf, expect, linkOf, signIn, test } from './app';

const POINTS_PER_MM = 72 / 25.4;
type Line = { readonly from: readonly [number, number]; readonly to: readonly [number, number]; readonly mm: number };

/** Every straight stroke of a page, in mm: read from its drawing by a reader that knows nothing of ours. */
async function linesOn(page: Awaited<ReturnType<typeof readPdf>>['pages'][number]['page']): Promise<Line[]> {
  const lines: Line[] = [];
  for (const { numbers, place } of await pathsOn(page)) {
    const inMm = (x: number, y: number) => place(x, y).map((points) => points / POINTS_PER_MM) as unknown as readonly [number, number];
    let at: readonly [number, number] = [0, 0];
    for (let here = 0; here < numbers.length;) {
      const kind = numbers[here]!;
      const to = kind === 2 ? inMm(numbers[here + 5]!, numbers[here + 6]!) : kind === 4 ? at : inMm(numbers[here + 1]!, numbers[here + 2]!);
      if (kind === 1) lines.push({ from: at, to, mm: Math.hypot(to[0] - at[0], to[1] - at[1]) });
      at = to;
      here += kind === 2 ? 7 : kind === 4 ? 1 : 3;
    }
  }
  return lines;
}

async function printed(page: Page, options: object): Promise<Line[]> {
  const answer = await page.request.get(`/worksheets/file?${new URLSearchParams(options as Record<string, string>)}`);
  expect(answer.headers()['content-type']).toBe('application/pdf');
  const { pages, isTagged } = await readPdf(await answer.body());
  expect(isTagged).toBe(true);
  return linesOn(pages[0]!.page);
}

const near = (lines: readonly Line[], mm: number) => lines.filter((line) => Math.abs(line.mm - mm) < 0.5);

test('a sheet on paper is true to half a millimeter: check lines, lengths and widths, on both papers', async ({ page }) => {
  await signIn(page);
  for (const size of ['letter', 'a4']) {
    const planks = await printed(page, { slug: 'cut-the-planks', step: '5', size });
    expect(near(planks, 50).length).toBeGreaterThan(0);
    expect(near(planks, 50.8).length).toBeGreaterThan(0);
    // Four planks of 150 mm with two edges each, and a middle: 6 mm lie between the edges.
    const long = near(planks, 150);
    expect(long).toHaveLength(12);
    const heights = long.map(({ from }) => from[1]).sort((one, other) => one - other);
    expect(Math.abs(heights[2]! - heights[0]! - 6)).toBeLessThan(0.5);
    const snips = await printed(page, { slug: 'broom-fringe', step: '5', size });
    const marks = snips
      .filter(({ from, to, mm }) => Math.abs(from[0] - to[0]) < 0.01 && Math.abs(mm - 30) < 0.5)
      .map(({ from }) => from[0]);
    const apart = [...new Set(marks.map((x) => Math.round(x * 100)))].sort((one, other) => one - other);
    expect(Math.abs((apart[1]! - apart[0]!) / 100 - 25)).toBeLessThan(0.5);
    const planksAgain = await page.request.get(`/worksheets/file?slug=cut-the-planks&step=5&size=${size}`);
    const same = await page.request.get(`/worksheets/file?slug=cut-the-planks&step=5&size=${size}`);
    expect(Buffer.compare(await planksAgain.body(), await same.body())).toBe(0);
  }
});

test('the Sheet maker by keys: a handle is turned, harder and easier are solved for, undone, put into a child’s step and printed', async ({
  page,
  request,
}) => {
  const childId = await beginAnew('Kasimir D.');
  const [placed] = await ask<{ slug: string; step: number }>(
    `SELECT JSON_VALUE(k.content, '$.slug') AS slug, t.step FROM version_tasks t JOIN program_versions v ON v.id = t.program_version_id
     JOIN programs p ON p.id = v.program_id AND p.current_version = v.number JOIN task_versions k ON k.id = t.task_version_id
     WHERE p.child_id = ? AND JSON_VALUE(k.content, '$.slug') = 'cut-the-planks'`,
    [childId],
  );
  await signIn(page);
  await page.goto('/review');
  await page.keyboard.press('7');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Worksheets');
  await page.goto(`/worksheets?task=${placed!.slug}&step=${placed!.step}&child=${childId}`);
  await expect(page.getByText('for Kasimir D.')).toBeVisible();
  const hard = page.getByRole('heading', { level: 2 }).filter({ hasText: 'times as long as wide (path difficulty)' });
  const number = async () => Number(/^([\d.]+)/.exec((await hard.textContent())!)![1]);
  const before = await number();
  const handle = page.getByRole('slider', { name: 'width', exact: true }).and(page.locator('rect'));
  await handle.focus();
  const wide = async () => Number(await handle.getAttribute('aria-valuenow'));
  const was = await wide();
  await page.keyboard.press('ArrowLeft');
  await expect.poll(wide).toBeCloseTo(was - 1, 6);
  await page.keyboard.press('Shift+ArrowLeft');
  await expect.poll(wide).toBeCloseTo(was - 1.1, 6);
  await expect(page.getByText(/The grading of step \d+ gives a width of/)).toBeVisible();
  await page.locator('h1').click();
  await page.keyboard.press('z');
  await page.keyboard.press('z');
  await expect.poll(wide).toBe(was);
  await expect(page.getByText('Worksheet and step match.')).toBeVisible();
  // Ten per cent harder, by the geometry that is drawn.
  await page.keyboard.press('h');
  await expect.poll(async () => Math.abs((await number()) / before - 1.1)).toBeLessThan(0.02);
  await page.keyboard.press('e');
  await page.keyboard.press('a');
  await expect(page.getByText('A4, black ink')).toBeVisible();
  await page.keyboard.press('s');
  await expect(page.getByText(`Saved to step ${placed!.step} of the draft program for Kasimir D.`)).toBeVisible();
  const [draft] = await ask<{ content: string }>('SELECT content FROM program_drafts WHERE child_id = ?', [childId]);
  expect(JSON.stringify(draft)).toContain('sheets');
  // What stands in the maker is what is printed, in a window of its own.
  const [answer] = await Promise.all([
    page.context().waitForEvent('response', (each) => each.url().endsWith('/worksheets/file')),
    page.keyboard.press('p'),
  ]);
  expect(answer.status()).toBe(200);
  expect(answer.headers()['content-type']).toBe('application/pdf');
  await ask('DELETE FROM program_drafts WHERE child_id = ?', [childId]);
  // The family prints the sheet of its own step; another family's is not there.
  const family = await request.get(`${linkOf('Kasimir D.')}?lang=en`);
  const tasks = [...(await family.text()).matchAll(/\/task\/(\d+)/g)].map(([, id]) => id);
  const statuses = await Promise.all(
    tasks.map(async (id) => (await request.get(`${linkOf('Kasimir D.').split('?')[0]}/sheet/${id}?step=${placed!.step}`)).status()),
  );
  expect(statuses).toContain(200);
  const other = await request.get(`${linkOf('Bram T.').split('?')[0]}/sheet/${tasks[0]}?step=1`);
  expect([404, 410]).toContain(other.status());
});

test('an outline of one’s own: drawn with the pointer, read from a file, and refused with its reason', async ({ page }) => {
  await signIn(page);
  await page.goto('/worksheets?task=cut-the-planks&step=4');
  await page.getByText('Use your own outline').click();
  const board = page.getByRole('img', { name: 'Area to draw an outline with the pointer' });
  const box = (await board.boundingBox())!;
  const draw = async (places: readonly (readonly [number, number])[]) => {
    const at = ([x, y]: readonly [number, number]) => [box.x + x * box.width, box.y + y * box.height] as const;
    await page.mouse.move(...at(places[0]!));
    await page.mouse.down();
    for (const place of places.slice(1)) await page.mouse.move(...at(place), { steps: 6 });
    await page.mouse.up();
  };
  await board.scrollIntoViewIfNeeded();
  Object.assign(box, await board.boundingBox());
  await draw([
    [0.2, 0.2],
    [0.8, 0.2],
    [0.8, 0.8],
    [0.2, 0.8],
    [0.2, 0.21],
  ]);
  const sheet = page.getByRole('group', { name: /as printed/ });
  const edges = () => sheet.locator('path').evaluateAll((paths) => paths.map((path) => path.getAttribute('d')!.length));
  await expect.poll(async () => (await page.getByRole('heading', { level: 2 }).first().textContent())!).toMatch(/^40|^39|^41/);
  expect((await edges()).length).toBeGreaterThan(3);
  await draw([
    [0.1, 0.1],
    [0.9, 0.9],
    [0.9, 0.1],
    [0.1, 0.9],
  ]);
  await expect(page.getByText(/It crosses itself at/)).toBeVisible();
  const file = page.getByLabel(/Or an SVG file with one path/);
  const give = (inside: string) =>
    file.setInputFiles({
      name: 'own.svg',
      mimeType: 'image/svg+xml',
      buffer: Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg">${inside}</svg>`),
    });
  await give('<script>window.bad = 1</script><path d="M0 0L9 9"/>');
  await expect(page.getByText('Only paths are taken: “script” is not allowed. Remove it.')).toBeVisible();
  expect(await page.evaluate(() => 'bad' in window)).toBe(false);
  await give('<path d="M0 0h100v60h-100z"/>');
  // 384 mm round, on a road of 12.
  await expect
    .poll(async () => (await page.getByRole('heading', { level: 2 }).first().textContent())!)
    .toMatch(/^32(\.\d)? times as long as wide/);
});

test('the sheets of a week come as one PDF while one looks on', async ({ page }) => {
  await signIn(page, 'assistant');
  await page.goto('/worksheets/week');
  await page.getByRole('button', { name: 'Make the file' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download', { timeout: 60_000 }),
    page.getByRole('link', { name: 'Save the PDF' }).click({ timeout: 60_000 }),
  ]);
  const { pages } = await readPdf(readFileSync(await download.path()));
  expect(pages.length).toBeGreaterThan(3);
  for (const { page: each } of pages.slice(0, 3)) expect(near(await linesOn(each), 50).length).toBeGreaterThan(0);
});

test('at 1024 pixels and at 200%: nothing runs off, and nothing is found amiss', async ({ page }) => {
  await signIn(page);
  await childIdOf('Bram T.');
  for (const size of [
    { width: 1024, height: 768 },
    // 1280 pixels at 200%.
    { width: 640, height: 400 },
  ]) {
    await page.setViewportSize(size);
    await page.goto('/worksheets?task=letters-lower-rounds&step=9');
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)).toBe(0);
    expect(await accessibilityFindings(page)).toEqual([]);
  }
});
