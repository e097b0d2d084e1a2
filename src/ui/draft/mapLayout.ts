import type { Assessment } from '@/core/assess';
import { fullName } from '@/core/fitted';
import type { DriveRole } from '@/core/machine';
import { levelRank, type Level } from '@/core/rules/rule';
import type { Position } from '@/core/search/candidates';
import { byteRate, number, size } from '@/core/words/format';

/** A box on the map, in px from the map's top left. */
export interface MapNode {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly title: string;
  readonly sub: string;
  readonly sub2?: string | undefined;
  readonly kind: 'spine' | 'device' | 'empty' | 'off' | 'fixed';
  readonly level: Level | undefined;
  readonly position: Position | undefined;
  readonly item: string | undefined;
  readonly watts: { readonly now: number; readonly max: number } | undefined;
}

/** A link on the map: thickness by bandwidth, filled by what the worst sitting uses. */
export interface MapWire {
  readonly id: string;
  readonly x1: number;
  readonly y1: number;
  readonly x2: number;
  readonly y2: number;
  readonly gbytePerS: number | undefined;
  readonly used: number;
  readonly label: string;
  readonly title: string;
}

export interface MapLayout {
  readonly width: number;
  readonly height: number;
  readonly nodes: readonly MapNode[];
  readonly wires: readonly MapWire[];
  readonly frameTop: number;
}

const ROW = 42;
const GAP = 7;
const SPINE_GAP = 34;

interface Leaf {
  readonly id: string;
  readonly node: Omit<MapNode, 'x' | 'y' | 'width' | 'height'>;
  readonly wire: { readonly gbytePerS: number | undefined; readonly used: number; readonly label: string; readonly title: string } | undefined;
}

interface Tier {
  readonly id: string;
  readonly label: string;
  readonly left: readonly Leaf[];
  readonly right: readonly Leaf[];
}

/** Worst finding level that names an item. */
function levelsByItem(assessment: Assessment): Map<string, Level> {
  const levels = new Map<string, Level>();
  for (const finding of assessment.findings)
    for (const item of finding.items) {
      const before = levels.get(item);
      if (!before || levelRank(finding.level) < levelRank(before)) levels.set(item, finding.level);
    }
  return levels;
}

/** Most bytes/s any sitting moves over each place of the tree, the busier direction. */
function usedByPlace(assessment: Assessment): Map<string, number> {
  const used = new Map<string, number>();
  const raise = (place: string, value: number) => used.set(place, Math.max(used.get(place) ?? 0, value));
  const { placement, board, sittings } = assessment.facts;
  for (const sitting of sittings) {
    const here = new Map<string, number>();
    const add = (key: string, bytesPerS: number) => here.set(key, (here.get(key) ?? 0) + bytesPerS);
    for (const [key, bytesPerS] of sitting.linkLoads) add(key, bytesPerS);
    for (const [resource, share] of sitting.busy) {
      const end = assessment.supply.endOf(resource as 'gpu.in');
      const rate = assessment.supply.of(resource as 'gpu.in')?.rate?.value;
      const slot = end && placement?.placed.get(end.item)?.slot;
      if (!end || rate === undefined || slot === undefined) continue;
      for (const place of [slot, ...(board?.slotById.get(slot)?.path ?? [])]) add(`${place}:${end.direction}`, share * rate);
    }
    for (const [key, bytesPerS] of here) raise(key.slice(0, key.lastIndexOf(':')), bytesPerS);
  }
  return used;
}

const ROLE: Readonly<Record<DriveRole, string>> = { system: 'system', scratch: 'scratch', active: 'active', archive: 'archive', backup: 'backup' };

