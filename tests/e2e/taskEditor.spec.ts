import { type Locator, type Page } from '@playwright/test';
import { expect, test, ask, childIdOf, signIn, newPage, newestLink } from './app';

/** Findings may also be named beside the button that puts the task into the library: the first place is where it belongs. */
const finding = (page: Page, text: string | RegExp) => page.getByText(text).first();
const grid = (page: Page) => page.getByRole('table', { name: /^Steps from easiest/ });
const cell = (page: Page, knob: string, step: number) => page.getByRole('spinbutton', { name: `${knob}, step ${step}` });
const step = (page: Page, number: number) =>
  grid(page)
    .getByRole('columnheader', { name: new RegExp(`^${number} `) })
    .getByRole('button');
const section = (page: Page, name: string) => page.getByRole('region', { name, exact: true });
const shelve = (page: Page) => page.getByRole('button', { name: /Add to library as version/ });

async function turn(at: Locator, key: 'ArrowUp' | 'ArrowDown', times = 1): Promise<void> {
  await at.focus();
  for (let count = 0; count < times; count += 1) await at.press(key);
}

/** Writes both languages of a field. */
async function write(where: Page | Locator, label: string, english: string, spanish: string): Promise<void> {
  await where.getByLabel(`${label} · English`, { exact: true }).fill(english);
  await where.getByLabel(`${label} · Spanish`, { exact: true }).fill(spanish);
}

async function startFromNothing(page: Page, name: string): Promise<void> {
  await page.goto('/tasks');
  await page.keyboard.press('n');
  await page.keyboard.type(name);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(name);
}

