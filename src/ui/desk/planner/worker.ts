import loadHighs from 'highs';
import type { AskHighs, HighsAnswer } from '@/core/planner';

/** HiGHS in the browser, on a thread of its own: a problem in the LP format in, its answer out. */
interface SolverThread {
  postMessage(answer: { readonly id: number; readonly answer?: HighsAnswer; readonly fault?: string }): void;
  onmessage:
    | ((event: { readonly data: { readonly id: number; readonly problem: string; readonly options: Parameters<AskHighs>[1] } }) => void)
    | null;
}
const thread = self as unknown as SolverThread;
const loading = loadHighs({ locateFile: (file: string) => `/plan/${file}` });

thread.onmessage = async ({ data: { id, problem, options } }) => {
  try {
    const highs = await loading;
    thread.postMessage({ id, answer: highs.solve(problem, options) as unknown as HighsAnswer });
  } catch (error) {
    thread.postMessage({ id, fault: String(error) });
  }
};
