import { fromConstant, given, product, quotient, type Derivation } from '../figures/derive';
import type { Demands } from './demands';
import type { MachineFacts } from './machineFacts';
import { SCENE } from './sceneConstants';

const k = (label: string, name: keyof typeof SCENE): Derivation => fromConstant(label, SCENE[name]);

/** FP32 rate of the card, or of the graphics inside the processor; undefined when it is not stated or not there. */
function fp32Of({ cards: [card], processor }: MachineFacts): Derivation | undefined {
  const integrated = processor?.part.integratedGraphics;
  if (card)
    return card.part.fp32Tflops === undefined
      ? undefined
      : given('FP32 rate', card.part.fp32Tflops * 1e12, 'FLOP/s', 'part', card.part.name);
  return integrated && integrated !== 'none'
    ? given('FP32 rate', integrated.fp32Tflops * 1e12, 'FLOP/s', 'part', 'integrated graphics')
    : undefined;
}

/**
 * Time for triangles or rays on the card, as the FLOP that its shaders could do in that time: so a frame's pixels,
 * triangles and rays add up to one graphics time. Undefined when the card's rate is unknown.
 */
function asFlop(
  label: string,
  amount: Derivation,
  rate: Derivation | undefined,
  share: Derivation,
  fp32: Derivation | undefined,
): Derivation | undefined {
  if (!rate || !fp32) return undefined;
  return product(`${label}, as FLOP of that time`, 'FLOP', [
    quotient(`${label}, time`, 's', [amount, rate, share]),
    fp32,
  ]);
}

/** Graphics work of so many triangles; a card that states no rate leaves the figure missing. */
export function needTriangles(out: Demands, stage: string, triangles: Derivation, facts: MachineFacts): void {
  const fp32 = fp32Of(facts);
  const [card] = facts.cards;
  const rate = card
    ? card.part.trianglesGs === undefined
      ? undefined
      : given('triangle rate', card.part.trianglesGs * 1e9, '/s', 'part', card.part.name)
    : fp32 &&
      product('triangle rate', '/s', [
        given('TFLOP/s', fp32.value / 1e12, 'TFLOP/s', 'part', 'integrated graphics'),
        k('a TFLOP/s', 'trianglesPerTflop'),
        given('a Gtriangle', 1e9, '', 'standard', 'definition'),
      ]);
  const drawn = asFlop('triangles', triangles, rate, k('share of the stated rate', 'triangleShare'), fp32);
  if (drawn) out.need(stage, 'gpu.fp32', drawn);
  else if (card && card.part.trianglesGs === undefined)
    out.missing.push({ item: card.item.id, part: card.part.id, field: 'trianglesGs' });
}

/** Graphics work of so many rays; only a card traces them. */
export function needRays(out: Demands, stage: string, rays: Derivation, facts: MachineFacts): void {
  const [card] = facts.cards;
  if (!card) {
    out.impossible.push({ code: 'part-missing', kind: 'graphics' });
    return;
  }
  const rate = card.part.rayGs;
  const traced = asFlop(
    'rays',
    rays,
    rate === undefined ? undefined : given('ray rate', rate * 1e9, '/s', 'part', card.part.name),
    k('share of the stated rate', 'rayShare'),
    fp32Of(facts),
  );
  if (traced) out.need(stage, 'gpu.fp32', traced);
  else if (rate === undefined) out.missing.push({ item: card.item.id, part: card.part.id, field: 'rayGs' });
}
