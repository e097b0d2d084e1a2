import { smallMarket } from '@/core/tests/smallMarkets';
import { assess } from '@/core/assess';
import { spaceOf } from '@/core/search/exact/space';
import { leastPrices } from '@/core/search/exact/least';
import { buyPolicy } from '@/core/money/policy';
import { plainQuestion } from '@/core/search/exact/question';
const counts = new Map<string, number>(); let n = 0;
for (let seed = 1; seed <= 40; seed++) {
  const { brief, context } = smallMarket(seed);
  const q = plainQuestion(brief);
  const s = spaceOf(q, context, leastPrices(context.catalogue, context.catalogue.regions[0]!, buyPolicy(brief, context.settings, context.today), false), () => true);
  for (let t = 0; t < 10; t++) {
    const items = s.positions.flatMap(({ choices }) => { let k = 0; while (choices.at(k)) k++; return k ? choices.at(Math.floor(Math.random() * k))!.items : []; });
    n++;
    const seen = new Set(assess({ id: 'f', name: 'f', items } as any, brief, context).findings.filter((f) => ['blocks', 'unproven', 'stops', 'short'].includes(f.level)).map((f) => `${f.level} ${f.rule}`));
    for (const k of seen) counts.set(k, (counts.get(k) ?? 0) + 1);
  }
}
console.log(n, [...counts].sort((a, b) => b[1] - a[1]));
