import type { Browser, Page, ViewportSize } from '@playwright/test';
import { accessibilityFindings, expect, test, childIdOf, linkOf, newPage, served, signIn } from './app';
import { isDeep } from '../fixtures/deep';

/** One page for all tests of a group: its scripts are compiled once. Each test goes to addresses of its own. */
let page: Page;
const open =
  (size: ViewportSize) =>
  async ({ browser }: { browser: Browser }) => {
    page = await newPage(browser, { viewport: size });
  };
const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

async function findingsOn(screen: Page, within?: string): Promise<string[]> {
  return [...(await accessibilityFindings(screen, within)), ...(await keysOfTwoActs(screen))];
}

/** Nothing goes sideways, at any width of a desk: 200% zoom of a window of 1280 is 640 wide. */
async function expectToFit(widths: readonly number[] = [1024, 640, 1280]): Promise<void> {
  for (const width of widths) {
    await page.setViewportSize({ width, height: DESK.height });
    await expect
      .poll(() => page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth), `at ${width} px`)
      .toBe(0);
  }
}

/** A key stands beside one act of a screen alone. */
async function keysOfTwoActs(screen: Page): Promise<string[]> {
  const keys = await screen.locator('[data-key]').evaluateAll((acts) => acts.map((act) => act.getAttribute('data-key')!));
  return keys.filter((key, place) => keys.indexOf(key) !== place).map((key) => `the key “${key}” stands beside two acts`);
}

test('the look itself finds what breaks the rules', async ({ page: other }) => {
  await other.setContent(`<html lang="en"><title>x</title><main><h1>x</h1><img src="x.png"><input>
    <p style="color:#bbb;background:#fff">faint words</p><button data-key="m">a</button><button data-key="m">b</button></main>`);
  const rules = (await findingsOn(other)).map((finding) => finding.split(/[:”]/)[0]);
  expect(rules.sort()).toEqual(['color-contrast', 'image-alt', 'label', 'target-size', 'target-size', 'the key “m']);
});

test.describe('therapist’s screens', () => {
  test.beforeAll(open(DESK));
  test.beforeEach(async () => {
    await page.setViewportSize(DESK);
    await signIn(page);
  });
  test.afterAll(() => page.context().close());

  test('the sign-in page', async () => {
    await page.context().clearCookies();
    await page.goto('/sign-in');
    expect(await findingsOn(page)).toEqual([]);
  });

  for (const [name, address, heading] of [
    ['Review', '/review', 'Review'],
    ['Caseload', '/caseload', '48 students'],
    ['Messages', '/messages', 'Messages'],
    ['Reports', '/reports', 'Reports'],
    ['Progress', '/progress', /./],
    ['Kits', '/kits', /bags/],
    ['Packing slips and labels', '/kits/slips?school=Fold+Lane+School', 'Fold Lane School: packing slips'],
    ['Plan next week', '/planner', 'Plan next week'],
    ['Data sheet', '/visit/school', /School/],
    ['Videos', '/videos', 'Videos'],
    ['Videos of a task', '/videos?task=crane-lift', 'Videos: Crane lift'],
    ['Step rules', '/step-rules', 'Step rules'],
    ['Worksheets', '/worksheets', 'Worksheets'],
    ['Sheet maker', '/worksheets?task=house-front&step=6', 'House front'],
    ['Worksheets of the week', '/worksheets/week', 'Worksheets of the week'],
    ['Import reports from a list', '/reports/import', 'Import reports from a list'],
    ['Step up together', '/review/together', 'Step up together'],
    ['Settings', '/settings', 'Settings'],
    ['Data import and export', '/settings/data', 'Data import and export'],
    ['School year', '/settings/year', 'The school year'],
    ['New student', '/students/new', 'New student'],
    ['A caseload from a list', '/students/import', 'Take a caseload in'],
    ['Hand-over', '/caseload/transfer', 'Transfer students'],
    ['Nothing here', '/students/999999', 'Nothing here'],
  ] as const) {
    test(name, async () => {
      await page.goto(address);
      await expect(page.getByRole('heading', { level: 1 }).first()).toHaveText(heading);
      expect(await findingsOn(page)).toEqual([]);
      await expectToFit();
    });
  }

  test('Child, and Program builder with findings', async () => {
    const child = await childIdOf('Bram T.');
    await page.goto(`/students/${child}`);
    await expect(page.getByRole('heading', { name: 'Bram T.' })).toBeVisible();
    expect(await findingsOn(page)).toEqual([]);
    await expectToFit();
    await page.goto(`/students/${child}/program`);
    await expect(page.getByText('Caution:').first()).toBeVisible();
    expect(await findingsOn(page)).toEqual([]);
    await expectToFit();
    await page.goto(`/students/${child}/print`);
    await expect(page.getByRole('article').first()).toBeVisible();
    expect(await findingsOn(page)).toEqual([]);
    await expectToFit();
    await page.goto(`/reports/enter?child=${child}`);
    await expect(page.getByRole('button', { name: /^Save/ })).toBeVisible();
    expect(await findingsOn(page)).toEqual([]);
    await expectToFit();
  });

  test('Facts, a new goal, who looked, and all folds of a child open', async () => {
    const child = await childIdOf('Bram T.');
    for (const [address, heading] of [
      ['record', 'all information'],
      ['goals/new', 'New goal'],
      ['fhir', 'Import HL7 FHIR'],
      ['access-log', 'The access log'],
      ['measure', 'measure'],
    ]) {
      await page.goto(`/students/${child}/${address}`);
      await expect(page.getByRole('heading', { level: 1 })).toContainText(heading!);
      expect(await findingsOn(page)).toEqual([]);
      await expectToFit();
    }
    await page.goto(`/students/${child}`);
    for (const summary of await page.locator('aside summary').all()) await summary.click();
    expect(await findingsOn(page, 'aside')).toEqual([]);
  });

  test('Task library: the library, a stock task, and one being made with findings', async () => {
    // A few of the library's seventy cards, which are all of one make.
    await page.goto('/tasks?search=washers');
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Task library');
    expect(await findingsOn(page)).toEqual([]);
    await expectToFit();
    await page.goto('/tasks/crane-lift');
    for (const summary of await page.locator('summary').all()) await summary.click();
    expect(await findingsOn(page)).toEqual([]);
    await page.goto('/tasks');
    await page.getByLabel('Name of a new task').fill('Looked at');
    await page.getByRole('button', { name: /Start blank/ }).click();
    await expect(page.getByText(/to fix first/)).toBeVisible();
    await page.keyboard.press('p');
    expect(await findingsOn(page)).toEqual([]);
    await expectToFit();
  });

  test('the keys and the command box', async () => {
    await page.goto('/caseload');
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog')).toBeVisible();
    expect(await findingsOn(page, '[role=dialog]')).toEqual([]);
    await page.keyboard.press('Escape');
    await page.keyboard.press('Control+k');
    await expect(page.getByRole('dialog')).toBeVisible();
    expect(await findingsOn(page, '[role=dialog]')).toEqual([]);
  });
});

