import { given, product, quotient, type Derivation } from '../figures/derive';
import { defined, type CoreArithmetic } from './demands';
import type { MachineFacts } from './machineFacts';

/**
 * Arithmetic as processor work in Gwork. What a core does a clock is a figure of the processor and goes with its clock
 * alone: in reference clocks its work per clock is divided out. `share` is how much of the peak is reached.
 */
export function coreArithmetic(
  label: string,
  flop: Derivation,
  precision: 'fp32PerClock' | 'fp64PerClock',
  share: Derivation,
  { processor }: Pick<MachineFacts, 'processor'>,
): CoreArithmetic {
  if (!processor) return {};
  const { item, part } = processor;
  const perClock = part[precision];
  const perWork = part.coreGroups?.[0]?.workPerClock;
  if (perClock === undefined || perWork === undefined)
    return { missing: { item: item.id, part: part.id, field: perClock === undefined ? precision : 'coreGroups' } };
  return {
    work: quotient(label, 'Gwork', [
      product(label, 'clocks', [flop, given('work per clock', perWork, '× reference core', 'part', part.name)]),
      given('FLOP a clock', perClock, 'FLOP', 'part', part.name),
      share,
      defined('clocks a Gwork', 1e9),
    ]),
  };
}
