import type { AnyFitted } from '../../fitted';
import { CONNECTORS, type Connector } from '../../parts/common';
import { unknown, idsOf, nameOf, type Check, type Rule } from '../rule';

/** One cable for each high-power input; drives on SATA power take one connector each. */
export const supplyConnectors: Rule = {
  id: 'supply-connectors',
  holds: 'the supply has a connector for every input',
  compares: 'power inputs of board, cards and drives with the connectors of the supply, kind by kind',
  reads: ['supply', 'board', 'graphics', 'expansion', 'drive'],
  levels: ['blocks', 'unproven'],
  source: 'definition; one cable per high-power input',
  check: ({ parts }) => {
    const supply = parts.one('supply');
    if (!supply) return [];
    const has = supply.part.connectors;
    if (has === undefined)
      return [unknown('supply-connectors', 'which connectors the supply has', [supply, 'connectors'])];
    const needs = new Map<Connector, { count: number; users: AnyFitted[] }>();
    const checks: Check[] = [];
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
        // a capture or network card without the figure is fed by its slot as long as it stays within 75 W
        if (fitted.part.kind !== 'expansion')
          checks.push(unknown('supply-connectors', 'which power inputs it has', [fitted, field]));
        continue;
      }
      for (const connector of CONNECTORS) {
        const count = inputs[connector] ?? 0;
        if (count > 0) add(connector, count, fitted);
      }
    }
    for (const drive of parts.ofKind('drive'))
      if (drive.part.form === '2.5"' || drive.part.form === '3.5"') add('sata', 1, drive);
    for (const [connector, { count, users }] of needs) {
      const there = has[connector] ?? 0;
      checks.push({
        rule: 'supply-connectors',
        level: count <= there ? 'passes' : 'blocks',
        code: 'connectors',
        items: idsOf(supply, ...users),
        connector,
        needs: count,
        has: there,
        supply: nameOf(supply),
        forWhat: users.map(nameOf).join(', '),
      });
    }
    return checks;
  },
};