test.describe('family’s pages', () => {
  test.beforeAll(open(PHONE));
  test.afterAll(() => page.context().close());

  for (const [language, direction] of [
    ['en', 'ltr'],
    ['es', 'ltr'],
    ['ar', 'rtl'],
    ...(isDeep
      ? ([
          ['fr', 'ltr'],
          ['pt', 'ltr'],
        ] as const)
      : []),
  ] as const) {
    test(`today and every screen of a task, in ${language}`, async () => {
      test.setTimeout(60_000);
      await page.goto(`${linkOf('Odalys V.')}?lang=${language}`);
      await expect(page.locator('html')).toHaveAttribute('lang', language);
      await expect(page.locator('html')).toHaveAttribute('dir', direction);
      expect(await findingsOn(page)).toEqual([]);
      await page.getByRole('listitem').getByRole('link').first().click();
      await page.locator('html.scripted').waitFor();
      for (const screen of ['ready', 'look', 'do', 'how']) {
        await page.goto(`${page.url().replace(/#.*/, '')}#${screen}`);
        await expect(page.locator(`#${screen}`)).toBeVisible();
        expect([screen, await findingsOn(page)]).toEqual([screen, []]);
        expect(await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)).toBe(0);
      }
    });
  }

  test('with letters twice as large nothing goes sideways', async () => {
    await page.goto(`${linkOf('Odalys V.')}?lang=es`);
    const sideways = async () => {
      await page.evaluate(() => (document.documentElement.style.fontSize = '34px'));
      return page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
    };
    expect(await sideways()).toBe(0);
    await page.getByRole('listitem').getByRole('link').first().click();
    for (const screen of ['ready', 'look', 'do', 'how']) {
      await page.goto(`${page.url().replace(/#.*/, '')}#${screen}`);
      expect(`${screen}: ${await sideways()}`).toBe(`${screen}: 0`);
    }
  });

  test('what is in the house, and a link that does not open', async () => {
    await page.goto(`${linkOf('Odalys V.')}/home`);
    await expect(page.getByRole('heading', { name: '¿Qué materiales tienen en casa?' })).toBeVisible();
    expect(await findingsOn(page)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)).toBe(0);
    await page.goto(`${served().url}/f/${'y'.repeat(32)}`);
    expect(await findingsOn(page)).toEqual([]);
  });
});
