import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import type { Finding } from '../../rules/rule';
import { findingWords } from '../../words/findings';
import { assessSheet, type Sheet } from '../physical';

interface Row {
  readonly like: string;
  readonly faults: readonly string[];
  /** Changes of the archetype: a path and its value, none takes it away, "+list" adds to a list. */
  readonly but: readonly (readonly [string, unknown])[];
}

const read = (name: string): unknown => JSON.parse(readFileSync(new URL(name, import.meta.url), 'utf8'));
const archetypes = read('./archetypes.json') as Record<string, Sheet>;
const rows = read('./machines.json') as Row[];

type Bag = Record<string, unknown>;

function sheetOf({ like, but }: Row): Sheet {
  const sheet = structuredClone(archetypes[like]) as Bag | undefined;
  if (!sheet) throw new Error(`no archetype "${like}"`);
  for (const [path, value] of but) {
    if (path.startsWith('+')) {
      const name = path.slice(1);
      sheet[name] = [...((sheet[name] as unknown[] | undefined) ?? []), value];
      continue;
    }
    const steps = path.split('|');
    const last = steps.pop() ?? '';
    const at = steps.reduce<Bag>((bag, step) => bag[step] as Bag, sheet);
    if (value === null) Reflect.deleteProperty(at, last);
    else at[last] = value;
  }
  return sheet;
}

