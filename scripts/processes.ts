export function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
}

/** Asks again and again until the answer is yes; says what it waited for when the time is over. */
export async function waitFor(what: string, isThere: () => Promise<boolean> | boolean, milliseconds: number): Promise<void> {
  const until = Date.now() + milliseconds;
  while (!(await isThere())) {
    if (Date.now() > until) throw new Error(`Waited ${Math.round(milliseconds / 1000)} s for ${what}`);
    await pause(50);
  }
}

export async function waitForEnd(pid: number, milliseconds: number): Promise<void> {
  await waitFor(`process ${pid} to end`, () => !isAlive(pid), milliseconds);
}

export function pause(milliseconds: number): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve, milliseconds));
}
