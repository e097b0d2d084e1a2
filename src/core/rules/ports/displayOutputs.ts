import { unknown, idsOf, nameOf, type Rule } from '../rule';
import { displaysAsked, pictureSources } from './displays';

/** Outputs of all cards count, and the board's where the processor has graphics for them. */
export const displayOutputs: Rule = {
  id: 'display-outputs',
  reads: ['graphics', 'processor', 'board', 'display'],
  levels: ['blocks', 'unproven'],
  check: ({ parts, brief }) => {
    const displays = displaysAsked(parts, brief);
    const sources = pictureSources(parts);
    if (displays === 0 || sources.length === 0) return [];
    const chain = brief.mustHaves.displaysPerOutput ?? 1;
    const has = sources.reduce((all, { outputs, most }) => {
      const count = (outputs ?? []).reduce((sum, port) => sum + port.count, 0);
      return all + Math.min(count * chain, most ?? Infinity);
    }, 0);
    const vague = sources.filter(({ outputs }) => outputs === undefined);
    if (has < displays && vague.length > 0)
      return [unknown('displays-driven', ...vague.map(({ holder, field }) => [holder, field] as const))];
    const holders = sources.filter(({ outputs }) => outputs !== undefined).map(({ holder }) => holder);
    return [
      {
        level: displays <= has ? 'passes' : 'blocks',
        code: 'display-outputs',
        items: idsOf(...holders),
        displays,
        outputs: has,
        from: holders.map(nameOf).join(' and '),
        adds: ['graphics'],
      },
    ];
  },
};
