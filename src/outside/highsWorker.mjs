// HiGHS on a thread of its own: a problem in the LP format in, its answer out. It stands still while it solves; whoever asks does not.
import { parentPort } from 'node:worker_threads';
import loadHighs from 'highs';

const highs = await loadHighs();

parentPort.on('message', ({ id, problem, options }) => {
  try {
    parentPort.postMessage({ id, answer: highs.solve(problem, options) });
  } catch (error) {
    parentPort.postMessage({ id, fault: String(error) });
  }
});
