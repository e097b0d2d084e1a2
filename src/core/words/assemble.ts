import type { Assessment } from '../assess';
import type { Early } from '../assemble/arrivals';
import type { CableWay } from '../assemble/cableWays';
import type { Detail } from '../assemble/details';
import type { Consumable, Kept, Kit, Tool } from '../assemble/kit';
import type { Before, Gap, Planned, StepCode, Why } from '../assemble/steps';
import { fullName } from '../model/fitted';
import { listed, number } from './format';

/** What a step's words are made with. */
type Naming = Pick<Assessment, 'facts'>;

const nameOf = ({ facts }: Naming, item: string | undefined): string => {
  const fitted = facts.parts.all.find((entry) => entry.item.id === item);
  return fitted ? fullName(fitted.part) : (item ?? '');
};

const PLUG: Readonly<Record<string, string>> = {
  'board-24': '24-pin',
  'processor-8': '8-pin processor power',
  'card-8': '8-pin card power',
  'card-16': '16-pin card power',
  sata: 'power',
  peripheral: 'peripheral power',
  fan: 'fan',
  pump: 'pump',
  light: 'light',
  usb: 'front USB',
  audio: 'front audio',
  switch: 'switch and lamps',
  data: 'data',
};

/** What is done, in one line. */
export function stepTitle(step: Planned, machine: Naming): string {
  const about = nameOf(machine, step.about);
  const at = step.place === undefined ? '' : ` ${step.place}`;
  const { cable } = step;
  const which = cable && cable.of > 1 ? ` ${cable.number} of ${cable.of}` : '';
  switch (step.code) {
    case 'prepare-case':
      return `Open ${about}, set the standoffs for ${step.place ?? 'this board'}`;
    case 'processor':
      return `Put ${about} into the socket`;
    case 'module':
      return `Put a module of ${about} into slot${at}`;
    case 'board-drive':
      return `Put ${about} into${at}`;
    case 'cooler-kit':
      return `Mount the ${step.place ?? 'socket'} kit of ${about}`;
    case 'radiator':
      return `Screw the radiator of ${about} to the ${step.place ?? 'case'}`;
    case 'case-fan':
      return `Mount ${about} at the ${step.place ?? 'case'}`;
    case 'supply':
      return `Mount ${about}${step.place === undefined ? '' : ` at the ${step.place}`}`;
    case 'cage-drive':
      return `Screw ${about} into its bay`;
    case 'board-in':
      return `Lower ${about} into the case and screw it down`;
    case 'power-cable':
    case 'card-power':
    case 'drive-power':
      return `Plug the ${PLUG[cable?.connector ?? ''] ?? ''} cable${which} into ${about}`;
    case 'front-cable':
      return `Plug the ${PLUG[cable?.connector ?? ''] ?? ''} cable${step.place === undefined ? '' : ` (${step.place})`} of ${about} into its header`;
    case 'fan-cable':
      return `Plug the ${PLUG[cable?.connector ?? ''] ?? ''} cable${which} of ${about} into ${cable?.connector === 'pump' ? 'the pump header' : cable?.header === undefined ? 'a fan header' : `fan header ${cable.header}`}`;
    case 'data-cable':
      return `Run the data cable of ${about} to${at === '' ? ' its port' : at}`;
    case 'cooler':
      return `Paste, then ${about} on the processor`;
    case 'card':
      return `Seat ${about} in${at}`;
    case 'accessory':
      return `Fit ${about}`;
    case 'close':
      return 'Look over every plug once, close the case';
  }
}

/** How tight or with what, the usual mistake, and how one sees that it is right. */
export interface Craft {
  readonly with: string;
  readonly mistake: string;
  readonly right: string;
}

