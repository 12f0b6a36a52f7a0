import { createHash, randomBytes } from 'node:crypto';
import type { BrowserContext, Page } from '@playwright/test';
import { expect, test, ask, beginAnew, dayBefore, linkOf, newPage, openTask, reportCount, sendReport, served, toCount } from './app';

test.use({ viewport: { width: 390, height: 844 } });

/** The browser's own number of the worker that keeps a page. */
async function registrationOf(page: Page): Promise<string> {
  const devTools = await page.context().newCDPSession(page);
  const known = new Promise<string>((resolve) => {
    devTools.on('ServiceWorker.workerRegistrationUpdated', ({ registrations }) => {
      const [ours] = registrations.filter(({ scopeURL }) => page.url().startsWith(scopeURL));
      if (ours) resolve(ours.registrationId);
    });
  });
  await devTools.send('ServiceWorker.enable');
  return known;
}

const keepOne = async (page: Page, context: BrowserContext, child: string, count: string) => {
  await page.goto(`${linkOf(child)}?lang=en`);
  await openTask(page);
  await page.locator('.screen.shown [data-field]').first().fill(count);
  await context.setOffline(true);
  await sendReport(page);
  await expect(page.getByText('It is saved on this phone').first()).toBeVisible();
};

test.describe('pages kept on the phone', () => {
  // Other tests live without the worker, so that nothing of it hides a fault of the server.
  test.use({ serviceWorkers: 'allow' });

  const keptPages = async () => {
    const place = `yard-pages:${location.pathname.split('/').slice(0, 3).join('/')}`;
    return (await (await caches.open(place)).keys()).length;
  };

  test('without network: reload, back to today, another task and its easier step; the report goes out later', async ({ page, context }) => {
    await beginAnew('Silas Y.');
    await page.goto(`${linkOf('Silas Y.')}?lang=en`);
    const tasks = page.getByRole('listitem').getByRole('link', { name: /Start/ });
    const count = await tasks.count();
    expect(count).toBeGreaterThan(1);
    // The day, and each task with the steps that may be swapped to.
    await expect.poll(() => page.evaluate(keptPages)).toBe(1 + count);
    await expect(page.getByText('There is no network.')).toHaveCount(0);

    await context.setOffline(true);
    await page.reload();
    await expect(page.getByText('You are offline. This page was saved')).toBeVisible();
    for (const index of [0, 1]) {
      const title = await tasks.nth(index).locator('strong').textContent();
      await tasks.nth(index).click();
      await expect(page.getByRole('heading', { level: 1 })).toHaveText(title!);
      await expect(page).toHaveTitle(`${title} · Yard Steps`);
      await toCount(page);
      await page.getByRole('link', { name: 'Too hard' }).click();
      await expect(page.getByText('You are on step 2 now.')).toBeVisible();
      await page.getByRole('link', { name: 'Back to today' }).click();
    }
    await openTask(page);
    await page.locator('input[inputmode=numeric]').first().fill('3');
    await sendReport(page);
    await expect(page.getByText('It is saved on this phone').first()).toBeVisible();
    const before = await reportCount('Silas Y.');
    await context.setOffline(false);
    await page.goto(linkOf('Silas Y.'));
    await expect.poll(() => reportCount('Silas Y.')).toBe(before + 1);
    await page.goto(linkOf('Silas Y.'));
    await expect(page.getByText('There is no network.')).toHaveCount(0);
  });

  test('a sheet that is not there takes no kept page away; without a network the page behind it stays', async ({ page, context }) => {
    await page.goto(`${linkOf('Per H.')}?lang=en`);
    const tasks = page.getByRole('listitem').getByRole('link', { name: /Start/ });
    const count = await tasks.count();
    await expect.poll(() => page.evaluate(keptPages)).toBeGreaterThanOrEqual(1 + count);
    const kept = await page.evaluate(keptPages);
    const other = await context.newPage();
    const answer = await other.goto(`${linkOf('Per H.').split('?')[0]}/sheet/999999?step=1`);
    expect(answer!.status()).toBe(404);
    await other.close();
    expect(await page.evaluate(keptPages)).toBe(kept);
    await tasks.filter({ hasText: 'Cut the planks' }).click();
    await context.setOffline(true);
    const [opened] = await Promise.all([context.waitForEvent('page'), page.getByRole('link', { name: 'Print the sheet' }).click()]);
    await opened.close();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Cut the planks');
    await context.setOffline(false);
  });

  test('a kept day says so as people write it, and is fresh by itself once there is a network', async ({ page, context }) => {
    await beginAnew('Silas Y.');
    await page.goto(`${linkOf('Silas Y.')}?lang=es`);
    await expect.poll(() => page.evaluate(keptPages)).toBeGreaterThan(1);
    await context.setOffline(true);
    await page.reload();
    const note = page.getByText(/^No hay conexión\. Esta página se guardó /);
    await expect(note).toBeVisible();
    expect(await note.textContent()).not.toContain('..');
    await context.setOffline(false);
    await expect(note).toHaveCount(0, { timeout: 25_000 });
  });

  test('a task that hurt stays closed on the phone when the network goes after it was told', async ({ page, context }) => {
    await beginAnew('Greta J.');
    await page.goto(`${linkOf('Greta J.')}?lang=en`);
    await expect.poll(() => page.evaluate(keptPages)).toBeGreaterThan(1);
    await openTask(page);
    await page.getByRole('link', { name: 'Something hurt' }).first().click();
    await expect(page.getByText('Sent. This activity is on hold.')).toBeVisible();
    const before = new URL(page.url()).pathname;
    const isClosed = async (path: string) => {
      const cache = await caches.open(`yard-pages:${path.split('/').slice(0, 3).join('/')}`);
      const pages = (await cache.keys()).filter(({ url }) => new URL(url).pathname === path);
      const all = await Promise.all(pages.map(async (each) => (await cache.match(each))!.text()));
      return all.length > 0 && all.every((html) => !html.includes('Done: send it'));
    };
    await expect.poll(() => page.evaluate(isClosed, before)).toBe(true);
    await context.setOffline(true);
    await page.goto(`${served().url}${before}?lang=en&step=2`);
    await expect(page.getByRole('heading', { name: / is on hold/ })).toBeVisible();
    await expect(page.locator('input[inputmode=numeric]')).toHaveCount(0);
  });

  test('what waits goes out by the browser itself after the page was closed, where it has background sync', async ({ page, context }) => {
    await beginAnew('Silas Y.');
    await page.goto(`${linkOf('Silas Y.')}?lang=en`);
    await expect.poll(() => page.evaluate(keptPages)).toBeGreaterThan(1);
    await keepOne(page, context, 'Silas Y.', '3');
    const registrationId = await registrationOf(page);
    const elsewhere = await context.newPage();
    await elsewhere.goto('about:blank');
    await page.close();
    expect(await reportCount('Silas Y.')).toBe(0);
    await context.setOffline(false);
    const devTools = await context.newCDPSession(elsewhere);
    await devTools.send('ServiceWorker.enable');
    // What the browser does once it sees a network: no page of ours is open.
    await devTools.send('ServiceWorker.dispatchSyncEvent', { origin: served().url, registrationId, tag: 'outbox', lastChance: false });
    await expect.poll(() => reportCount('Silas Y.')).toBe(1);
  });
});

