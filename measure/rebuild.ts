import { Worker } from 'node:worker_threads';

export interface RebuildFigure {
  readonly children: number;
  readonly reports: number;
  readonly reportsASecond: number;
}

/** All derived figures of a district of three years from its log, in a worker: at a quarter, half and all of its children. */
export async function measureRebuild(): Promise<RebuildFigure[]> {
  const figures: RebuildFigure[] = [];
  for (const children of [550, 1_100, 2_200]) {
    const { reports, milliseconds } = await inWorker(children);
    figures.push({ children, reports, reportsASecond: Math.round((reports / milliseconds) * 1_000) });
  }
  return figures;
}

function inWorker(children: number): Promise<{ readonly reports: number; readonly milliseconds: number }> {
  return new Promise((resolve, reject) => {
    const file = JSON.stringify(new URL('./rebuildWorker.ts', import.meta.url).href);
    // A worker learns to read TypeScript by itself: what the main thread was started with does not hold in it.
    const start = `import('tsx/esm/api').then(({ register }) => { register(); return import(${file}); })`;
    const worker = new Worker(start, { eval: true, workerData: { children } });
    worker.once('message', resolve);
    worker.once('error', reject);
  });
}
