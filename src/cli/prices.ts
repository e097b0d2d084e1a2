import { existsSync } from 'node:fs';
import { importPoints } from '@/server/prices/pointsFile';
import { refreshAll, refreshPrices } from '@/server/prices/refresh';
import { withService } from './files';
import { refuse, say } from './say';

/** `vane prices FILE…` */
export async function pricesCommand(paths: readonly string[]): Promise<number> {
  if (paths.length === 0) return refuse([{ path: 'FILE', message: 'is missing; name a table of prices by day' }]);
  return withService(async (service) => {
    for (const path of paths) {
      if (!existsSync(path)) return refuse([{ path, message: 'does not exist' }]);
      const { written, problems, problemCount } = await importPoints(service, path);
      if (problemCount > 0) {
        const more = problemCount - problems.length;
        return refuse([
          ...problems.map((problem) => ({ path: `${path} ${problem.path}`, message: problem.message })),
          ...(more > 0 ? [{ path, message: `has ${more} more problems; nothing of it was taken` }] : []),
        ]);
      }
      say(`${path}: ${written} prices taken`);
    }
    return 0;
  });
}

/** `vane refresh` */
export const refreshCommand = (): Promise<number> =>
  withService(async (service) => {
    const refreshed = await refreshPrices(service, 'the command line');
    if (refreshed.state === 'busy') {
      say('another refresh is running');
      return 3;
    }
    const { report } = refreshed;
    for (const source of report.sources) {
      say(
        source.state === 'done'
          ? `${source.name}: ${source.read} read, ${source.moved} prices moved${source.unmatched > 0 ? `, ${source.unmatched} not in the library` : ''}`
          : `${source.name}: ${source.message ?? source.state}; its last good prices stay`,
      );
      for (const problem of source.problems) say(`  ${problem.place} ${problem.message}`);
    }
    if (report.message) say(report.message);
    return report.sources.some((source) => source.state === 'failed') ? 1 : 0;
  });

/** A refresh that the app asked for, in this process of its own: how it goes is told as lines of JSON. */
export const refreshJobCommand = ([id, started, by]: readonly string[]): Promise<number> =>
  withService(async (service) => {
    if (id === undefined || started === undefined || by === undefined)
      return refuse([{ path: 'refresh-job', message: 'is asked for by the app itself; use refresh' }]);
    const place = { id: Number(id), started };
    await refreshAll(service, by, place, { onReport: (report) => say(JSON.stringify(report)) });
    return 0;
  });
