import { WHOLE, type WholePart } from '../../model/brief';
import { isThere, notActivated } from '../../money/spent';
import type { PartKind } from '../../parts';
import { idsOf, nameOf, type Said, type Rule } from '../rule';

const KIND: Readonly<Record<WholePart, PartKind>> = {
  system: 'system',
  display: 'display',
  keyboard: 'peripheral',
  pointing: 'peripheral',
};

/** A machine is whole with a system, a display, a keyboard and a pointing device, unless they are owned or not needed. */
export const whole: Rule = {
  id: 'whole',
  reads: ['system', 'display', 'peripheral', 'board'],
  levels: ['caution', 'note'],
  check: ({ parts, brief, machine }) => {
    if (machine.items.length === 0) return [];
    const checks: Said[] = [];
    const unasked: WholePart[] = [];
    for (const what of WHOLE) {
      if (isThere(what, parts, brief)) continue;
      const said = brief.whole?.[what];
      if (said === undefined) unasked.push(what);
      else if (said === 'wanted')
        checks.push({
          level: 'caution',
          code: 'whole-missing',
          subject: what,
          items: [],
          what,
          adds: [KIND[what]],
        });
    }
    if (unasked.length > 0) checks.push({ level: 'note', code: 'whole-unasked', items: [], what: unasked });
    for (const system of notActivated({ machine, parts }))
      checks.push({
        level: 'caution',
        code: 'system-stays',
        items: idsOf(system),
        system: nameOf(system),
      });
    return checks.length > 0 ? checks : [{ level: 'passes', code: 'whole', items: [], count: WHOLE.length }];
  },
};
