/** Under the development server there is no src/main/web.ts: the pages get their context here. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || process.env.NODE_ENV !== 'development') return;
  const [{ provideContext }, { contextFrom }] = await Promise.all([import('./server/context'), import('./main/contextFrom')]);
  provideContext(contextFrom(process.env));
}
