import type { Assessment } from '@/core/assess';
import { heaviestOf } from '@/core/power/draw';
import { fullName } from '@/core/model/fitted';
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
  trafficByPlace,
  type Traffic,
} from './mapLeaves';
import type { Leaf, MapLayout, MapNode, MapWire, Tier } from './mapModel';

/** A box holds two lines; on a full board they stand closer. */
const ROOMY = { row: 42, gap: 7 };
const DENSE = { row: 36, gap: 5 };
const MANY_ROWS = 9;

const SPINE_GAP = 34;

/** Computes boxes and links from the board's own topology: one tier for the processor and one for each hub below it. */
export function layoutMap(assessment: Assessment, width: number, sitting?: string): MapLayout {
  const { facts } = assessment;
  const { board, placement, parts } = facts;
  const levels = levelsByItem(assessment);
  const traffic = trafficByPlace(assessment, sitting);
  const quiet: Traffic = { up: 0, down: 0 };
  const uses = (busy: Traffic) =>
    sitting === undefined
      ? `the heaviest sitting uses ${byteRate(Math.max(busy.up, busy.down))}`
      : `${byteRate(busy.up)} towards the processor, ${byteRate(busy.down)} away from it`;
  /** In one sitting the rates are written on the link, else what the link is. */
  const labelOr = (busy: Traffic, label: string) =>
    sitting === undefined || busy.up + busy.down <= 0
      ? label
      : [busy.up > 0 ? `▲ ${number(busy.up / 1e9, 2)}` : '', busy.down > 0 ? `▼ ${number(busy.down / 1e9, 2)}` : '']
          .filter(Boolean)
          .join(' ');
  const worstPower = heaviestOf(facts.power);
  const supply = parts.one('supply');
  const drawOf = (item: string) => {
    // a supply draws nothing: it delivers, up to its rating
    if (item === supply?.item.id)
      return supply.part.ratedW === undefined ? undefined : { now: facts.power.sustainedW, max: supply.part.ratedW };
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
      const busy = traffic.get(slotId) ?? quiet;
      const label = at.placed.link
        ? `gen ${at.placed.link.generation} × ${at.placed.link.lanes}`
        : slot.kind === 'sata'
          ? 'SATA'
          : 'link ?';
      const own = at.placed.ownBytesPerS;
      const title = `${nameOf.get(at.item) ?? at.item} in ${slot.label}: ${gbytePerS === undefined ? 'unknown rate' : byteRate(gbytePerS * 1e9)}${own !== undefined && gbytePerS !== undefined && own > gbytePerS * 1e9 * 1.001 ? ` of ${byteRate(own)} it could use` : ''}, ${uses(busy)}`;
      return {
        id: slotId,
        node: { ...deviceLeaf(at.item), sub2: slot.label },
        wire: {
          gbytePerS,
          up: gbytePerS ? busy.up / 1e9 / gbytePerS : 0,
          down: gbytePerS ? busy.down / 1e9 / gbytePerS : 0,
          label: labelOr(busy, label),
          title,
          of: 'link',
        },
      };
    }
    const by = off?.by ? nameOf.get(off.by) : undefined;
    // without lanes in this mode it may get some in another, when something is put there
    const most = Math.max(
      slot.lanes,
      ...(board?.sharedPorts ?? []).flatMap((port) => port.modes.map((mode) => mode.lanes.get(slotId) ?? 0)),
    );
    if (off && !(off.how === 'mode' && most > 0))
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
        sub:
          off === undefined
            ? `empty · gen ${slot.generation} × ${lanes}`
            : `empty · gen ${slot.generation} × ${most}, lanes shared`,
        kind: 'empty',
        level: undefined,
        position:
          slot.kind === 'card'
            ? {
                // whatever plugs in: without a card of its own the machine wants graphics first
                kind: parts.one('graphics') ? 'expansion' : 'graphics',
                also: [parts.one('graphics') ? 'graphics' : 'expansion'],
                pin: slotId,
              }
            : { kind: 'drive', pin: slotId, roles: rolesMissing(assessment) },
        item: undefined,
        watts: undefined,
      },
      wire: undefined,
    };
  };

  // a drive on a card stands with its card, whatever hub they hang on
  const tierOf = (path: readonly string[]): string => path.find((id) => board?.hubs.has(id)) ?? 'cpu';

  const tiers: Tier[] = ['cpu', ...(board?.hubs.keys() ?? [])].map((place) => {
    const here = board?.slots.filter((slot) => tierOf(slot.path) === place) ?? [];
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
      .filter((item) => tierOf(item.path) === place && item.kind === 'network')
      .map((item): Leaf => {
        const busy = traffic.get(item.id) ?? quiet;
        const most = Math.max(busy.up, busy.down);
        return {
          id: item.id,
          node: {
            id: item.id,
            title: item.label,
            sub: most > 0 ? `uses ${byteRate(most)}` : 'on the board',
            kind: 'fixed',
            level: undefined,
            position: undefined,
            item: undefined,
            watts: undefined,
          },
          wire: {
            gbytePerS: item.bytesPerS / 1e9,
            up: busy.up / item.bytesPerS,
            down: busy.down / item.bytesPerS,
            label: labelOr(busy, ''),
            title: `${item.label}, ${uses(busy)}`,
            of: 'link',
          },
        };
      });
    const keep = (leaves: (Leaf | undefined)[]) => leaves.filter((leaf) => leaf !== undefined);
    return {
      id: place,
      label: place === 'cpu' ? '' : (board?.hubs.get(place)?.label ?? place),
      left: keep([...cards, ...drives]),
      right:
        place === 'cpu'
          ? memoryLeaves(assessment, levels, drawOf, sitting)
          : keep([...sataUsed, freeLeaf, ...integrated]),
    };
  });

  return draw(assessment, tiers, width, levels, traffic, drawOf);
}

