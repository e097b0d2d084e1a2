import type { CaptureThere, MixerThere } from './machineFacts';

/** Video inputs of a card or mixer; undefined when it does not say. */
export function inputsOf(part: (CaptureThere | MixerThere)['part']): number | undefined {
  if (part.kind === 'expansion' && part.inputPorts !== undefined)
    return part.inputPorts.reduce((all, { count }) => all + count, 0);
  return part.videoInputs;
}

/** Rates of the inputs of capture cards, fastest first; cards whose count or rate is not stated are named. */
export function inputRates(cards: readonly CaptureThere[]): {
  readonly gbitPerS: readonly number[];
  readonly vague: readonly { readonly card: CaptureThere; readonly field: 'videoInputs' | 'inputGbitPerS' }[];
} {
  const rates: number[] = [];
  const vague: { card: CaptureThere; field: 'videoInputs' | 'inputGbitPerS' }[] = [];
  for (const card of cards) {
    const { inputPorts, videoInputs, inputGbitPerS } = card.part;
    if (inputPorts) for (const { gbitPerS, count } of inputPorts) push(gbitPerS, count);
    else if (videoInputs === undefined) vague.push({ card, field: 'videoInputs' });
    else if (inputGbitPerS === undefined && videoInputs > 0) vague.push({ card, field: 'inputGbitPerS' });
    else if (inputGbitPerS !== undefined) push(inputGbitPerS, videoInputs);
  }
  return { gbitPerS: rates.sort((a, b) => b - a), vague };

  function push(rate: number, count: number): void {
    // no task takes more pictures in than this, so more ports decide nothing
    for (let i = 0; i < Math.min(count, MOST_INPUTS); i++) rates.push(rate);
  }
}

const MOST_INPUTS = 256;
