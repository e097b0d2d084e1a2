/** Runs once when the app starts: prices are kept fresh and backups made, as the desk's settings say. */
export async function register(): Promise<void> {
  if (process.env['NEXT_RUNTIME'] !== 'nodejs') return;
  const { service } = await import('@/server/instance');
  const { keepPricesFresh } = await import('@/server/prices/schedule');
  const { keepBackups } = await import('@/server/backups');
  const { servePages } = await import('@/server/quotes/pages');
  const { troubleLine, troubleOf } = await import('@/server/trouble');
  try {
    keepPricesFresh(service());
    keepBackups(service());
    await servePages(service());
  } catch (error) {
    // the app goes on: its pages say the same, and it works again as soon as the matter is settled
    const trouble = troubleOf(error);
    console.error(trouble ? troubleLine(trouble) : error);
  }
}
