import type { Assessment } from '../assess';
import { coversOf } from '../clearance/reach';
import type { AnyFitted } from '../model/fitted';
import { CONNECTORS } from '../parts/common';
import { cableUse } from '../parts/purposes';
import { spreadFans } from '../power/headers';
import { MINUTES, type Pace } from './constants';
import type { Before, Cable, Gap, Plan, Planned, Step, StepCode } from './steps';

/**
 * The plan of a machine's assembly: steps from its parts and where they stand, each after what it stands on and before what
 * lies over the place that it needs. Deterministic: of steps that may come next the one that comes first in the usual order
 * is taken, so that swapping a part moves only steps that touch it. Source: the cover graph of the scene
 * (`clearance/reach.ts`) and what plugs reach, by the trade's practice.
 */
export function planOf(assessment: Assessment): Plan {
  const { steps, gaps } = stepsOf(assessment);
  return { ...ordered(steps), gaps };
}

/** The usual order of the trade; where nothing speaks against it, it holds. */
const USUAL: readonly StepCode[] = [
  'prepare-case',
  'processor',
  'module',
  'board-drive',
  'cooler-kit',
  'supply',
  'cage-drive',
  'case-fan',
  'board-in',
  'power-cable',
  'front-cable',
  'fan-cable',
  'data-cable',
  'drive-power',
  'radiator',
  'cooler',
  'card',
  'card-power',
  'accessory',
  'close',
];

/** Places that hands must reach on any board. */
const SOCKET = 'socket';
const PROCESSOR_INPUT = 'processor input';
const LOWER_EDGE = 'headers at the lower edge';
const DATA_PORTS = 'data ports';
const BEHIND = 'back of the board';
const CASE_INSIDE = 'inside of the case';
const memoryPlace = (slot: string): string => `memory slot ${slot}`;

