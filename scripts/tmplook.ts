import { chromium } from '@playwright/test';
import { readFileSync } from 'node:fs';
const w = JSON.parse(readFileSync('/tmp/walk.json', 'utf8'));
const b = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage'],
});
const p = await (await b.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
p.on('pageerror', (e) => console.log('ERR', e.message));
p.on('console', (m) => m.type() === 'error' && console.log('CON', m.text()));
const who = process.env.WHO ?? 'therapist';
await p.goto(w.url + '/sign-in');
await p.fill('[name=email]', w[who].email);
await p.fill('[name=password]', w[who].password);
await p.keyboard.press('Enter');
await p.waitForURL(/yard|rounds/);
for (const [path, name, act] of JSON.parse(process.argv[2]!)) {
  await p.goto(w.url + path);
  await p.waitForLoadState('networkidle');
  if (act) await eval(`(async()=>{${act}})()`);
  await p.waitForTimeout(300);
  await p.screenshot({ path: `/tmp/${name}.png`, fullPage: false });
  const wide = await p.evaluate(() => document.documentElement.scrollWidth > innerWidth);
  if (wide) console.log(name, 'scrolls sideways');
}
await b.close();
