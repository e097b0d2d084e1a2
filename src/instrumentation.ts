/** Runs once when the app starts: prices are kept fresh as the desk's settings say. */
export async function register(): Promise<void> {
  if (process.env['NEXT_RUNTIME'] !== 'nodejs') return;
  const { service } = await import('@/server/instance');
  const { keepPricesFresh } = await import('@/server/prices/schedule');
  keepPricesFresh(service());
}
