import { meetings, type Meeting } from '../../clearance/scene';
import { type Facts, nameOf, unknownFigures, type Said, type Rule } from '../rule';

/** mm of overlap that the drawings of a usual board cannot decide: measure before ordering. */
const DOUBT_MM = 6;

export const clearance: Rule = {
  id: 'clearance',
  reads: ['any part', 'cooler', 'geometry'],
  levels: ['blocks', 'unproven', 'caution'],
  mendedBy: ['another slot', 'standing upright', 'another side'],
  check: ({ parts, scene }) => {
    if (!scene) return [];
    const checks: Said[] = [];
    if (scene.missing.length > 0) checks.push(unknownFigures('room-beside', scene.missing));
    const worst = new Map<string, Meeting>();
    const judged = judgedMeetings({ parts, scene });
    for (const meeting of judged) {
      const key = [meeting.a.item, meeting.b.item].sort().join(' ');
      if (meeting.gapMm < 0 && !worst.has(key)) worst.set(key, meeting);
    }
    for (const { a, b, gapMm } of worst.values()) {
      const [one, other] = [a, b].map(({ item }) => parts.all.find((fitted) => fitted.item.id === item));
      if (one && other)
        checks.push({
          // cables give way a little, and a maker's stated room for the supply counts them in
          level: gapMm < -DOUBT_MM && a.kind !== 'cables' && b.kind !== 'cables' ? 'blocks' : 'caution',
          code: 'collision',
          items: [a.item, b.item].sort(),
          one: nameOf(one),
          other: nameOf(other),
          where: [a.kind, b.kind],
          overlapMm: -gapMm,
        });
    }
    if (checks.length === 0)
      checks.push({
        level: 'passes',
        code: 'clear',
        items: [],
        solids: scene.solids.length,
        leastMm: Math.max(0, judged[0]?.gapMm ?? 0),
      });
    return checks;
  },
};

/** Meetings that no maker's stated limit decides already. */
export function judgedMeetings({
  parts,
  scene,
}: Pick<Facts, 'parts'> & { scene: NonNullable<Facts['scene']> }): Meeting[] {
  const stated = parts.one('cooler')?.part.memoryClearanceMm !== undefined;
  return meetings(scene.solids).filter(({ a, b }) => !(stated && [a.kind, b.kind].sort().join() === 'cooler,module'));
}
