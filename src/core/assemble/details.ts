import type { Assessment } from '../assess';
import { isIntake, type SidePlan } from '../heat/places';
import type { FittedParts } from '../model/fitted';
import type { FORMS } from '../parts/common';
import type { CableWay } from './cableWays';
import type { Planned } from './steps';

type Form = (typeof FORMS)[number];

/** What holds of a step on this machine and on no other. */
export type Detail =
  /** Holes of the board that get a standoff each. */
  | { readonly of: 'standoffs'; readonly form: Form; readonly holes: readonly string[] }
  /** The slot is the so-many-th that the board fills, in a channel of its own or beside another module. */
  | { readonly of: 'slot-order'; readonly order: number; readonly channel: string; readonly alone: boolean }
  | { readonly of: 'air'; readonly goes: 'in' | 'out'; readonly side: string }
  /** Fans that plug into one another: what their row takes, and what the side has, mm. */
  | { readonly of: 'linked'; readonly takesMm: number; readonly rowMm: number }
  | { readonly of: 'supply-fan'; readonly faces: 'floor' | 'inside' | 'panel' }
  /** Rows of the case whose brackets come out for a card, from the board's edge down. */
  | { readonly of: 'brackets'; readonly rows: readonly number[] }
  /** How much paste this base takes. */
  | { readonly of: 'paste'; readonly spread: 'pea' | 'cross' }
  /** How far the block stands off the socket's middle towards the rear, mm. */
  | { readonly of: 'overhang'; readonly rearMm: number }
  /** The drive brings its own heatsink, or the board's cover goes back on. */
  | { readonly of: 'drive-cover'; readonly own: boolean }
  /** What hangs on this header in all, A, and what it carries. */
  | { readonly of: 'header'; readonly amperes: number; readonly limit: number | undefined }
  | { readonly of: 'way'; readonly way: CableWay };

/**
 * Mounting holes by board form, named as the standard names them. Source: ATX Specification 2.2, microATX Motherboard
 * Interface Specification 1.2, Mini-ITX Addendum 2.0. Larger boards differ by maker.
 */
const HOLES: Readonly<Partial<Record<Form, readonly string[]>>> = {
  'Mini-ITX': ['C', 'F', 'H', 'J'],
  'Micro-ATX': ['B', 'C', 'F', 'H', 'J', 'L', 'M', 'R', 'S'],
  ATX: ['A', 'C', 'F', 'G', 'H', 'J', 'K', 'L', 'M'],
};

/** Packages with more channels than this are large, and a single drop does not reach their corners. */
const SMALL_PACKAGE_CHANNELS = 2;

/**
 * What this machine's parts say of a step beside what holds of it anywhere, with the way of its cable. What they do not
 * state is left out.
 */
export function detailsOf(
  step: Planned,
  assessment: Pick<Assessment, 'facts'>,
  ways: ReadonlyMap<string, CableWay>,
): Detail[] {
  const way = ways.get(step.id);
  return [...ofParts(step, assessment), ...(way ? [{ of: 'way' as const, way }] : [])];
}

function ofParts(step: Planned, { facts }: Pick<Assessment, 'facts'>): Detail[] {
  const { parts, memory, placement, heat } = facts;
  const board = parts.one('board')?.part;
  switch (step.code) {
    case 'prepare-case': {
      const holes = board?.form === undefined ? undefined : HOLES[board.form];
      return board?.form && holes ? [{ of: 'standoffs', form: board.form, holes }] : [];
    }
    case 'module': {
      const slot = board?.memorySlots?.find(({ label, id }) => label === step.place || id === step.place);
      if (!slot) return [];
      const beside = memory.modules.filter(({ channel }) => channel === slot.channel).length;
      return [{ of: 'slot-order', order: slot.fillOrder, channel: slot.channel, alone: beside === 1 }];
    }
    case 'case-fan':
    case 'radiator': {
      const row = heat.setup.plan?.sides.find(({ side }) => side === step.place);
      if (!row) return [];
      return [
        { of: 'air', goes: isIntake(row.side) ? 'in' : 'out', side: row.side },
        ...(step.code === 'case-fan' ? linkedIn(row, parts) : []),
      ];
    }
    case 'supply': {
      const place = parts.one('case')?.part.supplyPlace;
      return place
        ? [{ of: 'supply-fan', faces: ({ bottom: 'floor', top: 'inside', front: 'panel' } as const)[place] }]
        : [];
    }
    case 'card': {
      const card = [...parts.ofKind('graphics'), ...parts.ofKind('expansion')].find(
        ({ item }) => item.id === step.about,
      );
      const slot = placement?.placed.get(step.about ?? '')?.slot;
      const row = slot === undefined ? undefined : placement?.board.slotById.get(slot)?.row;
      const thick = card?.part.slots;
      if (row === undefined || thick === undefined || card?.item.upright === true) return [];
      return [{ of: 'brackets', rows: Array.from({ length: Math.ceil(thick) }, (_, i) => row + i) }];
    }
    case 'cooler': {
      const channels = parts.one('processor')?.part.memoryChannels;
      const cooler = parts.ofKind('cooler').find(({ item }) => item.id === step.about)?.part;
      return [
        ...(channels === undefined
          ? []
          : [
              {
                of: 'paste' as const,
                spread: channels > SMALL_PACKAGE_CHANNELS ? ('cross' as const) : ('pea' as const),
              },
            ]),
        ...(cooler?.offsetMm ? [{ of: 'overhang' as const, rearMm: cooler.offsetMm }] : []),
      ];
    }
    case 'board-drive': {
      const drive = parts.ofKind('drive').find(({ item }) => item.id === step.about)?.part;
      return drive?.heatsinkHeightMm === undefined ? [] : [{ of: 'drive-cover', own: drive.heatsinkHeightMm > 0 }];
    }
    case 'fan-cable':
      return step.cable?.headerA === undefined
        ? []
        : [{ of: 'header', amperes: step.cable.headerA, limit: board?.fanHeaderCurrentA }];
    default:
      return [];
  }
}

/** A row in which two or more fans plug into one another is longer by each joint. */
function linkedIn({ fans, rowMm, radiator }: SidePlan, parts: FittedParts): Detail[] {
  const linked = fans.flatMap(({ of, item }) => {
    const part = of === 'added' ? parts.ofKind('fan').find((fan) => fan.item.id === item)?.part : undefined;
    return part?.linkMm ? [part.linkMm] : [];
  });
  if (linked.length < 2) return [];
  const sizes = fans.reduce((sum, { of, sizeMm }) => sum + (of === 'case' || of === 'added' ? sizeMm : 0), 0);
  const joints = linked.slice(1).reduce((sum, mm) => sum + mm, 0);
  return [{ of: 'linked', takesMm: sizes + joints + (radiator?.lengthMm ?? 0), rowMm }];
}
