import { mkdirSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import path from 'node:path';
import { instantAfterDays } from '@/core/calendar';
import { addLink, inTransaction, migrator } from '@/db';
import { contextFrom } from '@/main/contextFrom';
import { familyAddress, newLinkParts } from '@/server/messages/familyAddress';
import type { Context } from '@/server/context';
import { signIn } from '@/server/accounts/signIn';
import { measureFamilyPages, measureFirstReport, type FirstReportFigures, type PageFigures } from '../../measure/familyPage';
import { measureHeart, type HeartFigure } from '../../measure/heart';
import { measureRebuild, type RebuildFigure } from '../../measure/rebuild';
import { measureLab, type LabFigures } from '../../measure/lab';
import { measureSheets, type SheetFigures } from '../../measure/sheets';
import { measurePlanner, type PlannerFigures } from '../../measure/planner';
import { manyLinks } from '../../measure/links';
import { measureIntake, type IntakeFigures } from '../../measure/intake';
import { measureReviewKeys, type KeyFigures } from '../../measure/roundsKeys';
import { measureBuilder, measureReports, measureScreens, type BytesFigure, type ScreenFigures } from '../../measure/screens';
import { BENCH_EMAIL, BENCH_PASSWORD, seedDistrict } from '../../measure/seedDistrict';
import { ensureBuild } from '../build';
import { load } from './load';
import { say, step } from '../say';
import { rowsOf, runSql } from '../sql';
import { startStack } from '../stack';
import { ensureSystemPackages } from '../systemPackages';

const FOLDER = path.resolve('.data', 'bench');
const REPORTS = 1_000_000;
/** Two hundred reports each in a day: more than the measured minute sends. */
const LINKS = 400;

/** Parts that can be measured apart. */
const PARTS = ['heart', 'screens'];

/** Measures everything in one run and writes docs/performance.md. The district is made once and kept in .data/bench. */
export async function bench(words: readonly string[]): Promise<number> {
  if (words[0] === 'load') return load(words);
  if (words[0] && !words[0].startsWith('-') && !PARTS.includes(words[0]))
    throw new Error(`There is no measure “${words[0]}”. Write ${PARTS.join(', ')} or load, or nothing for all but load.`);
  const place = words.indexOf('--reports');
  const reports = place < 0 ? REPORTS : Number(words[place + 1]);
  if (!Number.isInteger(reports) || reports < 1000) throw new Error('Write --reports with a whole number from 1000.');
  if (words[0] === 'heart') {
    const { heart, rebuild, sheets, lab, planner } = await measureCore();
    say(`\n${sheetsTable(sheets)}\n\n${labTable(lab)}\n\n${plannerTable(planner)}\n\n${heartTable(heart)}\n\n${rebuildTable(rebuild)}`);
    return 0;
  }
  ensureSystemPackages({ database: true, browser: true });
  await ensureBuild();
  mkdirSync(FOLDER, { recursive: true });
  const stack = await startStack({ folder: FOLDER, port: 4400, mode: 'start', withDemo: false, environment: { YARD_PRETEND_PHONE: '1' } });
  const context = contextFrom({ ...process.env, YARD_DATABASE_URL: stack.databaseUrl, YARD_DATA: FOLDER, YARD_ORIGIN: stack.url });
  const { db } = context;
  try {
    await migrator(db).up();
    await step(`Making a district with ${reports.toLocaleString('en')} reports (once, takes minutes)`, () =>
      seedDistrict(context, reports),
    );
    const cookie = `yard=${(await signIn(context, { email: BENCH_EMAIL, password: BENCH_PASSWORD })).token}`;
    const screens = await step('Screens', () => measureScreens(context, stack.databaseUrl, stack.url, cookie));
    const reportsPdf = await step('All reports of a caseload', () => measureReports(context));
    if (words[0] === 'screens') {
      say(`\n${screensTable(screens)}\n\n${reportsLine(reportsPdf)}`);
      return 0;
    }
    const core = await measureCore();
    const { childId, link, versionTaskId } = await familyOf(context);
    const pages = await step('Family pages', () => measureFamilyPages(link, versionTaskId));
    // A page of a student with a report of today shows that report.
    await runSql(db, 'DELETE FROM reports WHERE child_id = :childId AND done_on >= CURDATE() - INTERVAL 1 DAY', { childId });
    const firstReport = await step('A first report by touch', () => measureFirstReport(link));
    const builder = await measureBuilder(stack.url, cookie, 1);
    const keys = await step('Keys in Review', () => measureReviewKeys(stack.url, cookie));
    const addresses = await manyLinks(context, childId, LINKS);
    const intake = await step('Report intake', () =>
      measureIntake(stack.databaseUrl, { childId, addresses: addresses.map((each) => `${each}/report`), versionTaskId }),
    );
    const table = asMarkdown({
      reports,
      screens,
      reportsPdf,
      builder,
      keys,
      pages,
      firstReport,
      intake,
      ...core,
    });
    writeFileSync(path.join('docs', 'performance.md'), table);
    say(`\n${table}`);
  } finally {
    await db.close();
    await stack.stop();
  }
  return 0;
}

/** Measures everything that needs no database. */
async function measureCore() {
  return {
    heart: await step('The grading heart', () => measureHeart()),
    rebuild: await step('All figures of a district from its log', () => measureRebuild()),
    sheets: await step('Sheets', () => measureSheets()),
    lab: await step('The lab', async () => measureLab()),
    planner: await step('The planner', () => measurePlanner()),
  };
}

function heartTable(heart: readonly HeartFigure[]): string {
  const rows = heart.map(
    ({ what, milliseconds, aim }) =>
      `| ${what} | ${milliseconds.toFixed(1)} | ${aim === null ? '' : `${aim}: ${milliseconds <= aim ? 'reached' : 'not reached'}`} |`,
  );
  return ['| what | ms, median | aim, ms |', '|---|---|---|', ...rows].join('\n');
}

function sheetsTable({ redrawn, slowest, solved, slowestSolved, week, sheets }: SheetFigures): string {
  return [
    '| what | figure | aim |',
    '|---|---|---|',
    `| a worksheet drawn again with its difficulty, of all in the library | ${redrawn.toFixed(1)} ms, median, and ${slowest.toFixed(1)} ms, the slowest | 16: ${slowest <= 16 ? 'reached' : 'not reached'} |`,
    `| “10% harder” calculated, when the pointer rests | ${solved.toFixed(1)} ms, median, and ${slowestSolved.toFixed(1)} ms, the slowest | |`,
    `| the ${sheets} sheets of a week of 60 children as one PDF | ${(week / 1000).toFixed(1)} s | 20: ${week <= 20_000 ? 'reached' : 'not reached'} |`,
  ].join('\n');
}

function labTable({ few, many }: LabFigures): string {
  const ratio = few / many;
  return [
    '| what | figure | aim |',
    '|---|---|---|',
    `| simulated child-sessions a second, one thread | ${Math.round(many).toLocaleString('en')} | |`,
    `| time for four times the children ÷ four times the time | **${ratio.toFixed(2)}** | 1.2: ${ratio <= 1.2 ? 'reached' : 'not reached'} |`,
  ].join('\n');
}

function plannerTable({ oneChild, sixty, bare, megabytes }: PlannerFigures): string {
  return [
    '| what | figure | aim |',
    '|---|---|---|',
    `| one child of 12 tasks in the thread | ${oneChild.toFixed(0)} ms, median | 300: ${oneChild <= 300 ? 'reached' : 'not reached'} |`,
    `| 60 children through the thread ÷ HiGHS alone on the same models | ${sixty.toFixed(0)} ÷ ${bare.toFixed(0)} ms = **${(sixty / bare).toFixed(2)}** | 1.2: ${sixty / bare <= 1.2 ? 'reached' : 'not reached'} |`,
    `| memory of the process meanwhile | ${megabytes.toFixed(0)} MB | |`,
  ].join('\n');
}

function rebuildTable(figures: readonly RebuildFigure[]): string {
  const rows = figures.map(
    ({ children, reports, reportsASecond }) => `| ${children} | ${reports.toLocaleString('en')} | ${reportsASecond.toLocaleString('en')} |`,
  );
  return ['| children | reports | reports a second |', '|---|---|---|', ...rows].join('\n');
}

async function familyOf(context: Context): Promise<{ childId: number; link: string; versionTaskId: number }> {
  const { token, tokenHash, tokenSalt } = newLinkParts(context.linkSecret);
  const createdAt = context.now();
  const [last] = await rowsOf<{ id: number }>(context.db, 'SELECT MAX(id) AS id FROM children');
  const childId = last!.id;
  await inTransaction(context.db, (work) =>
    addLink(work, { childId, tokenHash, tokenSalt, createdAt, expiresAt: instantAfterDays(createdAt, 1) }),
  );
  const [task] = await rowsOf<{ id: number }>(
    context.db,
    'SELECT t.id FROM version_tasks t JOIN program_versions v ON v.id = t.program_version_id JOIN programs p ON p.id = v.program_id WHERE p.child_id = :childId ORDER BY t.position LIMIT 1',
    { childId },
  );
  return { childId, link: familyAddress(context.origin, token), versionTaskId: task!.id };
}

interface Figures {
  readonly reports: number;
  readonly screens: readonly ScreenFigures[];
  readonly reportsPdf: number;
  readonly builder: BytesFigure;
  readonly keys: readonly KeyFigures[];
  readonly pages: readonly PageFigures[];
  readonly firstReport: FirstReportFigures;
  readonly intake: IntakeFigures;
  readonly heart: readonly HeartFigure[];
  readonly rebuild: readonly RebuildFigure[];
  readonly planner: PlannerFigures;
  readonly sheets: SheetFigures;
  readonly lab: LabFigures;
}

function screensTable(screens: readonly ScreenFigures[]): string {
  const screenRows = screens.map((each) => {
    const base = each.bareSqlMilliseconds + each.renderMilliseconds;
    return `| ${each.screen} | ${each.queriesOf6} / ${each.queries} | ${oneDigit(each.bareSqlMilliseconds)} | ${oneDigit(each.renderMilliseconds)} | ${oneDigit(each.requestMilliseconds)} | ${oneDigit(each.requestP95)} | **${oneDigit(each.requestMilliseconds / base)}** |`;
  });
  const heads = '| screen | queries for 6 / all its children | bare SQL ms | bare rendering ms | request ms | request p95 ms | ratio |';
  return [heads, '|---|---|---|---|---|---|---|', ...screenRows].join('\n');
}

const reportsLine = (milliseconds: number) =>
  `All progress reports of those 60 students as one PDF, with a progress bar: **${oneDigit(milliseconds / 1000)} s**. The aim is 20.`;

const oneDigit = (value: number) => value.toFixed(1);

function asMarkdown({
  reports,
  screens,
  reportsPdf,
  builder,
  keys,
  pages,
  firstReport,
  intake,
  heart,
  rebuild,
  planner,
  sheets,
  lab,
}: Figures): string {
  const one = (value: number) => value.toFixed(1);
  const bytes = (screen: string, { kilobytes, compressedKilobytes }: BytesFigure, aim: string) =>
    `| ${screen} | ${Math.round(kilobytes)} | ${one(compressedKilobytes)} | ${aim} |`;
  const byteRows = [
    ...screens.map((each) => bytes(each.screen, each, each.screen === 'Yard' ? '250 / 30' : '')),
    bytes('Builder', builder, '200 / 40'),
  ];
  const keyRows = keys.map((each) => `| ${each.what} | ${one(each.median)} | ${one(each.p95)} |`);
  const pageRows = pages.map(
    (each) =>
      `| ${each.page} | ${each.requests} | ${one(each.usableKilobytes)} | ${one(each.kilobytes)} | ${one(each.usableSeconds)} | ${each.shift.toFixed(3)} |`,
  );
  return `# Performance

Written by \`./yard bench\` in one run on ${cpus().length} cores (${cpus()[0]?.model ?? 'unknown'}), Node ${process.version}: production build and private MariaDB on the same machine, a district of
${reports.toLocaleString('en')} reports, a caseload of 60 students. Values are medians, and ratios compare within this run.

## Screens, from request to last byte

${screensTable(screens)}

*Bare SQL*: the same statements (with commit, without the access log) one after another on one connection of the same driver. *Bare rendering*: only React's \`renderToString\` with the same rows. *Ratio*: request ÷ (bare SQL + bare rendering). The aim is 3 at most.

${reportsLine(reportsPdf)}

## Bytes of a screen

| screen | kB | kB compressed | aim at most |
|---|---|---|---|
${byteRows.join('\n')}

## One key in Review, from press to the next card drawn, in the browser

| key | ms, median | p95 |
|---|---|---|
${keyRows.join('\n')}

The aim is 150 ms at the median. “Next card” shows a card that was loaded ahead. A decision is first saved on the server.

## Report intake

| way | reports a second |
|---|---|
| through the HTTP route | ${Math.round(intake.perSecond)} |
| bare durable INSERT of the same row | ${Math.round(intake.barePerSecond)} |
| ratio | **${(intake.perSecond / intake.barePerSecond).toFixed(2)}** |

16 at a time, alternating blocks of 3 s, \`innodb_flush_log_at_trx_commit=1\`. The aim is a third at least: ${intake.perSecond * 3 >= intake.barePerSecond ? 'reached' : 'not reached. decisions.md explains where the time goes'}.

## The grading heart

${heartTable(heart)}

## The planner

${plannerTable(planner)}

## Sheets

${sheetsTable(sheets)}

## Step rules

${labTable(lab)}

## All figures from the log

Outcomes, practice per day, practice amount, days at each step, and suggestions: recalculated from three years of reports of a district, in a worker.

${rebuildTable(rebuild)}

The aim is 200,000 reports per second, also for more students.

## Family pages, compressed, empty cache

| page | requests | usable after kB | all kB | usable after s | shift |
|---|---|---|---|---|---|
${pageRows.join('\n')}

*Usable after*: the page and its style sheet. From then on it works without scripts and fonts. With scripts, the seconds are until they run. Seconds and shift (how much the page moves while loading) are for a connection of 50 kB/s with 400 ms, and a processor six times slower. The aims are 30 kB, 150 kB, 3 s and 0.01.

A first report by touch on that connection and phone, with a tap every 0.4 s and no time to read: **${firstReport.taps} taps, ${one(firstReport.seconds)} s**, from the link until the page says that it is saved. The aims are 8 and 20.
`;
}