/** Steps and what lies over what, in no order yet. */
function stepsOf(assessment: Assessment): { steps: Step[]; gaps: Gap[] } {
  const { parts, placement, memory, scene, heat } = assessment.facts;
  /** As the board prints it, so that a person can find it. */
  const slotPlace = (slot: string): string => placement?.board.slotById.get(slot)?.label ?? `slot ${slot}`;
  const steps: Step[] = [];
  const gaps: Gap[] = [];
  const board = parts.one('board');
  const chassis = parts.one('case');
  const supply = parts.one('supply');
  if (!board) return { steps, gaps: [{ code: 'no-board', item: undefined, field: undefined }] };
  if (!chassis) gaps.push({ code: 'no-case', item: undefined, field: undefined });
  const add = (
    id: string,
    code: StepCode,
    pace: Pace,
    given: Partial<Omit<Step, 'id' | 'code' | 'pace'>> & { readonly mounts?: readonly string[] },
  ): string => {
    steps.push({
      id,
      code,
      pace,
      mounts: given.mounts ?? [],
      about: given.about ?? given.mounts?.[0],
      place: given.place,
      cable: given.cable,
      on: given.on ?? [],
      // once it is closed nothing inside is reached
      needs: code === 'close' ? [] : [...(given.needs ?? []), CASE_INSIDE],
      covers: given.covers ?? [],
      lasting: given.lasting ?? false,
    });
    return id;
  };
  const over = scene ? coversOf(scene) : new Map<string, ReadonlySet<string>>();
  /** Places of items that another lies over, as the scene has them. */
  const placesUnder = (item: string): string[] =>
    [...over].flatMap(([under, by]) => (by.has(item) ? (placeOfItem.get(under) ?? []) : []));
  const placeOfItem = new Map<string, string[]>();
  for (const module of memory.modules)
    placeOfItem.set(module.item, [...(placeOfItem.get(module.item) ?? []), memoryPlace(module.slot)]);
  for (const [item, { slot }] of placement?.placed ?? []) placeOfItem.set(item, [slotPlace(slot)]);

  if (chassis) add('case', 'prepare-case', 'case', { mounts: [chassis.item.id], place: board.part.form });
  const processor = parts.one('processor');
  if (processor)
    add('processor', 'processor', 'processor', {
      mounts: [processor.item.id],
      place: board.part.socket,
      needs: [SOCKET],
    });
  // modules in the order in which the board wants its slots filled
  const slots = new Map((board.part.memorySlots ?? []).map((slot) => [slot.id, slot]));
  const counted = new Map<string, number>();
  for (const module of [...memory.modules].sort(
    (a, b) => (slots.get(a.slot)?.fillOrder ?? 0) - (slots.get(b.slot)?.fillOrder ?? 0),
  )) {
    const first = !counted.has(module.item);
    counted.set(module.item, (counted.get(module.item) ?? 0) + 1);
    add(`module ${module.slot}`, 'module', 'module', {
      mounts: first ? [module.item] : [],
      about: module.item,
      place: slots.get(module.slot)?.label ?? module.slot,
      needs: [memoryPlace(module.slot)],
    });
  }
  for (const { item } of parts.ofKind('memory'))
    if (!counted.has(item.id)) gaps.push({ code: 'no-place', item: item.id, field: undefined });

  const coolers = parts.ofKind('cooler');
  for (const [i, { item, part }] of coolers.entries()) {
    const suffix = i === 0 ? '' : ` ${item.id}`;
    const radiator = part.radiatorMm !== undefined;
    add(`kit${suffix}`, 'cooler-kit', 'kit', {
      mounts: parts.ofKind('accessory').flatMap((kit) => (kit.part.fitsCooler === part.id ? [kit.item.id] : [])),
      about: item.id,
      place: board.part.socket,
      needs: [BEHIND],
    });
    if (radiator)
      add(`radiator${suffix}`, 'radiator', 'fan', {
        about: item.id,
        place: item.side ?? heat.setup.plan?.radiatorSide,
        on: chassis ? ['case'] : [],
        covers: (item.side ?? heat.setup.plan?.radiatorSide) === 'top' ? [PROCESSOR_INPUT] : [],
      });
    add(`cooler${suffix}`, 'cooler', 'cooler', {
      mounts: [item.id],
      place: board.part.socket,
      on: [`kit${suffix}`, ...(processor ? ['processor'] : []), ...(radiator ? [`radiator${suffix}`] : [])],
      covers: [
        SOCKET,
        // a tall block stands between the hand and the input at the board's corner
        ...(radiator || part.type === 'low-profile' ? [] : [PROCESSOR_INPUT]),
        ...placesUnder(item.id),
      ],
      lasting: true,
    });
  }
  const boardIn = add('board', 'board-in', 'board', {
    mounts: [board.item.id],
    place: board.part.form,
    on: chassis ? ['case'] : [],
    covers: [BEHIND],
  });
  if (supply)
    add('supply', 'supply', 'supply', {
      mounts: [supply.item.id],
      place: chassis?.part.supplyPlace,
      on: chassis ? ['case'] : [],
    });
  fans();
  drives();
  boardCables();
  cards();
  accessories();
  add('close', 'close', 'close', { covers: [CASE_INSIDE] });
  return { steps, gaps };

  function fans(): void {
    for (const side of heat.setup.plan?.sides ?? [])
      for (const fan of side.fans) {
        if (fan.of !== 'added') continue;
        add(`fan ${fan.item}`, 'case-fan', 'fan', {
          mounts: [fan.item],
          place: side.side,
          on: chassis ? ['case'] : [],
          covers: side.side === 'top' ? [PROCESSOR_INPUT] : [],
        });
      }
    for (const { item } of parts.ofKind('fan'))
      if (!steps.some(({ mounts }) => mounts.includes(item.id)))
        gaps.push({ code: 'no-place', item: item.id, field: undefined });
  }

  function cable(
    id: string,
    code: StepCode,
    about: AnyFitted,
    kind: Cable['connector'],
    count: number,
    given: { on: readonly string[]; needs?: readonly string[]; place?: string },
  ): void {
    for (let number = 1; number <= count; number++)
      add(count === 1 ? id : `${id} ${number}`, code, 'cable', {
        ...given,
        about: about.item.id,
        cable: { connector: kind, number, of: count },
      });
  }

  function boardCables(): void {
    if (!board) return;
    const fed = supply ? ['supply', boardIn] : [boardIn];
    if (board.part.powerInputs === undefined)
      gaps.push({ code: 'unstated', item: board.item.id, field: 'powerInputs' });
    for (const connector of CONNECTORS)
      cable(`board ${connector}`, 'power-cable', board, connector, board.part.powerInputs?.[connector] ?? 0, {
        on: fed,
        needs: connector === 'processor-8' ? [PROCESSOR_INPUT] : [],
      });
    const inCase = chassis ? ['case', boardIn] : [boardIn];
    if (chassis) {
      cable('front switch', 'front-cable', chassis, 'switch', 1, { on: inCase, needs: [LOWER_EDGE] });
      if (chassis.part.frontAudio === true && board.part.frontAudioHeader === true)
        cable('front audio', 'front-cable', chassis, 'audio', 1, { on: inCase, needs: [LOWER_EDGE] });
      for (const [i, port] of (chassis.part.frontUsb ?? []).entries())
        cable(`front usb ${i + 1}`, 'front-cable', chassis, 'usb', 1, {
          on: inCase,
          needs: [LOWER_EDGE],
          place: `${port.gbitPerS} Gb/s`,
        });
    }
    fanCables();
  }

  /** Every fan on a header of the board, as many on one as splitters make. */
  function fanCables(): void {
    if (!board) return;
    const fans: {
      id: string;
      about: AnyFitted;
      number: number;
      of: number;
      on: string[];
      currentA: number | undefined;
    }[] = [];
    const several = (id: string, about: AnyFitted, count: number, on: string[], currentA: number | undefined) => {
      for (let number = 1; number <= count; number++)
        fans.push({ id: count === 1 ? id : `${id} ${number}`, about, number, of: count, on, currentA });
    };
    if (chassis)
      several(
        'case fans',
        chassis,
        chassis.part.fansIncluded?.reduce((sum, fan) => sum + fan.count, 0) ?? 0,
        ['case', boardIn],
        chassis.part.fanCurrentA,
      );
    for (const fan of parts.ofKind('fan')) {
      const mounted = `fan ${fan.item.id}`;
      several(
        `fan cable ${fan.item.id}`,
        fan,
        1,
        [boardIn, ...(steps.some(({ id }) => id === mounted) ? [mounted] : [])],
        fan.part.currentA,
      );
    }
    for (const [i, cooler] of coolers.entries()) {
      const suffix = i === 0 ? '' : ` ${cooler.item.id}`;
      several(
        `cooler fans${suffix}`,
        cooler,
        cooler.part.fans ?? 0,
        [boardIn, `cooler${suffix}`],
        cooler.part.fanCurrentA,
      );
      if (cooler.part.radiatorMm !== undefined)
        cable(`pump${suffix}`, 'fan-cable', cooler, 'pump', 1, { on: [boardIn, `cooler${suffix}`] });
    }
    const { fanHeaders } = board.part;
    if (fanHeaders === undefined) gaps.push({ code: 'unstated', item: board.item.id, field: 'fanHeaders' });
    const splitters = parts
      .ofKind('accessory')
      .filter(({ part }) => cableUse(part) === 'fan splitter')
      .sort((x, y) => (y.part.outlets ?? 2) - (x.part.outlets ?? 2));
    const loads = spreadFans(
      fans.map(({ currentA }) => currentA ?? 0),
      fanHeaders ?? fans.length,
      splitters.map(({ part }) => Math.max(1, part.outlets ?? 2)),
    );
    fans.forEach(({ id, about, number, of, on }, at) => {
      const header = loads.findIndex((load) => load.fans.includes(at));
      const load = loads[header];
      if (!load) {
        gaps.push({ code: 'no-header', item: about.item.id, field: undefined });
        return;
      }
      const known = load.fans.every((fan) => fans[fan]?.currentA !== undefined);
      // the splitter comes with the first fan that hangs on it
      const splitter = load.splitter === undefined ? undefined : splitters[load.splitter];
      add(id, 'fan-cable', 'cable', {
        mounts: splitter && Math.min(...load.fans) === at ? [splitter.item.id] : [],
        about: about.item.id,
        on,
        cable: {
          connector: 'fan',
          number,
          of,
          ...(fanHeaders === undefined ? {} : { header: header + 1 }),
          headerA: known ? load.currentA : undefined,
        },
      });
    });
  }

  /** What is neither a kit nor hangs between fans: leads, risers, controllers, paste. */
  function accessories(): void {
    for (const { item, part } of parts.ofKind('accessory')) {
      if (steps.some(({ mounts }) => mounts.includes(item.id))) continue;
      if (part.purpose === 'paste') {
        const cooler = steps.findIndex(({ code }) => code === 'cooler');
        const step = steps[cooler];
        if (step) {
          steps[cooler] = { ...step, mounts: [...step.mounts, item.id] };
          continue;
        }
      }
      add(`accessory ${item.id}`, 'accessory', 'cable', { mounts: [item.id], on: [boardIn] });
    }
  }

  function drives(): void {
    for (const drive of parts.ofKind('drive')) {
      const { item, part } = drive;
      const slot = placement?.placed.get(item.id)?.slot;
      const spec = slot === undefined ? undefined : placement?.board.slotById.get(slot);
      if (slot === undefined) {
        gaps.push({ code: 'no-place', item: item.id, field: undefined });
        continue;
      }
      if (spec?.kind === 'm2') {
        add(`drive ${item.id}`, 'board-drive', 'drive', {
          mounts: [item.id],
          place: spec.label,
          needs: [slotPlace(slot)],
        });
        continue;
      }
      add(`drive ${item.id}`, 'cage-drive', 'drive', {
        mounts: [item.id],
        place: part.form,
        on: chassis ? ['case'] : [],
      });
      cable(`data ${item.id}`, 'data-cable', drive, 'data', 1, {
        on: [boardIn, `drive ${item.id}`],
        needs: [DATA_PORTS],
        ...(spec ? { place: spec.label } : {}),
      });
      cable(`power ${item.id}`, 'drive-power', drive, 'sata', 1, {
        on: [`drive ${item.id}`, ...(supply ? ['supply'] : [])],
      });
    }
  }

  function cards(): void {
    for (const card of [...parts.ofKind('graphics'), ...parts.ofKind('expansion')]) {
      const { item, part } = card;
      const slot = placement?.placed.get(item.id)?.slot;
      const spec = slot === undefined ? undefined : placement?.board.slotById.get(slot);
      if (slot === undefined) {
        gaps.push({ code: 'no-place', item: item.id, field: undefined });
        continue;
      }
      const mounted = add(`card ${item.id}`, 'card', 'card', {
        mounts: [item.id],
        place: spec?.label ?? slot,
        on: [boardIn],
        needs: [slotPlace(slot)],
        covers: [LOWER_EDGE, DATA_PORTS, ...placesUnder(item.id)],
      });
      if (part.connectors === undefined) {
        if (part.kind === 'graphics') gaps.push({ code: 'unstated', item: item.id, field: 'connectors' });
        continue;
      }
      for (const connector of CONNECTORS)
        cable(`power ${item.id} ${connector}`, 'card-power', card, connector, part.connectors[connector] ?? 0, {
          on: [mounted, ...(supply ? ['supply'] : [])],
        });
    }
  }
}