/** Second line of a device's box: what a builder reads first. */
function summary(assessment: Assessment, item: string): string {
  const fitted = assessment.facts.parts.all.find((entry) => entry.item.id === item);
  if (!fitted) return '';
  const { part } = fitted;
  switch (part.kind) {
    case 'graphics':
      return `${part.memoryGiB ?? '?'} GB · ${part.boardPowerW ?? '?'} W`;
    case 'drive':
      return `${part.capacityGB === undefined ? '?' : size(part.capacityGB * 1e9)} · ${(fitted.item.roles ?? []).map((role) => ROLE[role]).join(', ') || 'no role'}`;
    case 'expansion':
      return part.purpose ?? '';
    case 'supply':
      return `${part.ratedW ?? '?'} W · ${part.tier ?? '?'}`;
    case 'cooler':
      return part.type === 'liquid' ? `${part.radiatorMm ?? '?'} mm radiator` : `${part.heightMm ?? '?'} mm high`;
    case 'case':
      return `${part.volumeL ?? '?'} L · cards to ${part.cardLengthMm ?? '?'} mm`;
    case 'memory':
      return `${part.modules ?? '?'} × ${part.moduleGiB ?? '?'} GB`;
    default:
      return part.kind;
  }
}

/** Computes boxes and links from the board's own topology: one tier for the processor and one for each hub below it. */
export function layoutMap(assessment: Assessment, width: number): MapLayout {
  const { facts } = assessment;
  const { board, placement, parts } = facts;
  const levels = levelsByItem(assessment);
  const used = usedByPlace(assessment);
  const worstPower = facts.power.sittings.reduce<(typeof facts.power.sittings)[number] | undefined>((most, next) => (!most || next.sustainedW > most.sustainedW ? next : most), undefined);
  const drawOf = (item: string) => {
    const draw = facts.power.parts.find((entry) => entry.item === item);
    return draw && { now: worstPower?.byItem.get(item) ?? draw.maxW, max: draw.maxW };
  };
  const nameOf = new Map(parts.all.map((fitted) => [fitted.item.id, fullName(fitted.part)]));
  const inSlot = new Map([...(placement?.placed ?? [])].map(([item, placed]) => [placed.slot, { item, placed }]));

  const deviceLeaf = (item: string): Leaf['node'] => ({
    id: item,
    title: nameOf.get(item) ?? item,
    sub: summary(assessment, item),
    kind: 'device',
    level: levels.get(item),
    position: { kind: parts.all.find((fitted) => fitted.item.id === item)?.part.kind ?? 'drive', item },
    item,
    watts: drawOf(item),
  });

  const slotLeaf = (slotId: string): Leaf | undefined => {
    const slot = board?.slotById.get(slotId);
    if (!slot) return undefined;
    const at = inSlot.get(slotId);
    const lanes = placement?.lanes.get(slotId) ?? slot.lanes;
    const off = placement?.off.get(slotId);
    if (at) {
      const gbytePerS = at.placed.bytesPerS === undefined ? undefined : at.placed.bytesPerS / 1e9;
      const busy = (used.get(slotId) ?? 0) / 1e9;
      const label = at.placed.link ? `gen ${at.placed.link.generation} × ${at.placed.link.lanes}` : slot.kind === 'sata' ? 'SATA' : 'link ?';
      const own = at.placed.ownBytesPerS;
      const title = `${nameOf.get(at.item) ?? at.item} in ${slot.label}: ${gbytePerS === undefined ? 'unknown rate' : byteRate(gbytePerS * 1e9)}${own !== undefined && gbytePerS !== undefined && own > gbytePerS * 1e9 * 1.001 ? ` of ${byteRate(own)} it could use` : ''}, the heaviest sitting uses ${byteRate(busy * 1e9)}`;
      return { id: slotId, node: { ...deviceLeaf(at.item), sub2: slot.label }, wire: { gbytePerS, used: gbytePerS ? busy / gbytePerS : 0, label, title } };
    }
    const by = off?.by ? nameOf.get(off.by) : undefined;
    if (off)
      return {
        id: slotId,
        node: { id: slotId, title: slot.label, sub: off.how === 'covered' ? `covered by ${by ?? 'a card'}` : off.how === 'exclusion' ? `off: ${by ?? 'another slot'} uses its lanes` : 'no lanes in this mode', kind: 'off', level: undefined, position: undefined, item: undefined, watts: undefined },
        wire: undefined,
      };
    return {
      id: slotId,
      node: {
        id: slotId,
        title: slot.label,
        sub: `empty · gen ${slot.generation} × ${lanes}`,
        kind: 'empty',
        level: undefined,
        position: slot.kind === 'card' ? { kind: parts.one('graphics') ? 'expansion' : 'graphics', pin: slotId } : { kind: 'drive', pin: slotId, roles: rolesMissing(assessment) },
        item: undefined,
        watts: undefined,
      },
      wire: undefined,
    };
  };

  const tiers: Tier[] = ['cpu', ...(board?.hubs.keys() ?? [])].map((place) => {
    const here = board?.slots.filter((slot) => (slot.path[0] ?? 'cpu') === place) ?? [];
    const cards = here.filter((slot) => slot.kind === 'card').map((slot) => slotLeaf(slot.id));
    const drives = here.filter((slot) => slot.kind === 'm2' || slot.kind === 'u2').map((slot) => slotLeaf(slot.id));
    const sata = here.filter((slot) => slot.kind === 'sata');
    const sataUsed = sata.filter((slot) => inSlot.has(slot.id)).map((slot) => slotLeaf(slot.id));
    const sataFree = sata.length - sataUsed.length;
    const freeLeaf: Leaf | undefined =
      sataFree > 0
        ? { id: `${place}-sata`, node: { id: `${place}-sata`, title: `SATA, ${sataFree} free`, sub: 'empty', kind: 'empty', level: undefined, position: { kind: 'drive', roles: ['archive'] }, item: undefined, watts: undefined }, wire: undefined }
        : undefined;
    const integrated = (board?.integrated ?? [])
      .filter((item) => (item.path[0] ?? 'cpu') === place && item.kind === 'network')
      .map((item): Leaf => {
        const busy = used.get(item.id) ?? 0;
        return {
          id: item.id,
          node: { id: item.id, title: item.label, sub: busy > 0 ? `uses ${byteRate(busy)}` : 'on the board', kind: 'fixed', level: undefined, position: undefined, item: undefined, watts: undefined },
          wire: { gbytePerS: item.bytesPerS / 1e9, used: busy / item.bytesPerS, label: '', title: `${item.label}, the heaviest sitting uses ${byteRate(busy)}` },
        };
      });
    const keep = (leaves: (Leaf | undefined)[]) => leaves.filter((leaf) => leaf !== undefined);
    return { id: place, label: place === 'cpu' ? '' : (board?.hubs.get(place)?.label ?? place), left: keep([...cards, ...drives]), right: place === 'cpu' ? memoryLeaves(assessment, levels, drawOf) : keep([...sataUsed, freeLeaf, ...integrated]) };
  });

  return draw(assessment, tiers, width, levels, used, drawOf);
}

