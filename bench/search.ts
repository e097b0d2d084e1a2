import { indexLibrary, searchLibrary, type LibraryIndex } from '@/core/library/search';
import type { Part } from '@/core/parts';
import { demoParts } from '@/demo/catalogue';

/** Questions over 10,000 and 100,000 parts: medians, the ratio to one pass of `includes` over the names, and growth. */
const QUESTIONS = [
  'gale 24',
  'graphics memory >= 24 GB',
  '< 300 mm',
  '2 TB',
  'spate >= 5000 MB/s',
  'cores at least 12',
  'under 300 USD',
];

function median(run: () => unknown, rounds = 31): number {
  for (let i = 0; i < 5; i++) run();
  const times = Array.from({ length: rounds }, () => {
    const from = performance.now();
    run();
    return performance.now() - from;
  }).sort((a, b) => a - b);
  return times[Math.floor(times.length / 2)] ?? NaN;
}

function indexOf(size: number): { index: LibraryIndex; tookMs: number } {
  // figures as the generator makes them; the importer has checked them elsewhere
  const parts = demoParts(size).map((entry) => ({ entry, part: entry.part as unknown as Part }));
  const prices = new Map(parts.map(({ entry, part }) => [part, entry.usd * 100]));
  const from = performance.now();
  const index = indexLibrary(
    parts.map(({ part }) => part),
    'USD',
    (part) => ({ landedMinor: prices.get(part), used: 0 }),
  );
  return { index, tookMs: performance.now() - from };
}

const medians = new Map<string, number[]>();
for (const size of [10_000, 100_000]) {
  const { index, tookMs } = indexOf(size);
  const scan = median(() => index.names.filter((name) => name.includes('gale')).length);
  console.log(`\n${size} parts, index built in ${tookMs.toFixed(0)} ms; one pass over the names ${scan.toFixed(1)} ms`);
  for (const text of QUESTIONS) {
    const found = searchLibrary(index, { text }).found.length;
    const ms = median(() => searchLibrary(index, { text }));
    medians.set(text, [...(medians.get(text) ?? []), ms]);
    console.log(
      `${text.padEnd(28)} ${String(found).padStart(6)} found   ${ms.toFixed(1).padStart(6)} ms   ${(ms / scan).toFixed(1)} × the pass`,
    );
  }
  const sorted = median(() => searchLibrary(index, { text: '', sort: { key: 'price', descending: true } }));
  console.log(
    `${'all, by price'.padEnd(28)} ${String(size).padStart(6)} found   ${sorted.toFixed(1).padStart(6)} ms   ${(sorted / scan).toFixed(1)} × the pass`,
  );
}
console.log('\ngrowth from 10,000 to 100,000 parts');
for (const [text, [small = NaN, large = NaN]] of medians)
  console.log(`${text.padEnd(28)} ${(large / small).toFixed(1)} ×`);