/** All edges between steps: what each stands on, and whose place it would lie over. */
function edgesOf(steps: readonly Step[]): Map<string, Before[]> {
  const known = new Set(steps.map(({ id }) => id));
  const needing = new Map<string, string[]>();
  for (const { id, needs } of steps) for (const place of needs) needing.set(place, [...(needing.get(place) ?? []), id]);
  return new Map(
    steps.map(({ id, on, covers }) => {
      const before = new Map<string, Before>();
      for (const step of on) if (known.has(step)) before.set(step, { step, why: { code: 'carries' } });
      for (const place of covers)
        for (const step of needing.get(place) ?? [])
          if (step !== id && !before.has(step)) before.set(step, { step, why: { code: 'covers', place } });
      return [id, [...before.values()]];
    }),
  );
}

/** Steps in an order that every edge agrees with; the usual one where edges leave a choice. */
function ordered(steps: readonly Step[]): Pick<Plan, 'steps' | 'minutes' | 'knots'> {
  const edges = edgesOf(steps);
  const rank = (step: Step): number => USUAL.indexOf(step.code);
  const left = [...steps];
  const done = new Set<string>();
  const planned: Planned[] = [];
  const knots: string[] = [];
  while (left.length > 0) {
    const free = left.filter(({ id }) => (edges.get(id) ?? []).every(({ step }) => done.has(step)));
    const choice = (free.length > 0 ? free : left).reduce((best, step) => (rank(step) < rank(best) ? step : best));
    // steps that lie over each other's places: the usual order decides, and it is told
    if (free.length === 0) knots.push(choice.id);
    left.splice(left.indexOf(choice), 1);
    done.add(choice.id);
    planned.push({ ...choice, before: edges.get(choice.id) ?? [], minutes: MINUTES[choice.pace].value });
  }
  return { steps: planned, minutes: planned.reduce((sum, { minutes }) => sum + minutes, 0), knots };
}
