/** Under the development server there is no src/main/web.ts: the pages get their context here. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || process.env.NODE_ENV !== 'development') return;
  const [{ provideContext }, { contextFrom }] = await Promise.all([import('./server/context'), import('./main/contextFrom')]);
  provideContext(contextFrom(process.env));
}

/** Logs errors that no use case caught: with their digest, and without the address, which may be a private link. */
export async function onRequestError(
  error: unknown,
  _request: unknown,
  { routePath, routeType }: { routePath: string; routeType: string },
): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { logUncaught } = await import('./server/answer');
  logUncaught(error, { routePath, routeType });
}
