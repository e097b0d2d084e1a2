import type { Connector } from '../parts/common';

/**
 * What a slot feeds a card, W: 75 through a connector of 16 lanes to a card of 16, 25 to a smaller one. Source: PCI
 * Express card electromechanical specification.
 * @example slotPowerW(16) // 75
 */
export const slotPowerW = (lanes: number | undefined): number | undefined =>
  lanes === undefined ? undefined : lanes >= 16 ? 75 : 25;

/**
 * What an input carries, W. Sources: PCI Express card electromechanical specification (8-pin 150, 16-pin 600); EPS12V:
 * four 12 V pins of 7 A each, derated to 70 % for hours; SATA power: three 12 V pins of 1.5 A; the four-pin peripheral
 * plug: 11 A on one 12 V pin.
 */
export const INPUT_W: Readonly<Record<Connector, number>> = {
  'board-24': 144,
  'processor-8': 235,
  'card-8': 150,
  'card-16': 600,
  sata: 54,
  peripheral: 132,
};

/**
 * Watts that a set of inputs carries.
 * @example inputsW({ 'card-8': 2, sata: 1 }) // 354: 2 × 150 + 54
 */
export const inputsW = (inputs: Readonly<Partial<Record<Connector, number | undefined>>>): number =>
  (Object.keys(INPUT_W) as Connector[]).reduce((all, plug) => all + INPUT_W[plug] * (inputs[plug] ?? 0), 0);
