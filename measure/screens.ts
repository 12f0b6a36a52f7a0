import { gzipSync } from 'node:zlib';
import mariadb from 'mariadb';
import { createElement, type ReactElement } from 'react';
import { renderToString } from 'react-dom/server';
import { instant } from '@/core/calendar';
import { addPerson, giveAccess, inTransaction } from '@/db';
import { rowsOf } from '../scripts/sql';
import type { PersonActor } from '@/server/actor';
import type { Context } from '@/server/context';
import { viewCaseload, type CaseloadView } from '@/server/caseload/viewCaseload';
import { hashPassword, signIn } from '@/server/accounts/signIn';
import { reportsOfCaseload } from '@/server/progress/makeReports';
import { viewProgress } from '@/server/progress/viewProgress';
import { viewReview } from '@/server/review/viewReview';
import { ReviewEvidence } from '@/ui/desk/review/ReviewEvidence';
import { ProgressScreen } from '@/ui/desk/progress/ProgressScreen';
import { reportPage } from '@/ui/desk/progress/reportPage';
import { caseloadSheet } from '@/ui/desk/caseload/caseloadSheet';
import { CaseloadTable } from '@/ui/desk/caseload/CaseloadTable.client';
import { BENCH_PASSWORD } from './seedDistrict';
import { seedGoals } from './seedGoals';
import { median, medianMilliseconds, percentile, timesOf } from './timing';

const RUNS = 20;
const MANY = 400;
const EVERYONE = { search: '', filter: 'everyone', sort: 'name', school: null, bySchool: true } as const;

export interface ScreenFigures {
  readonly screen: string;
  readonly queriesOf6: number;
  readonly queries: number;
  readonly requestMilliseconds: number;
  readonly requestP95: number;
  readonly bareSqlMilliseconds: number;
  readonly renderMilliseconds: number;
  readonly kilobytes: number;
  /** As it travels. */
  readonly compressedKilobytes: number;
}

export interface BytesFigure {
  readonly kilobytes: number;
  readonly compressedKilobytes: number;
}

const nothing = () => Promise.resolve(null);
/** The forms of a screen that is rendered alone lead nowhere. */
const NO_ACTS = { write: nothing, close: nothing, reopen: nothing, savePattern: nothing, deletePattern: nothing };

const BENCH_ACTOR: PersonActor = { kind: 'person', personId: 1, name: 'Bench', role: 'therapist', signInId: 1, confirmedUntil: instant(0) };

interface Measured {
  readonly screen: string;
  readonly address: string;
  readonly load: (who: PersonActor) => Promise<unknown>;
  readonly element: ReactElement;
  readonly actor: PersonActor;
  readonly cookie: string;
}

/** Yard and Rounds from request to last byte, beside the same SQL on a bare connection and the same rows rendered. */
export async function measureScreens(context: Context, databaseUrl: string, url: string, cookie: string): Promise<ScreenFigures[]> {
  const actor = BENCH_ACTOR;
  const small = await actorWith(context, 6);
  const large = await actorWith(context, MANY);
  const largeCookie = `yard=${(await signIn(context, { email: large.email, password: BENCH_PASSWORD })).token}`;
  await seedGoals(context, MANY);
  const yard = (who: PersonActor) => viewCaseload(context, who, EVERYONE);
  const rounds = (who: PersonActor) => viewReview(context, who, null);
  const progress = (who: PersonActor) => viewProgress(context, who, null);
  const progressOf = async (who: PersonActor) => createElement(ProgressScreen, { view: await progress(who), acts: NO_ACTS });
  const tableOf = ({ days, groups }: CaseloadView) => createElement(CaseloadTable, { sheet: caseloadSheet(days, groups) });
  const evidenceOf = async (who: PersonActor) => {
    const { here, today } = await rounds(who);
    return createElement(ReviewEvidence, { here: here!, today });
  };
  const screens: Measured[] = [
    { screen: 'Yard', address: '/caseload', load: yard, element: tableOf(await yard(actor)), actor, cookie },
    {
      screen: `Yard, ${MANY} children`,
      address: '/caseload',
      load: yard,
      element: tableOf(await yard(large.actor)),
      actor: large.actor,
      cookie: largeCookie,
    },
    { screen: 'Rounds', address: '/review', load: rounds, element: await evidenceOf(actor), actor, cookie },
    {
      screen: `Rounds, ${MANY} children`,
      address: '/review',
      load: rounds,
      element: await evidenceOf(large.actor),
      actor: large.actor,
      cookie: largeCookie,
    },
    { screen: 'Progress', address: '/progress', load: progress, element: await progressOf(actor), actor, cookie },
    {
      screen: `Progress, ${MANY} children`,
      address: '/progress',
      load: progress,
      element: await progressOf(large.actor),
      actor: large.actor,
      cookie: largeCookie,
    },
  ];
  const figures: ScreenFigures[] = [];
  for (const { screen, address, load, element, actor: who, cookie: theirs } of screens) {
    const of6 = await statementsOf(context, () => load(small.actor));
    const statements = await statementsOf(context, () => load(who));
    let body: Buffer = Buffer.alloc(0);
    const requests = await timesOf(RUNS, async () => {
      const answer = await fetch(`${url}${address}`, { headers: { cookie: theirs } });
      body = Buffer.from(await answer.arrayBuffer());
      if (!answer.ok) throw new Error(`${address} answered ${answer.status}`);
    });
    figures.push({
      screen,
      queriesOf6: of6.filter(isQuestion).length,
      queries: statements.filter(isQuestion).length,
      requestMilliseconds: median(requests),
      requestP95: percentile(requests, 0.95),
      bareSqlMilliseconds: await bareSql(databaseUrl, statements),
      renderMilliseconds: await medianMilliseconds(RUNS, () => renderToString(element)),
      kilobytes: body.byteLength / 1024,
      compressedKilobytes: gzipSync(body).byteLength / 1024,
    });
  }
  return figures;
}

