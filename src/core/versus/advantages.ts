import type { Assessment } from '../assess';
import { loudestOf } from '../heat/state';
import type { Configured } from './configure';
import { daysWithout, supportOf } from '../money/support';

/** A thing that money does not measure; undefined is not known. */
export type Said =
  | { readonly kind: 'flag'; readonly value: boolean | undefined }
  | {
      readonly kind: 'number';
      readonly value: number | undefined;
      readonly unit: string;
      readonly better: 'higher' | 'lower';
    }
  | { readonly kind: 'words'; readonly value: string | undefined };

export type AdvantageId =
  | 'warranty'
  | 'onSite'
  | 'responseDays'
  | 'delivery'
  | 'noise'
  | 'volume'
  | 'errorCorrection'
  | 'encryption'
  | 'remoteManagement'
  | 'toolFree'
  | 'drivesFromFront'
  | 'certified'
  | 'freeMemorySlots'
  | 'freeCardSlots'
  | 'freeDriveSlots'
  | 'supplyReserve'
  | 'fixed'
  | 'fastPorts';

export interface Advantage {
  readonly id: AdvantageId;
  readonly ours: Said;
  readonly theirs: Said;
  /** Which side is better off; undefined where it is even, not known, or not to be ranked. */
  readonly better: 'ours' | 'theirs' | undefined;
}

const flag = (value: boolean | undefined): Said => ({ kind: 'flag', value });
const amount = (value: number | undefined, unit: string, better: 'higher' | 'lower'): Said => ({
  kind: 'number',
  value,
  unit,
  better,
});
const words = (value: string | undefined): Said => ({ kind: 'words', value });

function betterOf(ours: Said, theirs: Said): 'ours' | 'theirs' | undefined {
  if (ours.kind === 'flag' && theirs.kind === 'flag') {
    if (ours.value === undefined || theirs.value === undefined || ours.value === theirs.value) return undefined;
    return ours.value ? 'ours' : 'theirs';
  }
  if (ours.kind === 'number' && theirs.kind === 'number') {
    if (ours.value === undefined || theirs.value === undefined || ours.value === theirs.value) return undefined;
    return ours.value > theirs.value === (ours.better === 'higher') ? 'ours' : 'theirs';
  }
  return undefined;
}

/** Places of a kind on the board that nothing takes. */
export function freeSlots({ facts }: Assessment, kind: 'card' | 'm2'): number | undefined {
  const { board, placement } = facts;
  if (!board || !placement) return undefined;
  const taken = new Set([...placement.placed.values()].map((entry) => entry.slot));
  return board.slots.filter((slot) => slot.kind === kind && !taken.has(slot.id) && !placement.off.has(slot.id)).length;
}

/** Memory slots that nothing takes. */
export function freeMemory({ facts }: Assessment): number | undefined {
  const slots = facts.parts.one('board')?.part.memorySlots?.length;
  const modules = facts.parts.ofKind('memory').map(({ part }) => part.modules);
  return slots === undefined || modules.some((count) => count === undefined)
    ? undefined
    : Math.max(0, slots - modules.reduce<number>((sum, count) => sum + (count ?? 0), 0));
}

/** Whether errors in memory are corrected: by processor, board and modules together. */
export const correction = ({ facts }: Assessment): boolean | undefined => {
  const says = [
    facts.parts.one('processor')?.part.errorCorrection,
    facts.parts.one('board')?.part.errorCorrection,
    ...facts.parts.ofKind('memory').map(({ part }) => part.errorCorrection),
  ];
  if (says.includes(false)) return false;
  return says.length > 2 && says.every((value) => value === true) ? true : undefined;
};

const encryption = ({ facts }: Assessment): boolean | undefined => {
  const drives = facts.parts.ofKind('drive').filter(({ item }) => !item.roles || item.roles.includes('system'));
  const says = drives.map(({ part }) => part.encryption);
  if (says.length === 0) return undefined;
  return says.includes(false) ? false : says.every((value) => value === true) ? true : undefined;
};

/** Spare power of the supply at the peak, W. */
export const reserve = ({ facts }: Assessment): number | undefined => {
  const rated = facts.parts.one('supply')?.part.ratedW;
  return rated === undefined || facts.power.missing.length > 0 ? undefined : Math.round(rated - facts.power.peakW);
};

