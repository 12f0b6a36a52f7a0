import AxeBuilder from '@axe-core/playwright';
import jsQR from 'jsqr';
import { codeLettersOf, readReply } from '@/core/replies';
import { calendarDay } from '@/core/calendar';
import { pathsOn, readPdf } from './readPdf';
import { ask, beginAnew, expect, linkOf, signIn, test } from './app';

const POINTS_PER_MM = 72 / 25.4;

type Box = { readonly x: number; readonly y: number; readonly width: number; readonly height: number; readonly filled: boolean };

/** Every rectangle of a page, in points from the lower left: read from its drawing, not from what we meant. */
async function boxesOn(page: Awaited<ReturnType<typeof readPdf>>['pages'][number]['page']): Promise<Box[]> {
  const boxes: Box[] = [];
  // A rectangle comes back as a move, three lines and a close: 0 x y, 1 x y, 1 x y, 1 x y, 4.
  for (const { numbers, filled, place } of await pathsOn(page))
    for (let at = 0; at + 12 < numbers.length; at += 1) {
      if (numbers[at] !== 0 || numbers[at + 3] !== 1 || numbers[at + 6] !== 1 || numbers[at + 9] !== 1 || numbers[at + 12] !== 4) continue;
      const [[left, top], [right, bottom]] = [place(numbers[at + 1]!, numbers[at + 2]!), place(numbers[at + 7]!, numbers[at + 8]!)];
      boxes.push({
        x: Math.min(left, right),
        y: Math.min(top, bottom),
        width: Math.abs(right - left),
        height: Math.abs(bottom - top),
        filled,
      });
      at += 12;
    }
  return boxes;
}

/** What a phone's camera would see of the small filled squares. */
function readQr(boxes: readonly Box[]): string | null {
  const modules = boxes.filter(({ filled, width }) => filled && width < 4);
  const side = modules[0]!.width;
  const [left, top] = [Math.min(...modules.map(({ x }) => x)), Math.max(...modules.map(({ y }) => y))];
  const count = Math.round((Math.max(...modules.map(({ x }) => x)) - left) / side) + 1;
  const [quiet, scale] = [4, 4];
  const width = (count + 2 * quiet) * scale;
  const pixels = new Uint8ClampedArray(width * width * 4).fill(255);
  for (const { x, y } of modules) {
    const [column, row] = [Math.round((x - left) / side) + quiet, Math.round((top - y) / side) + quiet];
    for (let dy = 0; dy < scale; dy += 1)
      for (let dx = 0; dx < scale; dx += 1)
        pixels.fill(0, ((row * scale + dy) * width + column * scale + dx) * 4, ((row * scale + dy) * width + column * scale + dx) * 4 + 3);
  }
  return jsQR(pixels, width, width)?.data ?? null;
}

