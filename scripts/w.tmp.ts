import { readFileSync } from 'node:fs';
import { chromium } from '@playwright/test';
const stack = JSON.parse(readFileSync('.data/walk/stack.json','utf8'));
const linkOf = (c: string) => stack.families.find((f: any) => f.child === c)?.link;
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox','--disable-gpu'] });
const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
await page.goto(stack.url+'/sign-in'); await page.getByLabel('Address').fill(stack.therapist.email); await page.getByLabel('Password').fill(stack.therapist.password); await page.keyboard.press('Enter'); await page.waitForURL('**/rounds');
await page.goto(stack.url+'/post');
const id = await page.locator('a[href*="phone="]').nth(3).getAttribute('href');
for (const text of ['A8 N', 'B 5', 'can you call me tonight please', 'ok']) {
  await page.goto(stack.url+id); await page.getByLabel('Write as the family').fill(text); await page.getByRole('button', { name: 'Send', exact: true }).click(); await page.waitForTimeout(2500);
}
await page.goto(stack.url+id); await page.waitForTimeout(800); await page.screenshot({ path: '/tmp/s1.png' });
const child = id!.split('=')[1];
await page.goto(stack.url+`/children/${child}/outside`); await page.getByRole('button', { name: 'Make a link' }).click(); await page.waitForTimeout(800); await page.screenshot({ path: '/tmp/s2.png' });
const teacher = await page.getByText(/\/t\//).first().textContent();
await page.goto(stack.url+`/children/${child}/paper`); await page.screenshot({ path: '/tmp/s3.png' });
await page.goto(stack.url+'/paper'); await page.screenshot({ path: '/tmp/s4.png' });
await page.goto(stack.url+'/rounds'); await page.waitForTimeout(500);
// go card by card to the text card
for (let i = 0; i < 52; i++) { if (await page.getByText('A text needs you').count()) break; await page.keyboard.press('ArrowRight'); await page.waitForTimeout(250); }
await page.screenshot({ path: '/tmp/s5.png' });
const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
await phone.goto(linkOf('Noor B.').split('?')[0]+'/reminders?lang=es'); await phone.screenshot({ path: '/tmp/t1.png' });
await phone.goto(linkOf('Noor B.').split('?')[0]+'/reminders?lang=ar'); await phone.screenshot({ path: '/tmp/t2.png' });
await phone.goto(teacher!); await phone.screenshot({ path: '/tmp/t3.png' });
await phone.goto(linkOf('Noor B.')+'?lang=en'); await phone.screenshot({ path: '/tmp/t4.png' });
await browser.close();