/** Roles that no drive has yet, so that a new drive gets a useful one. */
function rolesMissing(assessment: Assessment): DriveRole[] {
  const has = new Set(assessment.facts.parts.ofKind('drive').flatMap((drive) => drive.item.roles ?? []));
  const missing = (['system', 'active', 'scratch', 'archive'] as const).find((role) => !has.has(role));
  return [missing ?? 'active'];
}

function memoryLeaves(assessment: Assessment, levels: Map<string, Level>, drawOf: (item: string) => MapNode['watts']): Leaf[] {
  const { parts, memory } = assessment.facts;
  const slots = parts.one('board')?.part.memorySlots ?? [];
  const kits = new Map(parts.ofKind('memory').map((kit) => [kit.item.id, kit]));
  const perChannel = memory.bandwidthBytesPerS !== undefined && memory.channelsPopulated ? memory.bandwidthBytesPerS / memory.channelsPopulated / 1e9 : undefined;
  const busy = Math.max(0, ...assessment.facts.sittings.map((sitting) => sitting.busy.get('memory.traffic') ?? 0));
  return [...slots]
    .sort((a, b) => (a.channel === b.channel ? a.position - b.position : a.channel < b.channel ? -1 : 1))
    .map((slot): Leaf => {
      const module = memory.modules.find((entry) => entry.slot === slot.id);
      const kit = module && kits.get(module.item);
      const first = kits.values().next().value;
      return {
        id: slot.id,
        node: {
          id: slot.id,
          title: kit ? `${slot.label}  ${kit.part.moduleGiB ?? '?'} GB` : `${slot.label}  empty`,
          sub: kit ? fullName(kit.part) : 'memory slot',
          kind: kit ? 'device' : 'empty',
          level: module && levels.get(module.item),
          position: { kind: 'memory', item: module?.item ?? first?.item.id },
          item: module?.item,
          watts: module && drawOf(module.item) && { now: (drawOf(module.item)?.now ?? 0) / (kit?.part.modules ?? 1), max: (drawOf(module.item)?.max ?? 0) / (kit?.part.modules ?? 1) },
        },
        wire: kit ? { gbytePerS: perChannel, used: busy, label: '', title: `${slot.label}: ${memory.effectiveMTs ?? '?'} MT/s` } : undefined,
      };
    });
}

