import { corpus, measured } from '../tests/fixtures/replies';
const name = (process.argv[2] ?? 'tuning') as 'tuning' | 'heldOut';
const quiet = process.argv[3] === 'counts';
const sums: Record<string, number> = {};
for (const reply of corpus(name)) {
  const { as, got } = measured(reply);
  sums[as] = (sums[as] ?? 0) + 1;
  if (!quiet && got !== reply.meant)
    console.log(
      `${as.padEnd(6)} ${reply.kind.slice(0, 8).padEnd(8)} ${reply.language} ${JSON.stringify(reply.text)}\n          meant ${reply.meant}\n          got   ${got}`,
    );
}
console.log(sums);
