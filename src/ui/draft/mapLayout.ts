import type { Assessment } from '@/core/assess';
import { fullName } from '@/core/fitted';
import type { Level } from '@/core/rules/rule';
import { byteRate, number } from '@/core/words/format';
import {
  coresText,
  levelsByItem,
  memoryLeaves,
  memoryText,
  rolesMissing,
  summary,
  surroundings,
  usedByPlace,
} from './mapLeaves';
import type { Leaf, MapLayout, MapNode, MapWire, Tier } from './mapModel';

const ROW = 42;

const GAP = 7;

const SPINE_GAP = 34;

/** Computes boxes and links from the board's own topology: one tier for the processor and one for each hub below it. */
export function layoutMap(assessment: Assessment, width: number): MapLayout {
  const { facts } = assessment;
  const { board, placement, parts } = facts;
  const levels = levelsByItem(assessment);
  const used = usedByPlace(assessment);
  const worstPower = facts.power.sittings.reduce<(typeof facts.power.sittings)[number] | undefined>(
    (most, next) => (!most || next.sustainedW > most.sustainedW ? next : most),
    undefined,
  );
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
      const label = at.placed.link
        ? `gen ${at.placed.link.generation} × ${at.placed.link.lanes}`
        : slot.kind === 'sata'
          ? 'SATA'
          : 'link ?';
      const own = at.placed.ownBytesPerS;
      const title = `${nameOf.get(at.item) ?? at.item} in ${slot.label}: ${gbytePerS === undefined ? 'unknown rate' : byteRate(gbytePerS * 1e9)}${own !== undefined && gbytePerS !== undefined && own > gbytePerS * 1e9 * 1.001 ? ` of ${byteRate(own)} it could use` : ''}, the heaviest sitting uses ${byteRate(busy * 1e9)}`;
      return {
        id: slotId,
        node: { ...deviceLeaf(at.item), sub2: slot.label },
        wire: { gbytePerS, used: gbytePerS ? busy / gbytePerS : 0, label, title },
      };
    }
    const by = off?.by ? nameOf.get(off.by) : undefined;
    if (off)
      return {
        id: slotId,
        node: {
          id: slotId,
          title: slot.label,
          sub:
            off.how === 'covered'
              ? `covered by ${by ?? 'a card'}`
              : off.how === 'exclusion'
                ? `off: ${by ?? 'another slot'} uses its lanes`
                : 'no lanes in this mode',
          kind: 'off',
          level: undefined,
          position: undefined,
          item: undefined,
          watts: undefined,
        },
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
        position:
          slot.kind === 'card'
            ? { kind: parts.one('graphics') ? 'expansion' : 'graphics', pin: slotId }
            : { kind: 'drive', pin: slotId, roles: rolesMissing(assessment) },
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
        ? {
            id: `${place}-sata`,
            node: {
              id: `${place}-sata`,
              title: `SATA, ${sataFree} free`,
              sub: 'empty',
              kind: 'empty',
              level: undefined,
              position: { kind: 'drive', roles: ['archive'] },
              item: undefined,
              watts: undefined,
            },
            wire: undefined,
          }
        : undefined;
    const integrated = (board?.integrated ?? [])
      .filter((item) => (item.path[0] ?? 'cpu') === place && item.kind === 'network')
      .map((item): Leaf => {
        const busy = used.get(item.id) ?? 0;
        return {
          id: item.id,
          node: {
            id: item.id,
            title: item.label,
            sub: busy > 0 ? `uses ${byteRate(busy)}` : 'on the board',
            kind: 'fixed',
            level: undefined,
            position: undefined,
            item: undefined,
            watts: undefined,
          },
          wire: {
            gbytePerS: item.bytesPerS / 1e9,
            used: busy / item.bytesPerS,
            label: '',
            title: `${item.label}, the heaviest sitting uses ${byteRate(busy)}`,
          },
        };
      });
    const keep = (leaves: (Leaf | undefined)[]) => leaves.filter((leaf) => leaf !== undefined);
    return {
      id: place,
      label: place === 'cpu' ? '' : (board?.hubs.get(place)?.label ?? place),
      left: keep([...cards, ...drives]),
      right: place === 'cpu' ? memoryLeaves(assessment, levels, drawOf) : keep([...sataUsed, freeLeaf, ...integrated]),
    };
  });

  return draw(assessment, tiers, width, levels, used, drawOf);
}

/** Places the tiers one under another: leaves left and right of a spine box that is as tall as its tier. */
function draw(
  assessment: Assessment,
  tiers: readonly Tier[],
  width: number,
  levels: Map<string, Level>,
  used: Map<string, number>,
  drawOf: (item: string) => MapNode['watts'],
): MapLayout {
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
        : {
            id: tier.id,
            x: spineX,
            y,
            width: spine,
            height,
            title: tier.label,
            sub: 'shares one uplink',
            kind: 'spine',
            level: undefined,
            position: undefined,
            item: undefined,
            watts: undefined,
          },
    );
    const place = (leaves: readonly Leaf[], x: number, from: number, to: number, step: number) =>
      leaves.forEach((leaf, i) => {
        const top = y + i * step;
        const box = step - GAP;
        nodes.push({ ...leaf.node, x, y: top, width: side, height: box });
        if (leaf.wire)
          wires.push({ id: leaf.id, x1: from, y1: top + box / 2, x2: to, y2: top + box / 2, ...leaf.wire });
      });
    place(tier.left, 0, side, spineX, ROW + GAP);
    place(
      tier.right,
      rightX,
      spineX + spine,
      rightX,
      tier.right.length > 0 ? Math.min(ROW + GAP, Math.max(small, (height + GAP) / tier.right.length)) : ROW + GAP,
    );
    before = { bottom: y + height };
    y += height + SPINE_GAP;
  }
  y += -SPINE_GAP + 20;
  const frameTop = y;
  const around = surroundings(assessment, levels, drawOf);
  const perRow = width >= 620 ? 4 : 3;
  const cell = (width - (perRow - 1) * GAP) / perRow;
  around.forEach((node, i) =>
    nodes.push({
      ...node,
      x: (i % perRow) * (cell + GAP),
      y: frameTop + 22 + Math.floor(i / perRow) * (ROW + GAP),
      width: cell,
      height: ROW,
    }),
  );
  return { width, height: frameTop + 22 + Math.ceil(around.length / perRow) * (ROW + GAP), nodes, wires, frameTop };
}