/** dB(A) of the loudest sitting. */
export const loudest = ({ facts }: Assessment): number | undefined => {
  const noise = loudestOf(facts.heat.sittings)?.noise;
  return !noise || noise.missing.length > 0 ? undefined : Math.round(noise.dbA * 10) / 10;
};

const fastPorts = ({ facts }: Assessment): number | undefined =>
  facts.parts.one('board')?.part.rearUsb?.reduce((sum, port) => sum + (port.gbitPerS >= 10 ? port.count : 0), 0);

/** What money does not measure, both sides by the same rules; what a maker states counts before what is worked out. */
export function advantagesOf(
  draft: Assessment,
  arrivesInDays: number | undefined,
  side: Configured,
  rival: Assessment,
): Advantage[] {
  const { parts } = draft.facts;
  const support = supportOf(parts);
  const months = parts.all.flatMap(({ part }) =>
    part.kind === 'system' || part.kind === 'licence' || part.kind === 'service' ? [] : [part.warrantyMonths],
  );
  const shortest =
    months.some((value) => value === undefined) || months.length === 0
      ? undefined
      : Math.min(...months.flatMap((value) => value ?? []));
  const stated = side.rival.stated ?? {};
  const soldered = side.machine.items.filter((item) => item.fixed !== undefined).length;
  // the tower as a whole is as large as its case
  const volume = parts.one('case')?.part.volumeL;
  const certified = stated.certifiedFor;
  const rows: readonly (readonly [AdvantageId, Said, Said])[] = [
    [
      'warranty',
      amount(support?.warrantyMonths ?? shortest, 'months', 'higher'),
      amount(side.support.warrantyMonths, 'months', 'higher'),
    ],
    ['onSite', flag(support?.onSite ?? false), flag(side.support.onSite)],
    [
      'responseDays',
      amount(daysWithout(support, draft.facts.settings), 'working days', 'lower'),
      amount(side.support.responseDays, 'working days', 'lower'),
    ],
    ['delivery', amount(arrivesInDays, 'days', 'lower'), amount(side.deliveryDays, 'days', 'lower')],
    ['noise', amount(loudest(draft), 'dB(A)', 'lower'), amount(stated.noiseDbA ?? loudest(rival), 'dB(A)', 'lower')],
    [
      'volume',
      amount(volume, 'L', 'lower'),
      amount(stated.volumeL ?? rival.facts.parts.one('case')?.part.volumeL, 'L', 'lower'),
    ],
    ['errorCorrection', flag(correction(draft)), flag(correction(rival))],
    ['encryption', flag(encryption(draft)), flag(stated.encryption ?? encryption(rival))],
    [
      'remoteManagement',
      flag(parts.one('board')?.part.remoteManagement),
      flag(stated.remoteManagement ?? rival.facts.parts.one('board')?.part.remoteManagement),
    ],
    ['toolFree', flag(undefined), flag(stated.toolFree)],
    ['drivesFromFront', flag(undefined), flag(stated.drivesFromFront)],
    ['certified', words(undefined), words(certified === undefined ? undefined : certified.join(', '))],
    ['fastPorts', amount(fastPorts(draft), 'ports', 'higher'), amount(fastPorts(rival), 'ports', 'higher')],
    [
      'freeMemorySlots',
      amount(freeMemory(draft), 'slots', 'higher'),
      amount(
        soldered > 0 &&
          side.machine.items.some(
            (item) =>
              item.fixed === 'soldered' && rival.facts.parts.ofKind('memory').some((kit) => kit.item.id === item.id),
          )
          ? 0
          : freeMemory(rival),
        'slots',
        'higher',
      ),
    ],
    [
      'freeCardSlots',
      amount(freeSlots(draft, 'card'), 'slots', 'higher'),
      amount(freeSlots(rival, 'card'), 'slots', 'higher'),
    ],
    [
      'freeDriveSlots',
      amount(freeSlots(draft, 'm2'), 'slots', 'higher'),
      amount(freeSlots(rival, 'm2'), 'slots', 'higher'),
    ],
    ['supplyReserve', amount(reserve(draft), 'W', 'higher'), amount(reserve(rival), 'W', 'higher')],
    ['fixed', amount(0, 'parts', 'lower'), amount(soldered, 'parts', 'lower')],
  ];
  return rows.map(([id, ours, theirs]): Advantage => ({ id, ours, theirs, better: betterOf(ours, theirs) }));
}
