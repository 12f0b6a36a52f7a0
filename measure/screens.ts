import mariadb from 'mariadb';
import { createElement, type ReactElement } from 'react';
import { renderToString } from 'react-dom/server';
import { addPerson, giveAccess, inTransaction } from '@/db';
import { rowsOf } from '../scripts/sql';
import type { PersonActor } from '@/server/actor';
import type { Context } from '@/server/context';
import { viewYard } from '@/server/caseload/viewYard';
import { viewRounds } from '@/server/rounds/viewRounds';
import { RoundsEvidence } from '@/ui/desk/rounds/RoundsEvidence';
import { yardSheet } from '@/ui/desk/yard/yardSheet';
import { YardTable } from '@/ui/desk/yard/YardTable.client';
import { medianMilliseconds } from './timing';

const RUNS = 40;
const EVERYONE = { search: '', filter: 'everyone', sort: 'name', school: null, bySchool: true } as const;

export interface ScreenFigures {
  readonly screen: string;
  readonly queriesOf6: number;
  readonly queriesOf60: number;
  readonly requestMilliseconds: number;
  readonly bareSqlMilliseconds: number;
  readonly renderMilliseconds: number;
  readonly kilobytes: number;
}

/** Yard and Rounds from request to last byte, beside the same SQL on a bare connection and the same rows rendered. */
export async function measureScreens(context: Context, databaseUrl: string, url: string, cookie: string): Promise<ScreenFigures[]> {
  const actor: PersonActor = { kind: 'person', personId: 1, name: 'Bench', role: 'therapist', signInId: 1 };
  const small = await actorWith(context, 6);
  const yard = (who: PersonActor) => viewYard(context, who, EVERYONE);
  const rounds = (who: PersonActor) => viewRounds(context, who, null);
  const yardView = await yard(actor);
  const roundsView = await rounds(actor);
  const screens: { screen: string; address: string; load: (who: PersonActor) => Promise<unknown>; element: ReactElement }[] = [
    {
      screen: 'Yard',
      address: '/yard',
      load: yard,
      element: createElement(YardTable, { sheet: yardSheet(yardView.days, yardView.groups) }),
    },
    {
      screen: 'Rounds',
      address: '/rounds',
      load: rounds,
      element: createElement(RoundsEvidence, { here: roundsView.here!, today: roundsView.today }),
    },
  ];
  const figures: ScreenFigures[] = [];
  for (const { screen, address, load, element } of screens) {
    const of6 = await statementsOf(context, () => load(small));
    const of60 = await statementsOf(context, () => load(actor));
    const bare = await mariadb.createConnection({ ...optionsFrom(databaseUrl), timezone: 'Z' });
    let bytes = 0;
    const request = async () => {
      const answer = await fetch(`${url}${address}`, { headers: { cookie } });
      bytes = (await answer.arrayBuffer()).byteLength;
    };
    figures.push({
      screen,
      queriesOf6: of6.filter(isQuestion).length,
      queriesOf60: of60.filter(isQuestion).length,
      requestMilliseconds: await medianMilliseconds(RUNS, request),
      bareSqlMilliseconds: await medianMilliseconds(RUNS, async () => {
        for (const statement of of60) await bare.query(statement);
      }),
      renderMilliseconds: await medianMilliseconds(RUNS, () => renderToString(element)),
      kilobytes: bytes / 1024,
    });
    await bare.end();
  }
  return figures;
}

export function optionsFrom(databaseUrl: string) {
  const { hostname, port, username, password, pathname } = new URL(databaseUrl.replace('mariadb:', 'http:'));
  return { host: hostname, port: Number(port), user: username, password, database: pathname.slice(1) };
}

const isQuestion = (statement: string) => !/^(START TRANSACTION|COMMIT|SET )/.test(statement);

/** The statements that a screen runs, as they reach the server. */
async function statementsOf(context: Context, load: () => Promise<unknown>): Promise<string[]> {
  await load();
  const statements: string[] = [];
  const { options } = context.db.sequelize as unknown as { options: { logging: false | ((line: string) => void) } };
  options.logging = (line) => statements.push(line.replace(/^Executing \([^)]*\): /, '').replace(/;$/, ''));
  await load();
  options.logging = false;
  return statements;
}

async function actorWith(context: Context, children: number): Promise<PersonActor> {
  const rows = await rowsOf<{ id: number }>(context.db, 'SELECT id FROM children ORDER BY id LIMIT :children', { children });
  const now = context.now();
  const personId = await inTransaction(context.db, async (work) => {
    const person = { name: 'Small caseload', email: `small-${now}@tarrowhill.example`, role: 'therapist', passwordHash: '-' } as const;
    const id = await addPerson(work, person, now);
    for (const { id: childId } of rows) await giveAccess(work, childId, id, 'shared');
    return id;
  });
  return { kind: 'person', personId, name: 'Small', role: 'therapist', signInId: 0 };
}
