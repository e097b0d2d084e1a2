import { basketOf } from '@/core/money/basket';
import { flat, market, offer, policyOf, shop, thing, NET } from '@/core/tests/shops';
import { seeded } from '@/demo/seed';
import { parseBaseline } from './baseline';

/** Basket of 16 parts over 12 sellers that all have all of them, with weight classes, thresholds, coupons and a bundle. */
function question(seed: number) {
  const random = seeded(seed);
  const prices = [620, 540, 410, 330, 290, 260, 180, 150, 120, 95, 60, 38, 24, 18, 12, 9];
  const parts = prices.map((_, i) => thing(`p${i}`, { massG: 200 + Math.round(random() * 4000) }));
  const sellers = Array.from({ length: 12 }, (_, s) =>
    shop(`s${s}`, {
      shipping: [
        {
          ...flat(0)[0]!,
          classes: [
            { upToKg: 2, minor: 390 + s * 20 },
            { upToKg: 10, minor: 690 + s * 20 },
            { upToKg: 30, minor: 1190 },
          ],
          ...(s % 3 === 0 ? {} : { freeFromMinor: 50_00 + s * 25_00 }),
        },
      ],
      ...(s === 4
        ? { coupons: [{ id: 'c', region: 'here', until: '2026-12-31', percent: '3', fromMinor: 300_00 }] }
        : {}),
      ...(s === 7
        ? {
            bundles: [
              {
                id: 'b',
                name: 'Pair',
                region: 'here',
                parts: [parts[0]!.id, parts[1]!.id],
                reductionMinor: 20_00,
                until: '2026-12-31',
              },
            ],
          }
        : {}),
    }),
  );
  const offers = parts.flatMap((part, i) =>
    sellers.map((seller) =>
      offer(part.id, seller.id, Math.round((prices[i] ?? 1) * 100 * (0.96 + random() * 0.08)), {}),
    ),
  );
  return {
    needs: parts.map((part) => ({ item: part.id, part })),
    catalogue: market(parts, sellers, offers),
    region: NET,
    policy: policyOf(),
  };
}

const times: number[] = [];
let worst = 0;
let unproven = 0;
for (let seed = 1; seed <= 20; seed++) {
  const asked = question(seed);
  const start = performance.now();
  const basket = basketOf(asked);
  times.push(performance.now() - start);
  worst = Math.max(worst, basket.nodes);
  if (!basket.proven) unproven++;
}
times.sort((a, b) => a - b);
const median = times[10] ?? 0;
console.log(
  `basket of 16 parts over 12 sellers, 20 baskets: median ${median.toFixed(1)} ms, slowest ${(times.at(-1) ?? 0).toFixed(1)} ms, most nodes ${worst}, unproven ${unproven} (aim under 100 ms)`,
);
console.log(`median ÷ JSON.parse of the case file: ${(median / parseBaseline()).toFixed(1)}`);
