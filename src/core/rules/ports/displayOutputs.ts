import { unknown, idsOf, nameOf, type Rule } from '../rule';

/** A picture comes from the card when there is one, else from the board's own outputs. */
export const displayOutputs: Rule = {
  id: 'display-outputs',
  holds: 'every owned display has an output',
  compares: 'displays with the outputs of what makes the picture',
  reads: ['graphics', 'board', 'display'],
  levels: ['blocks', 'unproven'],
  source: 'definition',
  check: ({ parts, brief }) => {
    const displays = brief.ownedDisplays.length + parts.ofKind('display').length;
    const holder = parts.one('graphics') ?? parts.one('board');
    if (displays === 0 || !holder) return [];
    const [field, list] =
      holder.part.kind === 'graphics'
        ? (['outputs', holder.part.outputs] as const)
        : (['displayOutputs', holder.part.displayOutputs] as const);
    if (list === undefined) return [unknown('display-outputs', 'how many displays it drives', [holder, field])];
    const count = list.reduce((sum, port) => sum + port.count, 0);
    const outputs = holder.part.kind === 'graphics' ? Math.min(count, holder.part.maxDisplays ?? count) : count;
    return [
      {
        rule: 'display-outputs',
        level: displays <= outputs ? 'passes' : 'blocks',
        code: 'display-outputs',
        items: idsOf(holder),
        displays,
        outputs,
        from: nameOf(holder),
      },
    ];
  },
};
