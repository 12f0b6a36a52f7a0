/** From this on a password stands against many guesses at a stolen hash (the package's own scale, 0 to 4). */
export const HARD_ENOUGH = 3;

let estimating: Promise<(password: string, telling: string[]) => number> | undefined;

/**
 * How hard a password is to guess, from 0 to 4, by the lists of passwords that leaked most, patterns of the keyboard, dates,
 * repeats, and what tells of the person. The lists come with the package and are read when first asked for.
 */
export async function hardnessOf(password: string, telling: readonly string[]): Promise<number> {
  estimating ??= estimator();
  return (await estimating)(password, [...telling]);
}

async function estimator() {
  const [{ ZxcvbnFactory }, { adjacencyGraphs, dictionary }] = await Promise.all([
    import('@zxcvbn-ts/core'),
    import('@zxcvbn-ts/language-common'),
  ]);
  const zxcvbn = new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs });
  return (password: string, telling: string[]) => zxcvbn.check(password, telling).score;
}
