import type { AnyFitted, Fitted, FittedParts } from '../../model/fitted';
import { cablesUnsaid, missingOf } from '../../model/unsaid';
import { CONNECTORS, type Connector } from '../../parts/common';
import { isDiskForm } from '../../parts/drive';
import { cableUse } from '../../parts/purposes';
import { INPUT_W, slotPowerW } from '../../power/inputs';
import { unknown, unknownFigures, idsOf, nameOf, type Said, type Rule } from '../rule';

type Plugs = Map<Connector, number>;
interface Needs {
  readonly count: number;
  readonly users: readonly AnyFitted[];
}

/** One cable for each high-power input; every drive that is not on the board takes one plug; leads make one plug of others. */
export const supplyConnectors: Rule = {
  id: 'supply-connectors',
  reads: ['supply', 'board', 'processor', 'graphics', 'expansion', 'drive', 'accessory'],
  figures: {
    supply: ['connectors'],
    board: ['powerInputs'],
    processor: ['maxPowerW'],
    graphics: ['connectors', 'boardPowerW'],
    expansion: ['connectors', 'powerW', 'lanes'],
    drive: ['form'],
  },
  levels: ['blocks', 'unproven', 'caution'],
  check: ({ parts }) => {
    const supply = parts.one('supply');
    if (!supply) return [];
    if (supply.part.connectors === undefined) return [unknown('supply-connectors', [supply, 'connectors'])];
    const { needs, checks } = needsOf(parts);
    const has: Plugs = new Map(CONNECTORS.map((plug) => [plug, supply.part.connectors?.[plug] ?? 0]));
    const asked = new Map([...needs].map(([plug, { count }]) => [plug, count]));
    const leads = parts.ofKind('accessory').filter(({ part }) => cableUse(part) === 'power');
    const used = useLeads(has, asked, leads);
    const unsaid = [
      ...leads.flatMap((lead) => {
        const lacks = (['fromPlug', 'fromPlugs', 'toPlug'] as const).filter((field) => lead.part[field] === undefined);
        return missingOf(lead, ...lacks);
      }),
      ...cablesUnsaid(parts),
    ];
    for (const [connector, { count, users }] of needs) {
      const there = has.get(connector) ?? 0;
      if (count > there && unsaid.length > 0) {
        checks.push({ ...unknownFigures('power-lead', unsaid), subject: connector });
        continue;
      }
      const spare = connector === 'processor-8' && count > there ? spareInput(parts, there, count) : undefined;
      checks.push(
        spare ?? {
          level: count <= there ? 'passes' : 'blocks',
          code: 'connectors',
          subject: connector,
          items: idsOf(supply, ...users, ...used.filter(({ part }) => part.toPlug === connector)),
          connector,
          needs: count,
          has: there,
          supply: nameOf(supply),
          forWhat: users.map(nameOf).join(', '),
          adds: ['accessory'],
        },
      );
    }
    return checks;
  },
};

/** Plugs that board, cards and drives ask for, and what is not known of them. */
function needsOf(parts: FittedParts): { needs: Map<Connector, Needs>; checks: Said[] } {
  const needs = new Map<Connector, Needs>();
  const checks: Said[] = [];
  const add = (connector: Connector, count: number, user: AnyFitted) => {
    const at = needs.get(connector) ?? { count: 0, users: [] };
    needs.set(connector, { count: at.count + count, users: [...at.users, user] });
  };
  for (const fitted of [...parts.ofKind('board'), ...parts.ofKind('graphics'), ...parts.ofKind('expansion')]) {
    const [field, inputs] =
      fitted.part.kind === 'board'
        ? (['powerInputs', fitted.part.powerInputs] as const)
        : (['connectors', fitted.part.connectors] as const);
    if (inputs === undefined) {
      if (!slotFeeds(fitted)) checks.push(unknown('power-inputs', [fitted, field]));
      continue;
    }
    for (const connector of CONNECTORS) {
      const count = inputs[connector] ?? 0;
      if (count > 0) add(connector, count, fitted);
    }
  }
  for (const drive of parts.ofKind('drive')) if (isDiskForm(drive.part.form)) add('sata', 1, drive);
  return { needs, checks };
}

/** A card whose inputs are not stated needs none as long as any slot feeds what it draws. */
function slotFeeds({ part }: AnyFitted): boolean {
  if (part.kind !== 'graphics' && part.kind !== 'expansion') return false;
  const drawW = part.kind === 'graphics' ? part.boardPowerW : part.powerW;
  const slotW = slotPowerW(part.kind === 'graphics' ? 16 : part.lanes);
  return drawW !== undefined && slotW !== undefined && drawW <= slotW;
}

/** Turns plugs that are left over into those that lack, with the leads there are; gives the leads that are used. */
function useLeads(has: Plugs, asked: ReadonlyMap<Connector, number>, leads: readonly Fitted<'accessory'>[]) {
  return leads.filter(({ part }) => {
    const { fromPlug, toPlug } = part;
    if (fromPlug === undefined || toPlug === undefined || part.fromPlugs === undefined) return false;
    const takes = part.fromPlugs;
    const left = (has.get(fromPlug) ?? 0) - (asked.get(fromPlug) ?? 0);
    if ((asked.get(toPlug) ?? 0) <= (has.get(toPlug) ?? 0) || left < takes) return false;
    has.set(fromPlug, (has.get(fromPlug) ?? 0) - takes);
    has.set(toPlug, (has.get(toPlug) ?? 0) + 1);
    return true;
  });
}

/** A board's second processor input may stay empty under a processor that the fed ones carry: worth a word, no more. */
function spareInput(parts: FittedParts, fed: number, inputs: number): Said | undefined {
  const [board, processor] = [parts.one('board'), parts.one('processor')];
  if (!board || !processor || fed === 0) return undefined;
  const drawW = processor.part.maxPowerW;
  if (drawW === undefined) return unknown('fewer-inputs', [processor, 'maxPowerW']);
  const carryW = fed * INPUT_W['processor-8'];
  if (drawW > carryW) return undefined;
  return {
    level: 'caution',
    code: 'spare-input',
    items: idsOf(board, processor),
    board: nameOf(board),
    processor: nameOf(processor),
    inputs,
    fed,
    drawW,
    carryW,
  };
}