/** Places the tiers one under another: leaves left and right of a spine box that is as tall as its tier. */
function draw(assessment: Assessment, tiers: readonly Tier[], width: number, levels: Map<string, Level>, used: Map<string, number>, drawOf: (item: string) => MapNode['watts']): MapLayout {
  const { facts } = assessment;
  const nodes: MapNode[] = [];
  const wires: MapWire[] = [];
  // the gap between must hold a label such as "gen 4 × 16"
  const side = Math.min(300, Math.max(128, Math.round(width * 0.285)));
  const spine = Math.min(220, Math.max(110, Math.round(width * 0.21)));
  const spineX = Math.round((width - spine) / 2);
  const rightX = width - side;
  let y = 0;
  let before: { bottom: number } | undefined;
  const processor = facts.parts.one('processor');
  for (const tier of tiers) {
    const rows = Math.max(tier.left.length, tier.right.length, tier.id === 'cpu' ? 3 : 1);
    const small = tier.id !== 'cpu' || tier.right.length <= 4 ? ROW : 34;
    const height = rows * ROW + (rows - 1) * GAP;
    if (before) {
      const hub = facts.board?.hubs.get(tier.id);
      const busy = used.get(tier.id) ?? 0;
      if (hub)
        wires.push({
          id: `uplink-${tier.id}`,
          x1: width / 2,
          y1: before.bottom,
          x2: width / 2,
          y2: y,
          gbytePerS: hub.uplinkBytesPerS / 1e9,
          used: busy / hub.uplinkBytesPerS,
          label: `uplink gen ${hub.uplink.generation} × ${hub.uplink.lanes} · uses ${number(busy / 1e9, 2)} of ${number(hub.uplinkBytesPerS / 1e9, 2)} GB/s`,
          title: `uplink of ${hub.label}`,
        });
    }
    nodes.push(
      tier.id === 'cpu'
        ? {
            id: 'processor',
            x: spineX,
            y,
            width: spine,
            height,
            title: processor ? fullName(processor.part) : 'No processor',
            sub: processor ? coresText(processor.part.coreGroups) : 'choose one',
            sub2: memoryText(assessment),
            kind: processor ? 'spine' : 'empty',
            level: processor && levels.get(processor.item.id),
            position: { kind: 'processor', item: processor?.item.id },
            item: processor?.item.id,
            watts: processor && drawOf(processor.item.id),
          }
        : { id: tier.id, x: spineX, y, width: spine, height, title: tier.label, sub: 'shares one uplink', kind: 'spine', level: undefined, position: undefined, item: undefined, watts: undefined },
    );
    const place = (leaves: readonly Leaf[], x: number, from: number, to: number, step: number) =>
      leaves.forEach((leaf, i) => {
        const top = y + i * step;
        const box = step - GAP;
        nodes.push({ ...leaf.node, x, y: top, width: side, height: box });
        if (leaf.wire) wires.push({ id: leaf.id, x1: from, y1: top + box / 2, x2: to, y2: top + box / 2, ...leaf.wire });
      });
    place(tier.left, 0, side, spineX, ROW + GAP);
    place(tier.right, rightX, spineX + spine, rightX, tier.right.length > 0 ? Math.min(ROW + GAP, Math.max(small, (height + GAP) / tier.right.length)) : ROW + GAP);
    before = { bottom: y + height };
    y += height + SPINE_GAP;
  }
  y += -SPINE_GAP + 20;
  const frameTop = y;
  const around = surroundings(assessment, levels, drawOf);
  const perRow = width >= 620 ? 4 : 3;
  const cell = (width - (perRow - 1) * GAP) / perRow;
  around.forEach((node, i) => nodes.push({ ...node, x: (i % perRow) * (cell + GAP), y: frameTop + 22 + Math.floor(i / perRow) * (ROW + GAP), width: cell, height: ROW }));
  return { width, height: frameTop + 22 + Math.ceil(around.length / perRow) * (ROW + GAP), nodes, wires, frameTop };
}