/** Places the tiers one under another: leaves left and right of a spine box that is as tall as its tier. */
function draw(
  assessment: Assessment,
  tiers: readonly Tier[],
  width: number,
  levels: Map<string, Level>,
  traffic: Map<string, Traffic>,
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
  const most = Math.max(...tiers.map((tier) => Math.max(tier.left.length, tier.right.length)));
  const { row, gap } = most > MANY_ROWS ? DENSE : ROOMY;
  let y = 0;
  let before: { bottom: number } | undefined;
  const processor = facts.parts.one('processor');
  for (const tier of tiers) {
    const rows = Math.max(tier.left.length, tier.right.length, tier.id === 'cpu' ? 3 : 1);
    const small = tier.id !== 'cpu' || tier.right.length <= 4 ? row : Math.min(row, 34);
    const height = rows * row + (rows - 1) * gap;
    if (before) {
      const hub = facts.board?.hubs.get(tier.id);
      const busy = traffic.get(tier.id) ?? { up: 0, down: 0 };
      const heaviest = Math.max(busy.up, busy.down);
      if (hub)
        wires.push({
          id: `uplink-${tier.id}`,
          x1: width / 2,
          y1: before.bottom,
          x2: width / 2,
          y2: y,
          gbytePerS: hub.uplinkBytesPerS / 1e9,
          up: busy.up / hub.uplinkBytesPerS,
          down: busy.down / hub.uplinkBytesPerS,
          of: 'link',
          label: `uplink gen ${hub.uplink.generation} × ${hub.uplink.lanes} · uses ${number(heaviest / 1e9, 2)} of ${number(hub.uplinkBytesPerS / 1e9, 2)} GB/s`,
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
        const box = step - gap;
        nodes.push({ ...leaf.node, x, y: top, width: side, height: box });
        if (leaf.wire)
          wires.push({ id: leaf.id, x1: from, y1: top + box / 2, x2: to, y2: top + box / 2, ...leaf.wire });
      });
    place(tier.left, 0, side, spineX, row + gap);
    place(
      tier.right,
      rightX,
      spineX + spine,
      rightX,
      tier.right.length > 0 ? Math.min(row + gap, Math.max(small, (height + gap) / tier.right.length)) : row + gap,
    );
    before = { bottom: y + height };
    y += height + SPINE_GAP;
  }
  y += -SPINE_GAP + 20;
  const frameTop = y;
  const around = surroundings(assessment, levels, drawOf);
  const perRow = width >= 620 ? 4 : 3;
  const cell = (width - (perRow - 1) * gap) / perRow;
  around.forEach((node, i) =>
    nodes.push({
      ...node,
      x: (i % perRow) * (cell + gap),
      y: frameTop + 22 + Math.floor(i / perRow) * (row + gap),
      width: cell,
      height: row,
    }),
  );
  return { width, height: frameTop + 22 + Math.ceil(around.length / perRow) * (row + gap), nodes, wires, frameTop };
}
