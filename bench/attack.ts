import { CATALOGUE_FORMAT } from '@/core/model/catalogueSchema';
import { attack, readersOf } from '@/core/tests/mutants';
import { briefOf, dataOf, machineOf } from '@/core/tests/world';

// 100,000 mutated inputs over all readers, twice: nothing may throw, stand still, or be taken and throw later.
// Use: npx tsx bench/attack.ts [INPUTS]
const inputs = Number(process.argv[2] ?? 100_000);
const readers = readersOf(
  { ...dataOf(), format: CATALOGUE_FORMAT, version: 1, name: 'World' } as never,
  briefOf(),
  machineOf(),
);
for (const seed of [1, 2]) {
  const began = performance.now();
  const { taken, slowest, thrown } = attack(readers, inputs, seed, () => performance.now());
  const seconds = (performance.now() - began) / 1000;
  // the machine is shared: what was slowest is read again by itself
  const again = Math.min(
    ...[1, 2, 3].map(() => {
      const start = performance.now();
      readers.find(({ name }) => name === slowest.reader)?.read(slowest.text);
      return (performance.now() - start) / 1000;
    }),
  );
  console.log(
    `seed ${seed}: ${inputs} inputs on ${readers.length} readers in ${seconds.toFixed(0)} s, ${taken} taken, slowest ${slowest.seconds.toFixed(2)} s, again ${again.toFixed(2)} s (${slowest.reader}, ${slowest.text.length} letters), ${thrown.length} thrown`,
  );
  for (const { reader, text, error } of thrown.slice(0, 5))
    console.log(`  ${reader}: ${error.split('\n')[0] ?? ''} for ${JSON.stringify(text.slice(0, 120))}`);
  if (thrown.length > 0 || again > 2) process.exitCode = 1;
}