/** All reports of a caseload of 60 as one PDF, from the log to the file. */
export async function measureReports(context: Context): Promise<number> {
  return medianMilliseconds(3, () => reportsOfCaseload(context, BENCH_ACTOR, {}, reportPage, async () => true));
}

/** The builder's page, which holds one child's program; its bytes alone. */
export async function measureBuilder(url: string, cookie: string, childId: number): Promise<BytesFigure> {
  const answer = await fetch(`${url}/students/${childId}/program`, { headers: { cookie } });
  if (!answer.ok) throw new Error(`The builder answered ${answer.status}`);
  const body = Buffer.from(await answer.arrayBuffer());
  return { kilobytes: body.byteLength / 1024, compressedKilobytes: gzipSync(body).byteLength / 1024 };
}

async function bareSql(databaseUrl: string, statements: readonly string[]): Promise<number> {
  const bare = await mariadb.createConnection({ ...optionsFrom(databaseUrl), timezone: 'Z' });
  try {
    return await medianMilliseconds(RUNS, async () => {
      for (const statement of statements) await bare.query(statement);
    });
  } finally {
    await bare.end();
  }
}

export function optionsFrom(databaseUrl: string) {
  const { hostname, port, username, password, pathname } = new URL(databaseUrl.replace('mariadb:', 'http:'));
  return { host: hostname, port: Number(port), user: username, password, database: pathname.slice(1) };
}

/** The trail of looks is written apart from any request, a batch at a time. */
const isTrail = (statement: string) => /^INSERT INTO jobs/.test(statement);
const isQuestion = (statement: string) => !/^(START TRANSACTION|COMMIT|SET )/.test(statement);

/** The statements that a screen runs, as they reach the server. */
async function statementsOf(context: Context, load: () => Promise<unknown>): Promise<string[]> {
  await load();
  const statements: string[] = [];
  const { options } = context.db.sequelize as unknown as { options: { logging: false | ((line: string) => void) } };
  options.logging = (line) => statements.push(line.replace(/^Executing \([^)]*\): /, '').replace(/;$/, ''));
  await load();
  options.logging = false;
  return statements.filter((statement) => !isTrail(statement));
}

async function actorWith(context: Context, children: number): Promise<{ actor: PersonActor; email: string }> {
  const rows = await rowsOf<{ id: number }>(context.db, 'SELECT id FROM children ORDER BY id LIMIT :children', { children });
  const now = context.now();
  const email = `with-${children}-${now}@tarrowhill.example`;
  const passwordHash = await hashPassword(BENCH_PASSWORD);
  const personId = await inTransaction(context.db, async (work) => {
    const id = await addPerson(work, { name: 'Another caseload', email, role: 'therapist', passwordHash }, now);
    for (const { id: childId } of rows) await giveAccess(work, childId, id, 'shared');
    return id;
  });
  return {
    actor: {
      kind: 'person',
      personId,
      name: 'Another caseload',
      role: 'therapist',
      signInId: 0,
      confirmedUntil: instant(8e15),
    },
    email,
  };
}