/** Which rule a planted fault belongs to, and at what level it must speak; `also` may block besides, as it follows. */
const BELONGS: Readonly<Record<string, { rule: string; level: Finding['level']; also?: readonly string[] }>> = {
  'processor of another socket': { rule: 'socket', level: 'blocks' },
  'processor family the board does not know': { rule: 'processor-family', level: 'blocks' },
  'firmware too old, and only a running processor can flash it': { rule: 'firmware', level: 'blocks' },
  'firmware too old, can be flashed on the bench': { rule: 'firmware', level: 'caution' },
  'RAM of another generation': { rule: 'memory-generation', level: 'blocks' },
  'modules of another kind': { rule: 'module-kind', level: 'blocks' },
  'profile the board cannot read': { rule: 'profile-kind', level: 'caution' },
  'more modules than sockets': { rule: 'memory-slots', level: 'blocks' },
  'modules larger than a socket takes': { rule: 'memory-capacity', level: 'blocks' },
  'more RAM than the processor addresses': { rule: 'memory-capacity', level: 'blocks' },
  'one channel empty': { rule: 'memory-channels', level: 'caution' },
  'RAM faster than both promise with this many modules': { rule: 'memory-rate', level: 'caution' },
  'two kits of different make': { rule: 'mixed-kits', level: 'caution' },
  'errors are to be corrected and the modules do not': { rule: 'error-correction', level: 'blocks' },
  'modules in the wrong sockets': { rule: 'memory-order', level: 'caution' },
  'card too long': { rule: 'card-length', level: 'blocks' },
  'card too high': { rule: 'card-height', level: 'blocks' },
  'card too thick for the rows below it': { rule: 'device-place', level: 'blocks' },
  'more sticks than sockets': { rule: 'device-place', level: 'blocks' },
  'stick too long for its socket': { rule: 'device-place', level: 'blocks' },
  'stick with a heatsink under the cover': { rule: 'drive-heatsink', level: 'blocks', also: ['device-place'] },
  'drive faster than its socket': { rule: 'link', level: 'caution' },
  'two things that share lanes': { rule: 'device-place', level: 'blocks' },
  'cooler for other sockets': { rule: 'cooler-socket', level: 'blocks' },
  'mounting kit sold apart and not there': { rule: 'cooler-socket', level: 'blocks' },
  'cooler too high': { rule: 'cooler-height', level: 'blocks' },
  'cooler too weak': { rule: 'cooler-load', level: 'caution' },
  'radiator without a mount': { rule: 'radiator-mount', level: 'blocks' },
  'pump without a header': { rule: 'pump-header', level: 'caution' },
  'RAM too high for the cooler': { rule: 'memory-under-cooler', level: 'blocks' },
  'board larger than the box takes': { rule: 'board-form', level: 'blocks' },
  'supply of another form': { rule: 'supply-form', level: 'blocks' },
  'supply too long': { rule: 'supply-length', level: 'blocks', also: ['clearance'] },
  'supply too weak': { rule: 'supply-power', level: 'blocks' },
  'no plug for the card': { rule: 'supply-connectors', level: 'blocks' },
  'too few plugs for the processor': { rule: 'supply-connectors', level: 'blocks' },
  'processor hungrier than the board carries': { rule: 'board-power', level: 'caution' },
  'more disks than bays': { rule: 'drive-bays', level: 'blocks' },
  'optical drive without a bay': { rule: 'drive-bays', level: 'blocks' },
  'no drive to start from': { rule: 'system-drive', level: 'caution' },
  'scratch on cells that wear': { rule: 'scratch-cells', level: 'caution' },
  'no picture': { rule: 'picture-path', level: 'blocks', also: ['display-outputs', 'display-link'] },
  'more screens than plugs': { rule: 'display-outputs', level: 'blocks', also: ['display-link'] },
  'screen faster than its cable': { rule: 'display-link', level: 'caution' },
  'screen without a plug in common': { rule: 'display-link', level: 'blocks' },
  'screen tied to a sync kind the card lacks': { rule: 'adaptive-sync', level: 'caution' },
  'network too slow': { rule: 'must-haves', level: 'blocks' },
  'no wireless': { rule: 'must-haves', level: 'blocks' },
  'too few video inputs': { rule: 'must-haves', level: 'blocks' },
  'box too large': { rule: 'must-haves', level: 'blocks' },
  'too few fast ports': { rule: 'must-haves', level: 'blocks' },
  'drives that do not encrypt': { rule: 'must-haves', level: 'blocks' },
  'board that cannot be managed from afar': { rule: 'must-haves', level: 'blocks' },
  'no supply': { rule: 'parts-complete', level: 'blocks' },
  'no cooler': { rule: 'parts-complete', level: 'blocks' },
  'no box': { rule: 'parts-complete', level: 'blocks' },
  'two boards': { rule: 'parts-complete', level: 'blocks', also: ['supply-connectors'] },
  'more fans than headers': { rule: 'fan-headers', level: 'caution' },
  'fan without a place': { rule: 'fan-mounts', level: 'blocks' },
  'front port without a header': { rule: 'front-ports', level: 'caution' },
  'stream wider than the way': { rule: 'streams', level: 'caution' },
  'carrier whose sticks do not all work': { rule: 'drive-carrier', level: 'caution' },
  'upright card without a mount': { rule: 'upright', level: 'blocks' },
  'upright card without a riser': { rule: 'upright', level: 'blocks' },
  'no cable for a disk': { rule: 'small-parts', level: 'caution' },
  'no paste': { rule: 'small-parts', level: 'caution' },
  'part no longer sold': { rule: 'parts-on-sale', level: 'caution' },
  'part not sold yet': { rule: 'parts-on-sale', level: 'caution' },
  'card without the stack the application computes on': { rule: 'application-needs', level: 'blocks' },
  'less graphics memory than the application asks for': { rule: 'application-floor', level: 'blocks' },
  'drive too small for what is kept': { rule: 'drive-space', level: 'blocks' },
  'cooler reaches into the card': { rule: 'clearance', level: 'blocks' },
  'radiator under the roof meets the modules': { rule: 'clearance', level: 'blocks' },
  'drive under a card, and it must be in reach': { rule: 'reach', level: 'caution' },
  'too loud': { rule: 'noise-limit', level: 'caution' },
  'supply that trips over excursions': { rule: 'supply-power', level: 'caution' },
  'card without fans in too little air': { rule: 'card-load', level: 'caution' },
  'box that hardly breathes': { rule: 'case-air', level: 'caution' },
  "more than the socket's circuit carries": { rule: 'mains-circuit', level: 'caution' },
  'processor with older links than the board': { rule: 'root-links', level: 'note' },
  'card draws more than slot and plugs give': { rule: 'card-power', level: 'blocks' },
  'card whose plugs nobody states, and the slot is not enough': { rule: 'card-power', level: 'unproven' },
  'modules the processor does not run': { rule: 'module-kind', level: 'blocks' },
  'more screens wanted than plugs': { rule: 'display-outputs', level: 'blocks' },
  'picture made inside, and no plug for it': {
    rule: 'picture-path',
    level: 'blocks',
    also: ['display-outputs', 'display-link'],
  },
  'card on half the links it could use': { rule: 'link', level: 'caution' },
  'an optical drive is the only drive': { rule: 'parts-complete', level: 'blocks', also: ['drive-bays'] },
  'no plug left for the optical drive': { rule: 'supply-connectors', level: 'blocks' },
  'drive of a shape nobody states': { rule: 'drive-bays', level: 'unproven' },
  'no room for a system': { rule: 'system-drive', level: 'blocks' },
  'hardly room for a system': { rule: 'system-drive', level: 'caution' },
  'drive that wears out within a year': { rule: 'drive-endurance', level: 'blocks' },
  'drive that wears out before the machine': { rule: 'drive-endurance', level: 'caution' },
  'copies wanted and no drive for them': { rule: 'copies', level: 'blocks' },
  'second copy finds no room': { rule: 'copies', level: 'blocks' },
  'fans on one splitter draw too much': { rule: 'fan-headers', level: 'caution' },
  'lights on plugs of the other kind': { rule: 'light-headers', level: 'blocks' },
  'power lead that finds too few plugs': { rule: 'supply-connectors', level: 'blocks' },
  'a processor plug stays empty': { rule: 'supply-connectors', level: 'caution' },
  'network of a rate nobody states': { rule: 'must-haves', level: 'unproven' },
  'video inputs nobody counts': { rule: 'must-haves', level: 'unproven' },
  'wireless older than the router': { rule: 'must-haves', level: 'caution' },
  'ports of the other plug': { rule: 'must-haves', level: 'blocks' },
  'graphics memory nobody states under a model': { rule: 'task-figures', level: 'unproven' },
  'model larger than the card': { rule: 'work', level: 'stops' },
  'pictures faster than their plugs': { rule: 'work', level: 'stops' },
  'more than the coins there are': { rule: 'budget', level: 'caution' },
  'more than the coins there may be': { rule: 'budget', level: 'blocks' },
  'no system, and one is wanted': { rule: 'whole', level: 'caution' },
  'tall stick, and the cover can be left off': { rule: 'drive-heatsink', level: 'caution' },
  'cooler mount for another cooler': { rule: 'cooler-socket', level: 'blocks' },
};

