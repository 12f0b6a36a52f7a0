import path from 'node:path';
import { Worker } from 'node:worker_threads';
import { solverBy, type AskHighs, type HighsAnswer } from '@/core/planner';
import type { Solver } from '@/server/ports';

/** A question that has no answer so long after its own limit: the thread is ended, and a new one begins. */
const PATIENCE_MILLISECONDS = 60_000;

interface Asked {
  readonly resolve: (answer: HighsAnswer) => void;
  readonly reject: (error: Error) => void;
  readonly timer: NodeJS.Timeout;
}

/** HiGHS in a thread of its own, begun at the first question. What is asked meanwhile waits its turn. */
export class HighsSolver implements Solver {
  private worker: Worker | null = null;
  private readonly asked = new Map<number, Asked>();
  private next = 1;
  private readonly solver = solverBy((problem, options) => this.ask(problem, options));

  readonly solve: Solver['solve'] = (model) => this.solver(model);

  /** Ends the thread; a later question begins a new one. */
  async close(): Promise<void> {
    await this.worker?.terminate();
    this.end(new Error('The solver was closed'));
  }

  private readonly ask: AskHighs = (problem, options) =>
    new Promise((resolve, reject) => {
      const id = this.next++;
      const timer = setTimeout(() => void this.worker?.terminate(), PATIENCE_MILLISECONDS * (this.asked.size + 1));
      this.asked.set(id, { resolve, reject, timer });
      const worker = this.running();
      worker.ref();
      worker.postMessage({ id, problem, options });
    });

  private running(): Worker {
    if (this.worker) return this.worker;
    const worker = new Worker(path.join(/* turbopackIgnore: true */ process.cwd(), 'src', 'outside', 'highsWorker.mjs'));
    worker.on('message', ({ id, answer, fault }: { id: number; answer?: HighsAnswer; fault?: string }) => this.settle(id, answer, fault));
    worker.on('error', (error) => this.end(error));
    worker.on('exit', () => this.end(new Error('The solver ended')));
    this.worker = worker;
    return worker;
  }

  private settle(id: number, answer: HighsAnswer | undefined, fault: string | undefined): void {
    const asked = this.asked.get(id);
    if (!asked) return;
    this.asked.delete(id);
    clearTimeout(asked.timer);
    // A process that has nothing else to do may end.
    if (this.asked.size === 0) this.worker?.unref();
    if (answer) asked.resolve(answer);
    else asked.reject(new Error(fault));
  }

  private end(error: Error): void {
    this.worker = null;
    for (const { reject, timer } of this.asked.values()) {
      clearTimeout(timer);
      reject(error);
    }
    this.asked.clear();
  }
}
