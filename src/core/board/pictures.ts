/** A picture that a display wants. Sizes in px, refresh in Hz. */
export interface Picture {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly refreshHz: number;
  readonly inputs: readonly string[];
  /** Passes the picture on to a further display. */
  readonly chains?: boolean;
}

/**
 * Payload in bit/s of an interface version after line coding: four lanes of 8.1 Gb/s at 8b/10b; of 10 Gb/s at
 * 128b/132b (the least that version 2.1 asks of a port that has its new rates); three of 6 Gb/s at 8b/10b; four of
 * 12 Gb/s at 16b/18b. Sources: VESA DisplayPort 1.4 and 2.1, HDMI 2.0 and 2.1.
 */
const PAYLOAD: Readonly<Record<string, { readonly plug: string; readonly bitsPerS: number }>> = {
  'DisplayPort 1.4': { plug: 'DisplayPort', bitsPerS: 25.92e9 },
  'DisplayPort 2.1': { plug: 'DisplayPort', bitsPerS: 38.79e9 },
  'HDMI 2.0': { plug: 'HDMI', bitsPerS: 14.4e9 },
  'HDMI 2.1': { plug: 'HDMI', bitsPerS: 42.67e9 },
  // the picture inside is DisplayPort, so a plain cable feeds a display of that kind
  'USB-C': { plug: 'DisplayPort', bitsPerS: 25.92e9 },
};

const BITS_PER_PX = 24;
const BLANK_PX = 80;
const LEAST_BLANK_S = 460e-6;
const LEAST_BLANK_LINES = 14;

/**
 * Bits a second of a picture with reduced blanking. Source: VESA CVT 2.1, reduced blanking version 2.
 * @example pictureBitsPerS(3840, 2160, 60) // 12.54e9: (3840 + 80) × (2160 + 62) × 60 × 24
 */
export function pictureBitsPerS(widthPx: number, heightPx: number, hz: number): number {
  const lineS = (1 / hz - LEAST_BLANK_S) / heightPx;
  const blank = Math.max(LEAST_BLANK_LINES, Math.floor(LEAST_BLANK_S / lineS) + 1);
  return (widthPx + BLANK_PX) * (heightPx + blank) * hz * BITS_PER_PX;
}

/** Refresh rates that displays offer, for the best one a narrow link carries. */
const RATES = [24, 30, 50, 60, 75, 90, 100, 120, 144, 165, 200, 240, 360];

/** Hz that a link between an output and an input carries, at most the display's own; nothing when the plugs differ. */
export function hzOver(picture: Picture, output: string, input: string): number | undefined {
  const from = PAYLOAD[output];
  const to = PAYLOAD[input];
  if (!from || !to || from.plug !== to.plug) return undefined;
  const bits = Math.min(from.bitsPerS, to.bitsPerS);
  const carries = (hz: number) => pictureBitsPerS(picture.widthPx, picture.heightPx, hz) <= bits;
  if (carries(picture.refreshHz)) return picture.refreshHz;
  return RATES.filter((hz) => hz < picture.refreshHz && carries(hz)).at(-1);
}

/** More displays than this are not matched exactly; the rule that counts outputs has spoken by then. */
const MATCHED = 8;

/** Two pictures share an output when the first display passes on: only DisplayPort chains, and its payload is shared. */
export function chainHz(first: Picture, second: Picture, output: string): number | undefined {
  const from = PAYLOAD[output];
  if (!first.chains || from?.plug !== 'DisplayPort') return undefined;
  const [mine, its] = [first, second].map((picture) =>
    Math.max(0, ...picture.inputs.map((input) => hzOver(picture, output, input) ?? 0)),
  );
  if (!mine || !its) return undefined;
  const taken = pictureBitsPerS(first.widthPx, first.heightPx, mine);
  const fits = (hz: number) => taken + pictureBitsPerS(second.widthPx, second.heightPx, hz) <= from.bitsPerS;
  return fits(its) ? its : RATES.filter((hz) => hz < its && fits(hz)).at(-1);
}

/**
 * Connects displays to outputs: as many as can be, then with the least loss of refresh. Gives for each picture its
 * output and the Hz it runs at, in order. Displays that still lack an output then hang on one that passes on, where the
 * brief allows so many on an output.
 */
export function connect(
  pictures: readonly Picture[],
  outputs: readonly { readonly kind: string; readonly count: number }[],
  perOutput = 1,
): ({ output: string; hz: number } | undefined)[] {
  const links = connectEach(pictures, outputs);
  if (perOutput < 2) return links;
  const hanging = new Map<number, number>();
  return links.map((link, i) => {
    if (link) return link;
    const picture = pictures[i];
    for (const [k, holder] of links.entries()) {
      const before = pictures[k];
      // one further display on an output: what a second one leaves of the payload is seldom worth a third
      if (!holder || !picture || !before || (hanging.get(k) ?? 0) > 0) continue;
      const hz = chainHz(before, picture, holder.output);
      if (hz === undefined) continue;
      hanging.set(k, 1);
      return { output: holder.output, hz };
    }
    return undefined;
  });
}

function connectEach(
  pictures: readonly Picture[],
  outputs: readonly { readonly kind: string; readonly count: number }[],
): ({ output: string; hz: number } | undefined)[] {
  const left = outputs.map((output) => output.count);
  const now: ({ output: string; hz: number } | undefined)[] = [];
  let best: { value: number; links: typeof now } | undefined;
  const visit = (i: number, value: number): void => {
    const picture = pictures[i];
    if (!picture || i >= MATCHED) {
      if (!best || value > best.value + 1e-9) best = { value, links: [...now] };
      return;
    }
    // each display left can add at most one link in full
    if (best && value + (pictures.length - i) * 2 <= best.value + 1e-9) return;
    outputs.forEach((output, k) => {
      if ((left[k] ?? 0) === 0) return;
      const hz = Math.max(0, ...picture.inputs.map((input) => hzOver(picture, output.kind, input) ?? 0));
      if (hz === 0) return;
      left[k] = (left[k] ?? 0) - 1;
      now[i] = { output: output.kind, hz };
      visit(i + 1, value + 1 + hz / picture.refreshHz);
      left[k] = (left[k] ?? 0) + 1;
    });
    now[i] = undefined;
    visit(i + 1, value);
  };
  visit(0, 0);
  return pictures.map((_, i) => best?.links[i]);
}