test.describe('a program on paper', () => {
  test('as a PDF: real text, tagged, to size, with a slip whose square opens the family’s page and whose letters texts understand', async ({
    page,
  }) => {
    const childId = await beginAnew('Kasimir D.');
    await signIn(page, 'therapist');
    const answer = await page.request.get(`/students/${childId}/print/file?from=2026-11-30`);
    expect(answer.headers()['content-type']).toBe('application/pdf');
    const { pages, isTagged } = await readPdf(await answer.body());
    expect(isTagged).toBe(true);
    expect(pages.map(({ size }) => size)).toEqual(pages.map(() => [612, 792]));
    const all = pages.map(({ text }) => text).join(' ');
    const titles = await ask<{ title: string; id: number }>(
      `SELECT JSON_VALUE(k.content, '$.title.en') AS title, t.task_id AS id FROM version_tasks t JOIN program_versions v ON v.id = t.program_version_id
       JOIN programs p ON p.id = v.program_id AND p.current_version = v.number JOIN task_versions k ON k.id = t.task_version_id WHERE p.child_id = ? ORDER BY t.position`,
      [childId],
    );
    for (const { title } of titles) expect(all).toContain(title);
    expect(all).toContain('Watch out');
    expect(all).toContain('In an emergency, call 911');
    const slip = pages.at(-1)!;
    expect(slip.text).toContain('Kasimir: how practice went');
    expect(slip.text).toContain('Monday, November 30 to Sunday, December 6');
    const boxes = await boxesOn(slip.page);
    expect(readQr(boxes)).toBe(linkOf('Kasimir D.').split('?')[0]);
    // The square is 26 mm with a quiet edge of two modules on each side: measured from the file, true to half a millimeter.
    const dark = boxes.filter(({ filled, width }) => filled && width < 4);
    const wide = Math.max(...dark.map(({ x, width }) => x + width)) - Math.min(...dark.map(({ x }) => x)) + 4 * dark[0]!.width;
    expect(Math.abs(wide / POINTS_PER_MM - 26)).toBeLessThan(0.5);
    // What the slip gives as an example is read as what it says.
    const example = /with the same letters: (\S+)/.exec(slip.text)![1]!;
    const [first] = titles;
    const task = {
      taskId: first!.id,
      letter: codeLettersOf('en').tasks[0]!,
      titles: [first!.title],
      unit: 'repetitions' as const,
      perSide: /L\d+R\d+/.test(example),
      perDay: 99,
      perHand: 99,
    };
    expect(readReply(example, { tasks: [task], today: calendarDay('2026-11-30'), language: 'en' })).toMatchObject({
      kind: 'reports',
      items: [{ taskId: first!.id }],
    });
  });

  test('A4 and large print: the sheet is A4, its letters are half as large again, the slip’s boxes stay', async ({ page }) => {
    const childId = await beginAnew('Kasimir D.');
    await signIn(page, 'therapist');
    const [plain, large] = await Promise.all(
      ['size=a4', 'size=a4&large=on'].map(async (options) =>
        readPdf(await (await page.request.get(`/students/${childId}/print/file?${options}`)).body()),
      ),
    );
    expect(plain!.pages[0]!.size).toEqual([595, 842]);
    const heightOf = (read: typeof plain) => {
      const word = read!.pages[0]!.page.getTextContent();
      return word.then(({ items }) => Math.max(...items.map((item) => ('height' in item ? item.height : 0))));
    };
    expect((await heightOf(large)) / (await heightOf(plain))).toBeCloseTo(1.5, 2);
    const boxes = async (read: typeof plain) => (await boxesOn(read!.pages.at(-1)!.page)).filter(({ filled }) => !filled).length;
    expect(await boxes(large)).toBe(await boxes(plain));
  });

  test('for the caseload: one file, told while it is made, and stopped where one wishes', async ({ page }) => {
    await signIn(page, 'therapist');
    await page.goto('/print');
    expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
    await page.getByRole('button', { name: 'Make the PDF' }).click();
    await expect(page.getByRole('progressbar')).toBeVisible();
    await page.getByRole('button', { name: 'Stop' }).click();
    await expect(page.getByText('Stopped. No file was made.')).toBeVisible();
    await page.getByLabel('Contents').selectOption('slip');
    await page.getByLabel('Students').selectOption({ index: 1 });
    const wanted = Number(/\((\d+)\)/.exec((await page.getByLabel('Students').locator('option').nth(1).textContent())!)![1]);
    await page.getByRole('button', { name: 'Make the PDF' }).click();
    const save = page.getByRole('link', { name: 'Save the PDF' });
    await expect(save).toBeVisible({ timeout: 30_000 });
    const [download] = await Promise.all([page.waitForEvent('download'), save.click()]);
    const { pages } = await readPdf(await (await import('node:fs/promises')).readFile(await download.path()));
    const named = new Set(pages.map(({ text }) => /(\S+)(:| :|: cómo)/.exec(text)?.[1]));
    const left = await page
      .getByText(/^Left out:/)
      .textContent({ timeout: 500 })
      .catch(() => '');
    const without = (left ?? '').split('(').length - 1;
    expect(named.size + without).toBe(wanted);
    await page.getByLabel('a file for each student').check();
    await page.getByRole('button', { name: 'Make the PDF' }).click();
    const files = page.getByRole('main').getByRole('status').getByRole('link');
    await expect(files).toHaveCount(wanted - without, { timeout: 30_000 });
    const [one] = await Promise.all([page.waitForEvent('download'), files.first().click()]);
    const own = await readPdf(await (await import('node:fs/promises')).readFile(await one.path()));
    expect(own.pages[0]!.text).toContain((await files.first().textContent())!.split(' ')[0]!);
  });

  test('is refused where there is nothing to print, with what to do instead', async ({ page }) => {
    const childId = await beginAnew('Noor B.');
    await ask("UPDATE children SET family_language = 'ar' WHERE id = ?", [childId]);
    await signIn(page, 'therapist');
    const answer = await page.request.get(`/students/${childId}/print/file`);
    expect(answer.status()).toBe(409);
    expect(await answer.text()).toContain('Arabic pages print from this page in your browser');
    expect((await page.request.get(`/students/${childId}/print/file?size=poster`)).status()).toBe(422);
    await ask("UPDATE children SET family_language = 'en' WHERE id = ?", [childId]);
  });
});
