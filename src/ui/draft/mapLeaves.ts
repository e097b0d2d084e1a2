import type { Assessment } from '@/core/assess';
import { fullName, type AnyFitted } from '@/core/model/fitted';
import type { Position } from '@/core/search/candidates';
import type { DriveRole } from '@/core/figures/resources';
import { levelRank, type Level } from '@/core/rules/rule';
import { byteRate, number, size } from '@/core/words/format';
import type { Leaf, MapNode } from './mapModel';

/** Worst finding level that names an item. */
export function levelsByItem(assessment: Assessment): Map<string, Level> {
  const levels = new Map<string, Level>();
  for (const finding of assessment.findings)
    for (const item of finding.items) {
      const before = levels.get(item);
      if (!before || levelRank(finding.level) < levelRank(before)) levels.set(item, finding.level);
    }
  return levels;
}

/** Bytes/s over a place of the tree, towards the processor and away from it. */
export interface Traffic {
  readonly up: number;
  readonly down: number;
}

/** Bytes/s over each place of the tree in one sitting, or the most that any sitting moves. */
export function trafficByPlace(assessment: Assessment, only?: string): Map<string, Traffic> {
  const most = new Map<string, Traffic>();
  const { placement, board, sittings } = assessment.facts;
  for (const sitting of sittings) {
    if (only !== undefined && sitting.sitting !== only) continue;
    const here = new Map<string, number>();
    const add = (key: string, bytesPerS: number) => here.set(key, (here.get(key) ?? 0) + bytesPerS);
    for (const [key, bytesPerS] of sitting.linkLoads) add(key, bytesPerS);
    for (const [resource, share] of sitting.busy) {
      const end = assessment.supply.endOf(resource as 'gpu.in');
      const rate = assessment.supply.of(resource as 'gpu.in')?.rate?.value;
      const slot = end && placement?.placed.get(end.item)?.slot;
      if (!end || rate === undefined || slot === undefined) continue;
      for (const place of [slot, ...(board?.slotById.get(slot)?.path ?? [])])
        add(`${place}:${end.direction}`, share * rate);
    }
    for (const [key, bytesPerS] of here) {
      const place = key.slice(0, key.lastIndexOf(':'));
      const before = most.get(place) ?? { up: 0, down: 0 };
      most.set(
        place,
        key.endsWith(':up')
          ? { ...before, up: Math.max(before.up, bytesPerS) }
          : { ...before, down: Math.max(before.down, bytesPerS) },
      );
    }
  }
  return most;
}

const ROLE: Readonly<Record<DriveRole, string>> = {
  system: 'system',
  scratch: 'scratch',
  active: 'active',
  archive: 'archive',
  backup: 'backup',
};

/** Second line of a device's box: what a builder reads first. */
export function summary(assessment: Assessment, item: string): string {
  const fitted = assessment.facts.parts.all.find((entry) => entry.item.id === item);
  if (!fitted) return '';
  const { from, until } = fitted.item;
  return `${figuresOf(fitted)}${from !== undefined ? ' · comes later' : until !== undefined ? ' · goes later' : ''}`;
}

function figuresOf(fitted: AnyFitted): string {
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

/** Roles that no drive has yet, so that a new drive gets a useful one. */
export function rolesMissing(assessment: Assessment): DriveRole[] {
  const has = new Set(assessment.facts.parts.ofKind('drive').flatMap((drive) => drive.item.roles ?? []));
  const missing = (['system', 'active', 'scratch', 'archive'] as const).find((role) => !has.has(role));
  return [missing ?? 'active'];
}

export function memoryLeaves(
  assessment: Assessment,
  levels: Map<string, Level>,
  drawOf: (item: string) => MapNode['watts'],
  only?: string,
): Leaf[] {
  const { parts, memory } = assessment.facts;
  const slots = parts.one('board')?.part.memorySlots ?? [];
  const kits = new Map(parts.ofKind('memory').map((kit) => [kit.item.id, kit]));
  const perChannel =
    memory.bandwidthBytesPerS !== undefined && memory.channelsPopulated
      ? memory.bandwidthBytesPerS / memory.channelsPopulated / 1e9
      : undefined;
  const busy = Math.max(
    0,
    ...assessment.facts.sittings
      .filter((sitting) => only === undefined || sitting.sitting === only)
      .map((sitting) => sitting.busy.get('memory.traffic') ?? 0),
  );
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
          watts: module &&
            drawOf(module.item) && {
              now: (drawOf(module.item)?.now ?? 0) / (kit?.part.modules ?? 1),
              max: (drawOf(module.item)?.max ?? 0) / (kit?.part.modules ?? 1),
            },
        },
        wire: kit
          ? {
              gbytePerS: perChannel,
              up: busy,
              down: 0,
              label: memory.effectiveMTs === undefined ? '' : `${memory.effectiveMTs} MT/s`,
              title: `${slot.label}: ${memory.effectiveMTs ?? '?'} MT/s`,
              of: 'memory' as const,
            }
          : undefined,
      };
    });
}

