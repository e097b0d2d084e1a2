import { readFileSync } from 'node:fs';

/** Median milliseconds of a call, over batches long enough for the clock. */
export function median(run: () => unknown, rounds = 401, batch = 5, warm = 300): number {
  for (let i = 0; i < warm; i++) run();
  const times: number[] = [];
  for (let i = 0; i < rounds; i++) {
    const started = performance.now();
    for (let k = 0; k < batch; k++) run();
    times.push((performance.now() - started) / batch);
  }
  times.sort((a, b) => a - b);
  return times[Math.floor(times.length / 2)] ?? NaN;
}

export const filmCase = readFileSync('bench/film-desk.case.json', 'utf8');

/** Median of parsing the film desk's case file: what every other time is a ratio to, measured in the same run. */
export const parseBaseline = (): number => median(() => JSON.parse(filmCase));