export const CRAFT: Readonly<Record<StepCode, Craft>> = {
  'prepare-case': {
    with: 'standoff key or pliers, hand-tight',
    mistake: 'a standoff left where the board has no hole: it shorts the board',
    right: 'as many standoffs as holes, each under one',
  },
  processor: {
    with: 'no tool, no force',
    mistake: 'pressed or turned in the socket: pins bend',
    right: 'mark on mark, it drops by its own weight; keep the socket’s cover',
  },
  module: {
    with: 'both thumbs',
    mistake: 'the wrong pair of slots: half the bandwidth',
    right: 'both latches closed, the same height along its length',
  },
  'board-drive': {
    with: 'small screwdriver or clasp, finger-tight',
    mistake: 'the film left on under the cover: it runs hot',
    right: 'lies flat, cover back on',
  },
  'cooler-kit': {
    with: 'screwdriver, until the pillars stop',
    mistake: 'bars of another socket',
    right: 'the plate does not rattle',
  },
  radiator: {
    with: 'screwdriver, short screws',
    mistake: 'screws so long that they pierce the fins',
    right: 'hoses without a kink, their ends below the top where it stands in front',
  },
  'case-fan': {
    with: 'screwdriver, finger-tight',
    mistake: 'turned round: it blows against the others',
    right: 'the side with the struts is where the air leaves',
  },
  supply: {
    with: 'screwdriver, four screws',
    mistake: 'cables of another supply: the pins differ, the drives die',
    right: 'its fan faces its intake',
  },
  'cage-drive': {
    with: 'screwdriver or tray',
    mistake: 'two screws only: it hums',
    right: 'plugs face the board’s side',
  },
  'board-in': {
    with: 'screwdriver, all screws begun before any is tight',
    mistake: 'a spring of the rear shield inside a port',
    right: 'every port shows, no standoff under a bare place',
  },
  'power-cable': {
    with: 'straight down until it clicks',
    mistake: 'the processor’s input forgotten: it turns and shows nothing',
    right: 'the latch holds when pulled',
  },
  'front-cable': {
    with: 'straight, by its missing pin',
    mistake: 'one pin aside: the switch does nothing',
    right: 'no pin left over',
  },
  'fan-cable': { with: 'by its guide', mistake: 'more on one header than it carries', right: 'no cable near blades' },
  'data-cable': {
    with: 'until it clicks',
    mistake: 'a port that is off with this slot in use',
    right: 'no sharp bend',
  },
  'drive-power': { with: 'by its L', mistake: 'forced the wrong way round', right: 'sits flush' },
  cooler: {
    with: 'paste as a pea or a thin cross; screws across, in turns',
    mistake: 'the film on its base left on',
    right: 'it does not turn, an even edge all round',
  },
  card: {
    with: 'latch open, pressed along its length; screws',
    mistake: 'not seated at the far end: fewer lanes',
    right: 'the latch is closed, the bracket lies flat',
  },
  'card-power': {
    with: 'one cable for each input',
    mistake: 'one cable’s two plugs in two inputs',
    right: 'no gap at the plug, no bend right behind it',
  },
  accessory: { with: 'as it says', mistake: 'left in its bag', right: 'nothing is left over' },
  close: { with: 'by hand', mistake: 'a cable in a fan', right: 'the panel closes without force' },
};

/** Why a step comes after others, in a few words. */
export function whyWords(why: Why, ...steps: readonly string[]): string {
  const after = `after ${listed(steps.map((step) => `“${step}”`))}`;
  return why.code === 'carries' ? `${after}, which it stands on` : `${after}: it lies over the ${why.place}`;
}

/** All of a step's reasons, those of one kind and place together. */
export function whyLines(before: readonly Before[], titleOf: (step: string) => string): string[] {
  const groups = new Map<string, { readonly why: Why; readonly steps: string[] }>();
  for (const { step, why } of before) {
    const key = why.code === 'carries' ? why.code : why.place;
    const group = groups.get(key) ?? { why, steps: [] };
    group.steps.push(titleOf(step));
    groups.set(key, group);
  }
  return [...groups.values()].map(({ why, steps }) => whyWords(why, ...steps));
}

/** What cannot be planned, with the mend. */
export function gapWords({ code, item, field }: Gap, machine: Naming): string {
  switch (code) {
    case 'no-board':
      return 'There is no board: nothing can be planned without one.';
    case 'no-case':
      return 'There is no case: the plan ends on the bench.';
    case 'no-place':
      return `${nameOf(machine, item)} has no place in this machine, and is not in the plan; see Draft.`;
    case 'no-header':
      return `There is no header left for a fan of ${nameOf(machine, item)}; add a splitter.`;
    case 'unstated':
      return `${nameOf(machine, item)} does not state its ${field ?? 'figures'}: what it needs there is not in the plan.`;
  }
}

/** "1 h 12 min, about" */
export const minutesWords = (minutes: number): string =>
  minutes >= 90 ? `about ${number(minutes / 60, 2)} h` : `about ${Math.round(minutes)} min`;

/** How far one gets before everything is there. */
export const earlyWords = ({ last, on, steps, minutes }: Early, all: number, machine: Naming): string =>
  steps.length === 0
    ? `Nothing can begin before ${nameOf(machine, last)} comes on ${on}.`
    : `Before the last parcel (${nameOf(machine, last)}, ${on}): ${steps.length} of ${all} steps, ${minutesWords(minutes)}.`;

