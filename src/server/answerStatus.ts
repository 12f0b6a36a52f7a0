import { AsyncLocalStorage } from 'node:async_hooks';

interface AnswerScope {
  status: number | null;
}

// A single scope for the whole process: the web server and the pages that it serves are bundled apart.
const holder = globalThis as { yardAnswerScope?: AsyncLocalStorage<AnswerScope> };
const scopes = (holder.yardAnswerScope ??= new AsyncLocalStorage<AnswerScope>());

/** Runs what answers a request; `statusOf` gives the status that a page has asked for meanwhile, null where none has. */
export function withAnswerStatus<Value>(run: (statusOf: () => number | null) => Value): Value {
  const scope: AnswerScope = { status: null };
  return scopes.run(scope, () => run(() => scope.status));
}

/** Lets a page that shows a fault be answered with the fault's status, so that monitors and balancers see it. */
export function setAnswerStatus(status: number): void {
  const scope = scopes.getStore();
  if (scope) scope.status = status;
}
