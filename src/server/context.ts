import path from 'node:path';
import { type Instant, instant } from '@/core/calendar';
import { openDatabase, type Database } from '@/db';
import { PretendPhone } from '../outside/pretendPhone';

/** What use cases stand on: the database, the clock, the post and the address that links begin with. */
export interface Context {
  readonly db: Database;
  readonly now: () => Instant;
  readonly phone: PretendPhone;
  readonly origin: string;
}

const holder = globalThis as { yardContext?: Context };

/** The running application's own context, made once from the environment. */
export function appContext(): Context {
  holder.yardContext ??= contextFrom(process.env);
  return holder.yardContext;
}

export function contextFrom(environment: NodeJS.ProcessEnv): Context {
  const url = environment.YARD_DATABASE_URL;
  if (!url) throw new Error('YARD_DATABASE_URL is not set. Start the program with ./yard demo or ./yard dev, which set it.');
  const dataFolder = environment.YARD_DATA ?? path.join(/* turbopackIgnore: true */ process.cwd(), '.data');
  const origin = environment.YARD_ORIGIN ?? 'http://127.0.0.1:3000';
  return {
    db: openDatabase(url),
    now: () => instant(Date.now()),
    phone: new PretendPhone(path.join(dataFolder, 'pretend-phone'), origin),
    origin,
  };
}