export function coresText(
  groups: readonly { kind: string; count: number; boostGHz?: number | undefined }[] | undefined,
): string {
  if (!groups) return 'cores unknown';
  return `${groups.map((group) => group.count).join(' + ')} cores · ${groups[0]?.boostGHz ?? '?'} GHz`;
}

export function memoryText(assessment: Assessment): string | undefined {
  const { memory } = assessment.facts;
  if (memory.bandwidthBytesPerS === undefined) return undefined;
  return `${byteRate(memory.bandwidthBytesPerS)}${memory.latencyNs === undefined ? '' : ` · ${number(memory.latencyNs)} ns`}`;
}

/** Supply, cooler, case and the rest that hangs on no link; what is missing is offered as an empty place. */
export function surroundings(
  assessment: Assessment,
  levels: Map<string, Level>,
  drawOf: (item: string) => MapNode['watts'],
): Omit<MapNode, 'x' | 'y' | 'width' | 'height'>[] {
  const { parts, placement, memory } = assessment.facts;
  const placedMemory = new Set(memory.modules.map((module) => module.item));
  const onMap = (id: string, kind: string) =>
    kind === 'processor' || placement?.placed.has(id) || (kind === 'memory' && placedMemory.has(id));
  const present = parts.all
    .filter(({ item, part }) => !onMap(item.id, part.kind))
    .map(({ item, part }) => ({
      id: item.id,
      title: fullName(part),
      sub: placement?.unplaced.has(item.id)
        ? `${part.kind} · has no place`
        : part.kind === 'board'
          ? `board · ${part.form ?? 'form unknown'}`
          : summary(assessment, item.id),
      kind: 'device' as const,
      level: levels.get(item.id),
      position: { kind: part.kind, item: item.id },
      item: item.id,
      watts: drawOf(item.id),
    }));
  const rank = (node: { position: Position }) =>
    ['board', 'cooler', 'case', 'supply'].indexOf(node.position.kind) + 1 || 9;
  present.sort((a, b) => rank(a) - rank(b));
  const gone = parts.gone.map((item) => ({
    id: item.id,
    title: item.label ?? item.part,
    sub: 'no longer in the catalogue',
    kind: 'off' as const,
    level: 'unproven' as const,
    position: undefined,
    item: item.id,
    watts: undefined,
  }));
  const missing = (['board', 'memory', 'cooler', 'case', 'supply', 'drive', 'graphics'] as const)
    .filter(
      (kind) =>
        parts.ofKind(kind).length === 0 &&
        !(kind === 'graphics' && assessment.facts.board) &&
        !(kind === 'drive' && assessment.facts.board) &&
        !(kind === 'memory' && (parts.one('board')?.part.memorySlots?.length ?? 0) > 0),
    )
    .map((kind) => ({
      id: `missing-${kind}`,
      title:
        kind === 'cooler' && parts.one('processor')?.part.coolerIncluded
          ? 'Cooler comes with the processor'
          : `No ${kind}`,
      sub: 'choose one',
      kind: 'empty' as const,
      level: undefined,
      position: kind === 'drive' ? { kind, roles: ['system' as const] } : { kind },
      item: undefined,
      watts: undefined,
    }));
  return [...present, ...gone, ...missing];
}
