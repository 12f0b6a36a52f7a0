import { useEffect, useState } from 'react';
import { solverBy, type AskHighs, type HighsAnswer, type Solve } from '@/core/planner';

/** Made beside the pages by scripts/familyFiles.ts, with a policy of its own: it alone may run the compiled solver. */
const WORKER = '/plan/worker.js';

interface Answered {
  readonly id: number;
  readonly answer?: HighsAnswer;
  readonly fault?: string;
}

/** A solver in a worker of this page, begun at the first question. */
class PageSolver {
  private worker: Worker | null = null;
  private next = 1;
  private readonly asked = new Map<number, { resolve: (answer: HighsAnswer) => void; reject: (error: Error) => void }>();

  private readonly ask: AskHighs = (problem, options) =>
    new Promise((resolve, reject) => {
      this.worker ??= this.begin();
      const id = this.next++;
      this.asked.set(id, { resolve, reject });
      this.worker.postMessage({ id, problem, options });
    });

  readonly solve: Solve = solverBy(this.ask);

  end(): void {
    this.worker?.terminate();
    this.fail(new Error('The page was closed'));
  }

  private begin(): Worker {
    const worker = new Worker(WORKER);
    worker.onmessage = ({ data: { id, answer, fault } }: MessageEvent<Answered>) => {
      const waiting = this.asked.get(id);
      this.asked.delete(id);
      if (answer) waiting?.resolve(answer);
      else waiting?.reject(new Error(fault));
    };
    worker.onerror = () => this.fail(new Error('The planner could not start'));
    return worker;
  }

  private fail(error: Error): void {
    this.worker = null;
    for (const { reject } of this.asked.values()) reject(error);
    this.asked.clear();
  }
}

/** A solver that ends with the page. */
export function useSolver(): Solve {
  const [solver] = useState(() => new PageSolver());
  useEffect(() => () => solver.end(), [solver]);
  return solver.solve;
}
