import type { Explanation, Reason } from '../board/explain';
import type { Loss } from '../board/placement';
import { byteRate, listed, number, percent } from './format';

/** One device's place in words: what it gets, of what, and why. `nameOf` names devices, `labelOf` slots. */
export function placeWords(
  { device, slot, getsBytesPerS, ownBytesPerS, reasons }: Explanation,
  nameOf: (device: string) => string,
  labelOf: (slot: string) => string,
): string {
  const gets =
    getsBytesPerS === undefined
      ? 'at an unknown rate'
      : ownBytesPerS !== undefined && ownBytesPerS > getsBytesPerS * 1.001
        ? `gets ${byteRate(getsBytesPerS)} of ${byteRate(ownBytesPerS)}`
        : `gets its ${byteRate(getsBytesPerS)}`;
  const why = reasons.map((reason) => reasonWords(reason, nameOf, labelOf)).filter((text) => text !== '');
  return `${nameOf(device)} in ${labelOf(slot)} ${gets}${why.length > 0 ? `: ${why.join('; ')}` : ''}.`;
}

function reasonWords(reason: Reason, nameOf: (device: string) => string, labelOf: (slot: string) => string): string {
  switch (reason.code) {
    case 'full':
      return '';
    case 'pinned':
      return reason.wouldGetGBs === undefined
        ? 'pinned there by hand'
        : `pinned there by hand; left free it would go to ${labelOf(reason.slot)} and get ${byteRate(reason.wouldGetGBs * 1e9)}`;
    case 'older-slot':
      return `the slot is generation ${reason.slotGeneration}, the device ${reason.generation}`;
    case 'narrower-slot':
      return `the slot has ${reason.lanes} of the ${reason.wants} lanes`;
    case 'mode':
      return `in mode ${reason.mode} the slot has ${reason.lanes} of its ${reason.of} lanes`;
    case 'riser':
      return `the riser passes on generation ${reason.generation} × ${reason.lanes}`;
    case 'taken':
      return `${reason.slot} would give more and ${nameOf(reason.by)} has it`;
    case 'off':
      return `${reason.slot} would give more and ${nameOf(reason.by)} ${reason.how === 'covered' ? 'covers it' : 'switches it off'}`;
    case 'streams-first':
      return `${reason.slot} would give more at rest, but the streams of a sitting or another device would lose by it`;
    case 'shared':
      return `shares the uplink of ${listed(reason.hubs)}`;
    case 'carried':
      return `passes lanes on to ${reason.works} of its ${reason.has} drive slots`;
  }
}

/** What pins cost, worst first. */
export function pinCostWords(pinned: Loss, free: Loss): string {
  const [unplaced, largest, , lost] = pinned;
  const [freeUnplaced, freeLargest, , freeLost] = free;
  if (unplaced > freeUnplaced)
    return `The pins leave ${unplaced - freeUnplaced} ${unplaced - freeUnplaced === 1 ? 'device' : 'devices'} without a place.`;
  if (largest > freeLargest + 1e-9)
    return `The pins cost streams up to ${percent(largest - freeLargest)} of what they need.`;
  return `The pins cost ${number(lost - freeLost, 2)} GB/s of peak rate.`;
}