const title = (row: Row, i: number) => `${i + 1}, ${row.like}: ${row.faults.join('; ') || 'faultless'}`;
const faulty = rows.filter((row) => row.faults.length > 0);
const faultless = rows.filter((row) => row.faults.length === 0);
const say = (findings: readonly Finding[]) =>
  findings.map((finding) => `${finding.level} ${finding.rule}: ${findingWords(finding).says}`);

describe('machines with planted faults', () => {
  test('are enough, of one to four faults, and every kind of fault is planted', () => {
    expect(faulty.length).toBeGreaterThanOrEqual(120);
    expect(faultless.length).toBeGreaterThanOrEqual(60);
    expect(new Set(faulty.map((row) => row.faults.length))).toEqual(new Set([1, 2, 3, 4]));
    expect(new Set(faulty.flatMap((row) => row.faults))).toEqual(new Set(Object.keys(BELONGS)));
  });

  test.each(faulty.map((row, i) => [title(row, i), row] as const))('%s', (_, row) => {
    const { findings } = assessSheet(sheetOf(row));
    const expected = row.faults.map((fault) => BELONGS[fault]);
    for (const fault of expected)
      expect(
        say(findings.filter((finding) => finding.rule === fault?.rule && finding.level === fault.level)),
        say(findings).join('\n'),
      ).not.toEqual([]);
    const may = new Set(expected.flatMap((fault) => [fault?.rule, ...(fault?.also ?? [])]));
    expect(say(findings.filter((finding) => finding.level === 'blocks' && !may.has(finding.rule)))).toEqual([]);
  });
});

describe('faultless machines', () => {
  test.each(faultless.map((row, i) => [title(row, i), row] as const))('%s', (_, row) => {
    const { findings } = assessSheet(sheetOf(row));
    expect(say(findings.filter((finding) => finding.level === 'blocks' || finding.level === 'unproven'))).toEqual([]);
  });
});
