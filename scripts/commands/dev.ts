import { startDemo, untilStopped } from './demo';

export async function dev(words: readonly string[]): Promise<number> {
  return untilStopped(await startDemo(words, 'dev'));
}