test.describe('what waits on the phone', () => {
  test('goes out by its own family’s page alone: a brother’s link neither sends nor shows it', async ({ page, context }) => {
    await beginAnew('Silas Y.');
    await beginAnew('Kasimir D.');
    await keepOne(page, context, 'Silas Y.', '3');
    // Left while still offline: the page must not send it on its way.
    await page.goto('about:blank');
    await context.setOffline(false);
    const already = await reportCount('Silas Y.');
    await page.goto(`${linkOf('Kasimir D.')}?lang=en`);
    await expect(page.getByRole('heading', { name: 'Today' })).toBeVisible();
    await expect(page.getByText(/kept on this phone|Sent\./)).toHaveCount(0);
    expect(await reportCount('Silas Y.')).toBe(already);
    await page.goto(`${linkOf('Silas Y.')}?lang=en`);
    await expect.poll(() => reportCount('Silas Y.')).toBe(1);
  });

  test('goes out once, where two pages are open at the same time', async ({ page, context }) => {
    await beginAnew('Silas Y.');
    await keepOne(page, context, 'Silas Y.', '4');
    const second = await context.newPage();
    await context.setOffline(false);
    await Promise.all([page.goto(linkOf('Silas Y.')), second.goto(linkOf('Silas Y.'))]);
    await expect.poll(() => reportCount('Silas Y.')).toBe(1);
    const left = () =>
      page.evaluate(
        () =>
          new Promise((resolve) => {
            indexedDB.open('yard-outbox').onsuccess = ({ target }) => {
              const all = (target as IDBOpenDBRequest).result.transaction('reports').objectStore('reports').getAll();
              all.onsuccess = () => resolve(all.result.length);
            };
          }),
      );
    await expect.poll(left).toBe(0);
    expect(await reportCount('Silas Y.')).toBe(1);
  });

  test('what an older page of ours kept in another place goes out, too', async ({ page }) => {
    await beginAnew('Silas Y.');
    await page.goto(`${linkOf('Silas Y.')}?lang=en`);
    await openTask(page);
    await page.evaluate(() => {
      const fields = [...new FormData(document.querySelector<HTMLFormElement>('#report')!)].filter(
        ([name]) => name !== 'amount' && name !== 'left',
      );
      const address = document.querySelector('#report')!.getAttribute('action');
      localStorage.setItem('yard-outbox', JSON.stringify([{ address, fields: [...fields, ['done', 'yes'], ['words', 'kept long ago']] }]));
    });
    await page.goto(`${linkOf('Silas Y.')}?lang=en`);
    await expect.poll(() => reportCount('Silas Y.')).toBe(1);
  });

  test('a phone whose stores are full or closed sends all the same', async ({ page }) => {
    await beginAnew('Silas Y.');
    await page.addInitScript(() => {
      const full = () => {
        throw new DOMException('full', 'QuotaExceededError');
      };
      Storage.prototype.setItem = full;
      IDBFactory.prototype.open = full;
    });
    await page.goto(`${linkOf('Silas Y.')}?lang=en`);
    await openTask(page);
    await page.locator('.screen.shown [data-field]').first().fill('2');
    await sendReport(page);
    await expect(page.getByText('Thank you. It is saved.')).toBeVisible();
    expect(await reportCount('Silas Y.')).toBe(1);
  });

  test('a link that was closed meanwhile: the report is kept, and it is said', async ({ page, context }) => {
    const id = await beginAnew('Silas Y.');
    await keepOne(page, context, 'Silas Y.', '3');
    await ask('UPDATE family_links SET revoked_at = NOW() WHERE child_id = ?', [id]);
    await context.setOffline(false);
    await expect(page.getByText('This was not accepted: This link was closed.').first()).toBeVisible({ timeout: 15_000 });
    expect(await reportCount('Silas Y.')).toBe(0);
    await ask('UPDATE family_links SET revoked_at = NULL WHERE child_id = ? ORDER BY id DESC LIMIT 1', [id]);
  });

  test('two practices without network are two reports, and today shows that the first is kept', async ({ page, context }) => {
    await beginAnew('Silas Y.');
    await keepOne(page, context, 'Silas Y.', '3');
    await context.route('**/report', (route) => route.abort());
    await context.setOffline(false);
    await page.goto(`${linkOf('Silas Y.')}?lang=en`);
    await expect(page.getByRole('listitem').getByText('Saved on this phone')).toBeVisible();
    await openTask(page);
    await page.locator('.screen.shown [data-field]').first().fill('2');
    await sendReport(page);
    await expect(page.getByText('It is saved on this phone').first()).toBeVisible();
    await context.unroute('**/report');
    await expect.poll(() => reportCount('Silas Y.'), { timeout: 20_000 }).toBe(2);
  });

  test('a report that waited two days for a network is stored for the day on which it was done', async ({ page, context }) => {
    const id = await beginAnew('Silas Y.');
    await keepOne(page, context, 'Silas Y.', '3');
    // Two days later, as the phone has it then.
    await page.evaluate(
      (day) =>
        new Promise<void>((resolve) => {
          indexedDB.open('yard-outbox').onsuccess = ({ target }) => {
            const store = (target as IDBOpenDBRequest).result.transaction('reports', 'readwrite').objectStore('reports');
            store.openCursor().onsuccess = ({ target: found }) => {
              const cursor = (found as IDBRequest<IDBCursorWithValue | null>).result;
              if (!cursor) return resolve();
              const kept = cursor.value as { fields: [string, string][] };
              const fields = kept.fields.filter(([name]) => name !== 'doneOn');
              cursor.update({ ...kept, fields: [...fields, ['doneOn', day]] });
              cursor.continue();
            };
          };
        }),
      dayBefore(2),
    );
    await context.setOffline(false);
    await page.goto(`${linkOf('Silas Y.')}?lang=en`);
    await expect.poll(() => reportCount('Silas Y.'), { timeout: 20_000 }).toBe(1);
    expect(await ask('SELECT CAST(done_on AS CHAR) AS day FROM reports WHERE child_id = ?', [id])).toEqual([{ day: dayBefore(2) }]);
  });

  test('two phones that report one activity are two reports, and the second phone reads what the first one said', async ({
    page,
    browser,
  }) => {
    await beginAnew('Silas Y.');
    const other = await newPage(browser, { viewport: { width: 390, height: 844 } });
    for (const phone of [page, other]) {
      await phone.goto(`${linkOf('Silas Y.')}?lang=en`);
      await openTask(phone);
    }
    await page.locator('.screen.shown [data-field]').first().fill('3');
    await sendReport(page);
    await expect(page.getByText('Thank you. It is saved.')).toBeVisible();
    const task = other.url().replace(/#.*/, '');
    await other.goto(`${linkOf('Silas Y.')}?lang=en`);
    await expect(other.getByRole('link', { name: /Done.*3 of \d+.*Change your report/ })).toBeVisible();
    await other.goto(`${task}#ready`);
    await expect(other.getByText('You already reported 3 today.')).toBeVisible();
    expect(await reportCount('Silas Y.')).toBe(1);
    await other.getByRole('link', { name: 'We did it again' }).click();
    await toCount(other);
    await other.locator('.screen.shown [data-field]').first().fill('2');
    await sendReport(other);
    await expect.poll(() => reportCount('Silas Y.')).toBe(2);
  });

  test('with full stores and no network it says that nothing was saved, and sends once there is one', async ({ page, context }) => {
    await beginAnew('Silas Y.');
    await page.addInitScript(() => {
      const full = () => {
        throw new DOMException('full', 'QuotaExceededError');
      };
      Storage.prototype.setItem = full;
      IDBFactory.prototype.open = full;
    });
    await page.goto(`${linkOf('Silas Y.')}?lang=en`);
    await openTask(page);
    await page.locator('.screen.shown [data-field]').first().fill('2');
    await context.setOffline(true);
    await sendReport(page);
    await expect(page.getByText('NOT saved: this phone has no room.').first()).toBeVisible();
    await context.setOffline(false);
    await expect.poll(() => reportCount('Silas Y.'), { timeout: 20_000 }).toBe(1);
  });

  test('a report of a closed link is offered at the next link of the same child, and sent there', async ({ page, context }) => {
    const id = await beginAnew('Silas Y.');
    await keepOne(page, context, 'Silas Y.', '3');
    await ask('UPDATE family_links SET revoked_at = NOW() WHERE child_id = ?', [id]);
    await context.setOffline(false);
    await expect(page.getByText('This was not accepted: This link was closed.').first()).toBeVisible({ timeout: 15_000 });
    const token = randomBytes(24).toString('base64url');
    const hash = createHash('sha256').update(token).digest('hex');
    await ask(
      'INSERT INTO family_links (child_id, token_hash, token_salt, created_at, expires_at) SELECT child_id, ?, ?, created_at, expires_at FROM family_links WHERE child_id = ? ORDER BY id LIMIT 1',
      [hash, randomBytes(16).toString('hex'), id],
    );
    await page.goto(`${served().url}/f/${token}?lang=en`);
    await expect(page.getByText('A report from an earlier link was not sent')).toBeVisible();
    await page.getByRole('button', { name: 'Send it now' }).click();
    await expect.poll(() => reportCount('Silas Y.'), { timeout: 20_000 }).toBe(1);
    await ask('UPDATE family_links SET revoked_at = NULL WHERE child_id = ? ORDER BY id LIMIT 1', [id]);
  });

  test('what was counted last night is offered as last night’s', async ({ page }) => {
    await beginAnew('Silas Y.');
    await page.goto(`${linkOf('Silas Y.')}?lang=en`);
    await openTask(page);
    await page.locator('.screen.shown [data-field]').first().fill('4');
    await page.evaluate(() => {
      for (const key of Object.keys(localStorage).filter((each) => each.startsWith('yard-draft'))) {
        const draft = JSON.parse(localStorage.getItem(key)!) as { day: string };
        const day = new Date(Date.parse(`${draft.day}T12:00:00Z`) - 86_400_000).toISOString().slice(0, 10);
        localStorage.setItem(key, JSON.stringify({ ...draft, day }));
      }
      // The page that is left keeps what it knows: it must not write today's day over it.
      Storage.prototype.setItem = () => {};
    });
    await page.goto(`${linkOf('Silas Y.')}?lang=en`);
    await page.getByRole('listitem').getByRole('link').first().click();
    await expect(page.getByText('what you counted or wrote is still here')).toBeVisible();
    await page.getByRole('button', { name: 'Finish it for that day' }).click();
    await sendReport(page);
    await expect.poll(() => reportCount('Silas Y.'), { timeout: 20_000 }).toBe(1);
    const [told] = await ask<{ ago: number }>('SELECT DATEDIFF(DATE(said_at), done_on) AS ago FROM reports WHERE child_id = ?', [
      (await ask<{ id: number }>("SELECT id FROM children WHERE called_name = 'Silas'"))[0]!.id,
    ]);
    expect(Number(told!.ago)).toBeGreaterThanOrEqual(1);
  });
});

test.describe('a clock', () => {
  test('goes by wall time: a locked phone and a reload take nothing from it; minutes are told in halves', async ({ page }) => {
    const id = await beginAnew('Silas Y.');
    await ask(
      `UPDATE version_tasks t JOIN program_versions v ON v.id = t.program_version_id JOIN programs p ON p.id = v.program_id
       SET t.dose = JSON_SET(JSON_REMOVE(t.dose, '$.atSteps'), '$.target', JSON_OBJECT('kind', 'time', 'minutesPerRound', 2), '$.hands', 'both', '$.rounds', 1),
         t.step_targets = NULL, t.target = 2 WHERE p.child_id = ?`,
      [id],
    );
    await page.clock.install();
    await page.goto(`${linkOf('Silas Y.')}?lang=en`);
    await openTask(page);
    await page.getByRole('button', { name: /Start the clock/ }).click();
    await page.clock.fastForward('00:50');
    await page.reload();
    await expect(page.locator('.screen.shown .pad-number')).toHaveText(/^0:5\d$/);
    await page.clock.fastForward('00:40');
    await page.getByRole('button', { name: /Pause/ }).click();
    await expect(page.locator('.screen.shown [data-field=amount]')).toHaveValue('1.5');
    await sendReport(page);
    await expect(page.getByText('Thank you. It is saved.')).toBeVisible();
    expect(await ask('SELECT CAST(amount AS DOUBLE) AS amount FROM reports WHERE child_id = ?', [id])).toEqual([{ amount: 1.5 }]);
  });
});

test.describe('scripts that fail', () => {
  for (const [what, breakIt] of [
    ['an old browser without URL', () => Reflect.deleteProperty(window, 'URL')],
    ['a fault while the form is made ready', () => Reflect.deleteProperty(Element.prototype, 'querySelectorAll')],
  ] as const) {
    test(`${what}: the plain form stands and sends`, async ({ page }) => {
      await beginAnew('Juniper S.');
      await page.addInitScript(breakIt);
      await page.goto(`${linkOf('Juniper S.')}?lang=es`);
      await openTask(page);
      await expect(page.locator('html')).toHaveAttribute('lang', 'es');
      await page.locator('input[inputmode=numeric]').first().fill('2');
      await sendReport(page);
      await expect(page.getByText('Gracias. Está guardado.')).toBeVisible();
      expect(await reportCount('Juniper S.')).toBe(1);
    });
  }
});
