import { assess, contextOf } from '@/core/assess';
import { compileCatalogue } from '@/core/model/catalogue';
import { readCatalogue } from '@/core/formats/catalogue';
import { rankCandidates, withPart, type Position } from '@/core/search/candidates';
import { rules } from '@/core/rules';
import { demoCatalogue } from '@/demo/catalogue';
import { filmBrief, filmDrafts } from '@/demo/ninefathom';
import { DEMO_TODAY } from '@/demo/seed';
import { median, parseBaseline } from './baseline';

const WANTED = 2000;
const read = readCatalogue(JSON.stringify(demoCatalogue(17_000)));
if (!read.ok) throw new Error('the demo catalogue does not read');
const brief = filmBrief();
const [draft] = filmDrafts();
if (!draft) throw new Error('the demo has no draft');
const parse = parseBaseline();
console.log(`JSON.parse of the slice's case file: ${parse.toFixed(3)} ms`);

const positions: Position[] = [
  { kind: 'graphics', item: 'graphics-1' },
  { kind: 'memory', item: 'memory-1' },
  { kind: 'supply', item: 'supply-1' },
  { kind: 'case', item: 'case-1' },
];
for (const position of positions) {
  // as many candidates as asked for, whatever the catalogue has of the kind
  let left = WANTED;
  const parts = read.value.parts.filter((part) => part.kind !== position.kind || left-- > 0);
  const context = contextOf(compileCatalogue({ ...read.value, parts }), DEMO_TODAY);
  rankCandidates(draft, brief, position, context, assess(draft, brief, context));
  const started = performance.now();
  // a fresh assessment has no remembered trials
  const ranked = rankCandidates(draft, brief, position, context, assess(draft, brief, context));
  const ms = performance.now() - started;
  const some = ranked.slice(0, 100);
  const plainStart = performance.now();
  for (const { part } of some) assess(withPart(draft, position, part), brief, context);
  const each = (performance.now() - plainStart) / some.length;
  console.log(
    `${String(ranked.length)} candidates for ${position.kind.padEnd(9)} ${ms.toFixed(0)} ms  ${(ms / parse).toFixed(0)} × parse  ${((each * ranked.length) / ms).toFixed(1)} times faster than assessing each`,
  );
}
const context = contextOf(compileCatalogue(read.value), DEMO_TODAY);
const { facts } = assess(draft, brief, context);
const all = median(() => rules.flatMap((rule) => rule.check(facts)));
console.log(`all ${rules.length} rules on the film desk: ${all.toFixed(3)} ms  ${(all / parse).toFixed(2)} × parse`);
