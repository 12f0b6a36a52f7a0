/** Says what is being done and how far it is. */
export function say(text: string): void {
  process.stdout.write(`${text}\n`);
}

/** Runs a step and says how long it took. */
export async function step<Value>(what: string, job: () => Promise<Value> | Value): Promise<Value> {
  process.stdout.write(`${what}… `);
  const start = performance.now();
  const value = await job();
  process.stdout.write(`${((performance.now() - start) / 1000).toFixed(1)} s\n`);
  return value;
}