function coresText(groups: readonly { kind: string; count: number; boostGHz?: number | undefined }[] | undefined): string {
  if (!groups) return 'cores unknown';
  return `${groups.map((group) => group.count).join(' + ')} cores · ${groups[0]?.boostGHz ?? '?'} GHz`;
}

function memoryText(assessment: Assessment): string | undefined {
  const { memory } = assessment.facts;
  if (memory.bandwidthBytesPerS === undefined) return undefined;
  return `${byteRate(memory.bandwidthBytesPerS)}${memory.latencyNs === undefined ? '' : ` · ${number(memory.latencyNs)} ns`}`;
}

/** Supply, cooler, case and the rest that hangs on no link; what is missing is offered as an empty place. */
function surroundings(assessment: Assessment, levels: Map<string, Level>, drawOf: (item: string) => MapNode['watts']): Omit<MapNode, 'x' | 'y' | 'width' | 'height'>[] {
  const { parts, placement, memory } = assessment.facts;
  const placedMemory = new Set(memory.modules.map((module) => module.item));
  const onMap = (id: string, kind: string) => kind === 'processor' || placement?.placed.has(id) || (kind === 'memory' && placedMemory.has(id));
  const present = parts.all
    .filter(({ item, part }) => !onMap(item.id, part.kind))
    .map(({ item, part }) => ({
      id: item.id,
      title: fullName(part),
      sub: placement?.unplaced.has(item.id) ? `${part.kind} · has no place` : part.kind === 'board' ? `board · ${part.form ?? 'form unknown'}` : summary(assessment, item.id),
      kind: 'device' as const,
      level: levels.get(item.id),
      position: { kind: part.kind, item: item.id },
      item: item.id,
      watts: drawOf(item.id),
    }));
  const rank = (node: { position: Position }) => ['board', 'cooler', 'case', 'supply'].indexOf(node.position.kind) + 1 || 9;
  present.sort((a, b) => rank(a) - rank(b));
  const gone = parts.gone.map((item) => ({ id: item.id, title: item.label ?? item.part, sub: 'no longer in the catalogue', kind: 'off' as const, level: 'unproven' as const, position: undefined, item: item.id, watts: undefined }));
  const missing = (['board', 'memory', 'cooler', 'case', 'supply', 'drive', 'graphics'] as const)
    .filter((kind) => parts.ofKind(kind).length === 0 && !(kind === 'graphics' && assessment.facts.board) && !(kind === 'drive' && assessment.facts.board) && !(kind === 'memory' && (parts.one('board')?.part.memorySlots?.length ?? 0) > 0))
    .map((kind) => ({ id: `missing-${kind}`, title: kind === 'cooler' && parts.one('processor')?.part.coolerIncluded ? 'Cooler comes with the processor' : `No ${kind}`, sub: 'choose one', kind: 'empty' as const, level: undefined, position: kind === 'drive' ? { kind, roles: ['system' as const] } : { kind }, item: undefined, watts: undefined }));
  return [...present, ...gone, ...missing];
}
