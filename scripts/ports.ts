import { createServer } from 'node:net';

/** True where nothing listens on the loopback port. */
export function isPortFree(port: number): Promise<boolean> {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });
}

/** A loopback port that is free now. */
export function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address();
      const port = typeof address === 'object' && address ? address.port : 0;
      probe.close(() => resolve(port));
    });
  });
}

/** The wanted port. @throws Error where something listens on it */
export async function portExactly(wanted: number): Promise<number> {
  if (await isPortFree(wanted)) return wanted;
  throw new Error(`Something listens on port ${wanted} already. End it, or choose another port.`);
}