async function copyStock(page: Page, slug: string, name: string): Promise<void> {
  await page.goto(`/tasks/${slug}`);
  await page.getByLabel('Name of the copy').fill(name);
  await page.getByRole('button', { name: /Copy to edit/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(name);
  await expect(page.getByText('not in the library yet')).toBeVisible();
}

test.beforeEach(({ page }) => signIn(page));

test('a task made from nothing: each rule is said when it is broken, and what mends it', async ({ page }) => {
  test.setTimeout(90_000);
  await startFromNothing(page, 'Plumb line');
  await expect(shelve(page)).toBeDisabled();

  // The starting step has no easier neighbour: said; two steps more and a start in the middle mend it.
  await expect(finding(page, 'The starting step has no easier or no harder neighbor.')).toBeVisible();
  await page.getByLabel('Add a grading factor').selectOption('itemSize');
  await page.getByLabel('Add a grading factor').selectOption('precision');
  // A new knob stands in its middle: there is a way to either side.
  await expect(cell(page, 'item size', 1)).toHaveAttribute('aria-valuenow', '2');
  for (const knob of ['item size', 'precision']) for (const at of [1, 2]) await turn(cell(page, knob, at), 'ArrowDown');
  await step(page, 2).click();
  for (let count = 0; count < 3; count += 1) await page.getByRole('button', { name: 'add a step after' }).click();
  await expect(finding(page, 'Step 3 is the same as step 2. Make one grading factor harder.')).toBeVisible();
  for (const at of [3, 4, 5]) await turn(cell(page, 'item size', at), 'ArrowUp');
  for (const at of [4, 5]) await turn(cell(page, 'item size', at), 'ArrowUp');
  await turn(cell(page, 'precision', 5), 'ArrowUp');
  await step(page, 3).click();
  await page.getByRole('button', { name: 'start here' }).click();
  await expect(page.getByText('The starting step has no easier or no harder neighbor.')).toHaveCount(0);
  await expect(page.getByText(/is the same as step/)).toHaveCount(0);

  // Mixed: one knob up, another down.
  await turn(cell(page, 'item size', 5), 'ArrowDown');
  await expect(finding(page, 'Step 5 is mixed: some of item size, precision got harder, some easier.')).toBeVisible();
  // Easier.
  await turn(cell(page, 'precision', 5), 'ArrowDown');
  await expect(finding(page, 'Step 5 is easier than step 4 (item size).')).toBeVisible();
  await turn(cell(page, 'item size', 5), 'ArrowUp');
  await turn(cell(page, 'precision', 5), 'ArrowUp');
  await expect(page.getByText(/Step 5 is (mixed|easier)/)).toHaveCount(0);

  // Three knobs at once: an error, that a reason turns into a note; then a step between is kinder.
  await turn(cell(page, 'help', 5), 'ArrowDown');
  await turn(cell(page, 'help', 4), 'ArrowDown');
  await turn(cell(page, 'item size', 5), 'ArrowUp');
  await turn(cell(page, 'help', 5), 'ArrowUp');
  await step(page, 5).click();
  await expect(finding(page, 'Step 5 changes 3 things at once')).toBeVisible();
  await page.getByLabel('Why three or more things may change at once here').fill('They come as one set');
  await expect(finding(page, 'Your reason: They come as one set')).toBeVisible();
  await turn(cell(page, 'help', 4), 'ArrowUp');
  await turn(cell(page, 'item size', 5), 'ArrowDown');
  await step(page, 5).click();
  await expect(page.getByText(/Step 5 turns/)).toHaveCount(0);

  // Measures: an item that does not go into its opening.
  const knobs = section(page, 'Grading: what changes from step to step');
  const knob = (name: string) => knobs.locator('details').filter({ has: page.getByText(name, { exact: true }) });
  for (const name of ['precision', 'item size']) await knob(name).locator('summary').click();
  await knob('precision').getByLabel('opening, mm').first().fill('30');
  await knob('item size').getByLabel('item, mm').nth(1).fill('40');
  await expect(finding(page, 'an item of 40 mm does not go into an opening of 30 mm')).toBeVisible();
  await knob('item size').getByLabel('item, mm').nth(1).fill('');
  await knob('precision').getByLabel('opening, mm').first().fill('');
  await expect(page.getByText(/does not go into an opening/)).toHaveCount(0);

  // Dose: arithmetic written out; too long a day is said.
  const dose = section(page, 'Dose');
  await dose.getByLabel('hands').selectOption('each');
  await expect(dose.getByText('5 each hand × 2 hands = 10 reps a day × 5 days = 50 a week')).toBeVisible();
  await dose.getByLabel('rounds').fill('20');
  await expect(dose.getByText(/minutes\. More than 20 is a lot for one task/)).toBeVisible();
  await dose.getByLabel('firm squeezing').check();
  await expect(dose.getByText('200 firm squeezes a day. The most is 40.')).toBeVisible();
  await dose.getByLabel('rounds').fill('1');
  await expect(dose.getByText(/is a lot for one task|The most is/)).toHaveCount(0);

  // Materials: no size is said; a small part is said with its reason; scissors ask for a twin.
  const materials = section(page, 'Materials');
  await materials.getByLabel('Add a material').selectOption('own');
  await materials.locator('summary').first().click();
  await write(materials, 'Material', 'lead weight', 'plomada');
  await expect(materials.getByText('lead weight: shape and size are missing, so the small-parts check cannot run')).toBeVisible();
  await materials.getByLabel('shape').selectOption('cylinder');
  await materials.getByLabel('across, mm').fill('20');
  await materials.getByLabel('long, mm').fill('30');
  await expect(materials.getByText('Fits inside the small-parts cylinder (31.7 mm across')).toBeVisible();
  await materials.getByLabel('long, mm').fill('90');
  await expect(materials.getByText(/Does not fit: [\d.]+ mm too long/)).toBeVisible();
  await materials.getByLabel('blade').check();
  await expect(
    section(page, 'Safety').getByText('This task needs scissors. Name a safer alternative that practices the same skill.'),
  ).toBeVisible();
  await section(page, 'Safety').getByLabel('Safer alternative without scissors').selectOption('tear-the-tiles');
  await expect(section(page, 'Safety').getByText('This task needs scissors.')).toHaveCount(0);
  await materials.getByLabel('blade').uncheck();

  // Words: jargon, a long sentence and a grade that is too high are said while one types.
  const said = section(page, 'Words for helper and student');
  for (const title of ['add a line'])
    for (let count = 0; count < 5; count += 1) await said.getByRole('button', { name: title }).nth(count).click();
  await said
    .getByLabel('1 · English', { exact: true })
    .first()
    .fill(
      'Facilitate bilateral coordination by encouraging an appropriate stabilisation of miscellaneous construction equipment throughout every repetition of this intervention.',
    );
  await expect(
    said.getByText('“bilateral coordination” is a professional term. For families, write “two hands working together”.'),
  ).toBeVisible();
  await expect(said.getByText(/English: reading grade \d+\.\d\. Aim for 6 or lower/)).toBeVisible();
  const lines = [
    ['Hold the line.', 'Sujete la cuerda.'],
    ['Pick one up.', 'Toma una.'],
    ['A knot shows where to hold.', 'Un nudo dice dónde.'],
    ['The line hangs still.', 'La cuerda no se mueve.'],
    ['Stay close.', 'Quédese cerca.'],
  ] as const;
  for (const [index, [english, spanish]] of lines.entries()) {
    await said.getByLabel('1 · English', { exact: true }).nth(index).fill(english);
    await said.getByLabel('1 · Spanish', { exact: true }).nth(index).fill(spanish);
  }
  await expect(said.getByText(/reading grade|professional term/)).toHaveCount(0);

  // What is still empty is said with its place; when all is written, the task goes into the library.
  await expect(finding(page, /to fix first/)).toBeVisible();
  await write(section(page, 'The task'), 'Title', 'Plumb line', 'La plomada');
  for (const at of [1, 2, 3, 4, 5]) {
    await step(page, at).click();
    await write(page, 'Name', `step ${at}`, `paso ${at}`);
    await write(page, 'How it is done', 'Let it hang. Wait.', 'Que cuelgue. Espere.');
  }
  await expect(shelve(page)).toBeEnabled();
  await shelve(page).click();
  await expect(finding(page, 'Plumb line is in the library.')).toBeVisible();
  expect(
    await ask(
      'SELECT v.number, p.name FROM tasks t JOIN task_versions v ON v.task_id = t.id JOIN people p ON p.id = t.owner_id WHERE t.slug = ?',
      ['plumb-line'],
    ),
  ).toEqual([{ number: 1, name: 'Ines Calloway-Brandt' }]);
});

test('a proposal is looked at, taken by step, undone with a key, and survives a reload', async ({ page }) => {
  await copyStock(page, 'sort-the-hardware', 'Sort, our way');
  await page.keyboard.press('p');
  const proposal = page.getByRole('group', { name: 'Proposed ladder' });
  await expect(proposal.getByText('start ·')).toBeVisible();
  await proposal.getByLabel('steps harder').selectOption('6');
  await expect(proposal.getByText(/steps? harder could not be found: every grading factor is used up/)).toBeVisible();
  await expect(proposal.getByText(/item size: at its hardest/)).toBeVisible();
  await proposal.getByLabel('coins', { exact: true }).uncheck();
  await expect(proposal.getByText(/item size: the next level is not at hand/)).toBeVisible();
  const offered = await proposal.getByRole('listitem').count();
  await proposal.getByRole('listitem').first().getByRole('checkbox').uncheck();
  await page.keyboard.press('Escape');
  await proposal.getByRole('button', { name: new RegExp(`Take these ${offered - 1} steps`) }).click();
  await expect(grid(page).getByRole('columnheader')).toHaveCount(offered - 1 + 1);
  await expect(page.getByText('Draft saved')).toBeVisible();
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('z');
  await expect(grid(page).getByRole('columnheader')).toHaveCount(6 + 1);
  await page.keyboard.press('y');
  await expect(grid(page).getByRole('columnheader')).toHaveCount(offered - 1 + 1);

  // Typed and at once reloaded, before the server has taken it: it comes back from the browser.
  await write(section(page, 'The task'), 'Story', 'The drawer fell. Sort it all.', 'Se cayó el cajón. Ordena todo.');
  await page.reload();
  await expect(section(page, 'The task').getByLabel('story · English')).toHaveValue('The drawer fell. Sort it all.');
  await expect(grid(page).getByRole('columnheader')).toHaveCount(offered - 1 + 1);
});

test('a stock task copied and changed, used for a left-handed child who mouths objects, as the family sees it', async ({
  page,
  browser,
}) => {
  test.setTimeout(120_000);
  await copyStock(page, 'pocket-the-washers', 'Pocket the big ones');
  await section(page, 'Dose').getByLabel('in a round').fill('4');
  await expect(page.getByRole('complementary', { name: 'The family’s page' })).toContainText('What you need');
  await expect(section(page, 'Compared with the original').getByText('Also changed: title, dose.')).toBeVisible();
  await shelve(page).click();
  await expect(page.getByText('Pocket the big ones is in the library.')).toBeVisible();

  // A child of whom no other test tells: left-handed, things still go into the mouth, allergic to wheat, little at home.
  const childId = await childIdOf('Xiomara C.');
  const home = ['bottle-caps', 'buttons-big', 'paper', 'marker', 'tape', 'tray', 'lidded-box', 'card'];
  await ask(
    "UPDATE children SET hand = 'left', mouths_things = 1, allergies = ?, textures_avoided = '[]', materials_at_home = ?, task_settings = '{}' WHERE id = ?",
    [JSON.stringify(['wheat']), JSON.stringify(home), childId],
  );
  await page.goto(`/students/${childId}/program`);
  while ((await page.getByRole('button', { name: 'Remove', exact: true }).count()) > 0)
    await page.getByRole('button', { name: 'Remove', exact: true }).first().click();
  await page
    .getByRole('complementary', { name: 'Tasks' })
    .getByRole('button', { name: /^Brick press/ })
    .click();
  const press = page.getByRole('article', { name: 'Brick press' });
  await expect(press).toContainText('Play dough: contains wheat.');
  await expect(press).toContainText('Not safe for this student.');
  await press.getByRole('button', { name: 'Remove', exact: true }).click();
  await page
    .getByRole('complementary', { name: 'Tasks' })
    .getByRole('button', { name: /^Pocket the big ones/ })
    .click();
  const row = page.getByRole('article', { name: 'Pocket the big ones' });
  await expect(row).toContainText('4 each hand × 2 hands = 8 reps a day');
  // This home has no washers; bigger caps stand in for them, an easier item.
  await row.getByLabel('Today’s step').selectOption('7');
  await expect(row).toContainText('This home uses: 5 bottle caps for washers, 1 in.');
  await row.getByLabel('Today’s step').selectOption('2');
  // What goes into a palm is small: it takes a reason at each step for a child of this kind.
  for (const reason of await row.getByLabel('Needs your clinical reason:').all()) await reason.fill('Only at my side, in the session');
  // Small stickers: only with a reason, and never by oversight.
  await page
    .getByRole('complementary', { name: 'Tasks' })
    .getByRole('button', { name: /^Peel the labels/ })
    .click();
  const labels = page.getByRole('article', { name: 'Peel the labels' });
  await labels.getByLabel('Today’s step').selectOption('5');
  await expect(labels).toContainText('Round stickers, ¾ in: small enough for the small-parts cylinder. An adult stays the whole time.');
  await expect(labels).toContainText('16 CFR 1501.4');
  await expect(page.getByRole('button', { name: /Send as version/ })).toBeDisabled();
  for (const reason of await labels.getByLabel('Needs your clinical reason:').all()) await reason.fill('Only at my side, in the session');
  await expect(page.getByText(/to fix first/)).toHaveCount(0);
  await labels.getByRole('button', { name: 'Remove', exact: true }).click();
  await row.getByText('settings of this task for this student').click();
  await row.getByLabel('Hands').selectOption('preferred');
  await expect(row).toContainText('4 reps a day × 5 days = 20 a week');
  await row.getByLabel('Theme').selectOption('weatherStation');
  await expect(page.getByText('draft saved')).toBeVisible();
  const cautions = page.getByLabel(/I have read the/);
  if (await cautions.isVisible()) await cautions.check();
  await page.getByRole('button', { name: /Send as version/ }).click();
  await expect(page).toHaveURL(/\/messages\?phone=/);
  const link = await newestLink(page);

  const family = await newPage(browser, { viewport: { width: 390, height: 844 } });
  await family.goto(`${link}?lang=en`);
  await family.getByRole('listitem').getByRole('link').first().click();
  await expect(family.getByRole('heading', { level: 1 })).toHaveText('Pocket the hail');
  await expect(family.getByRole('heading', { name: 'Watch out' })).toBeVisible();
  await family.getByRole('link', { name: 'Ready', exact: true }).click();
  await expect(family.getByText('Your hand is a cloud.')).toBeVisible();
  await expect(family.locator('#look').getByText('picks up a counter')).toBeVisible();
  await expect(family.getByRole('img', { name: /on the left/ })).toBeVisible();
});