const TOOLS: Readonly<Record<Tool, string>> = {
  screwdriver: 'a screwdriver',
  'small screwdriver': 'a small one for drives',
  'standoff key': 'a key for standoffs',
  'earthing strap': 'a strap to earth',
  lamp: 'a lamp',
  'side cutter': 'a side cutter',
};
const CONSUMABLES: Readonly<Record<Consumable, string>> = {
  extension: 'an extension for each cable that does not reach',
  paste: 'thermal paste (none comes with the cooler)',
  'cloth and alcohol': 'a cloth and alcohol for old paste',
  'cable ties': 'cable ties',
  'usb stick': 'a USB stick, FAT32',
};
const KEPT: Readonly<Record<Kept, string>> = {
  'socket cover': 'the socket’s cover',
  standoffs: 'spare standoffs',
  'unused cables': 'unused cables of this supply (never with another’s: the pins differ)',
  'slot brackets': 'slot brackets',
  'screws and clasps': 'screws',
  'other kits': 'the cooler’s kits for other sockets',
};
/** What lies ready, and what is kept. */
export const kitWords = ({ tools, consumables, keep }: Kit): readonly (readonly [string, string])[] =>
  (
    [
      ['Tools', tools.map((tool) => TOOLS[tool])],
      ['Used up', consumables.map((each) => CONSUMABLES[each])],
      ['Kept', keep.map((each) => KEPT[each])],
    ] as const
  ).flatMap(([what, list]) => (list.length > 0 ? [[what, listed(list)] as const] : []));

const FACES: Readonly<Record<Extract<Detail, { of: 'supply-fan' }>['faces'], string>> = {
  floor: 'its fan down, towards the opening in the floor',
  inside: 'its fan down, into the case',
  panel: 'its fan towards the side panel’s opening',
};

/** What holds of a step on this machine. */
export function detailWords(detail: Detail): string {
  switch (detail.of) {
    case 'standoffs':
      return `${detail.holes.length} standoffs for ${detail.form}: holes ${listed(detail.holes)}, none elsewhere`;
    case 'slot-order':
      return `the board fills it as number ${detail.order}: channel ${detail.channel}, ${detail.alone ? 'alone in it' : 'beside another module'}`;
    case 'air':
      return `air goes ${detail.goes} at the ${detail.side}`;
    case 'linked':
      return detail.takesMm > detail.rowMm
        ? `plugged into one another they take ${number(detail.takesMm)} mm of a row of ${number(detail.rowMm)} mm: give each its own cable`
        : `plugged into one another they take ${number(detail.takesMm)} of the row’s ${number(detail.rowMm)} mm`;
    case 'supply-fan':
      return FACES[detail.faces];
    case 'brackets':
      return `bracket${detail.rows.length === 1 ? '' : 's'} ${listed(detail.rows.map(String))} out, counted from the processor down`;
    case 'paste':
      return detail.spread === 'pea' ? 'paste: a drop like a pea' : 'paste: a cross to the corners, its base is large';
    case 'overhang':
      return `its block stands ${number(detail.rearMm, 2)} mm off the middle, towards the rear`;
    case 'drive-cover':
      return detail.own
        ? 'it brings its own heatsink: the board’s cover stays off'
        : 'film off the pad, the board’s cover back on';
    case 'header':
      return `${detail.amperes.toFixed(2)} A on this header in all${detail.limit === undefined ? '' : `, of ${number(detail.limit, 2)} A`}`;
    case 'way':
      return wayWords(detail.way);
  }
}

/** mm as far as a way is known. */
const tens = (mm: number): string => `${Math.round(mm / 10) * 10} mm`;

/** How a cable gets to its plug, and whether it is long enough. */
function wayWords({ side, usualSide, usualPlace, needsMm, hasMm, extension, reach }: CableWay): string {
  if (side === undefined) return 'the header sits about where it is drawn: the board does not state it';
  const along = usualSide ? 'behind the board where there is room' : side === 'behind' ? 'behind the board' : side;
  if (needsMm === undefined) return along;
  const way = `${along}, about ${tens(needsMm)}${usualPlace ? ' to where this plug usually sits' : ''}`;
  const has =
    hasMm === undefined
      ? ''
      : ` ${extension === undefined ? 'the cable' : 'with its extension it'} has ${number(hasMm)} mm`;
  switch (reach) {
    case 'reaches':
      return `${way}:${has}`;
    case 'close':
      return `${way}:${has}, ${(hasMm ?? 0) < needsMm ? 'which may not reach' : 'little to spare'}: lay it before anything is screwed down`;
    case 'short':
      return `${way}:${has}, some ${tens(needsMm - (hasMm ?? 0))} too short: an extension`;
    case 'unknown':
      return `${way}; how long the cable is nobody states`;
  }
}
