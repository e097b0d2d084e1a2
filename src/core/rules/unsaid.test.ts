import { describe, expect, test } from 'vitest';
import { cablesUnsaid } from '../model/unsaid';
import { accessoryPurpose, cableUse, cardPurpose } from '../parts/purposes';
import { partSchema, type PartOf } from '../parts';
import { failing } from './rule';
import { assessed, plus, swapped, type Change } from '../tests/world';

const small = (figures: Record<string, unknown>) => ({
  kind: 'accessory',
  id: 'small',
  maker: 'Brumeworks',
  name: 'Small thing',
  ...figures,
});
const card = (figures: Record<string, unknown>) => ({
  kind: 'expansion',
  id: 'extra',
  maker: 'Relaypike',
  name: 'Card',
  generation: 4,
  lanes: 4,
  slots: 1,
  lengthMm: 150,
  heightMm: 70,
  powerW: 8,
  ...figures,
});
/** The world's machine with one thing more, and what it is to meet. */
const withPart = (part: { readonly id: string }, change: Change = {}): Change => ({
  ...change,
  addParts: [part],
  items: (items) => plus({ id: 'more', part: part.id })((change.items ?? ((all) => all))(items)),
});

/** An upright card in a case that has the mount for it. */
const UPRIGHT: Change = {
  parts: { case: { uprightCards: true } },
  items: (items) => items.map((item) => (item['id'] === 'card-1' ? { ...item, upright: true } : item)),
};
/** A cooler that mounts on another socket only. */
const OTHER_SOCKET: Change = { parts: { cooler: { sockets: [{ socket: 'Curlew', kit: 'included' }] } } };
/** A supply without the plug that the card wants. */
const NO_PLUG: Change = { parts: { psu: { connectors: { 'board-24': 1, 'processor-8': 2, 'card-8': 4, sata: 8 } } } };
const FAST: Change = { brief: { mustHaves: { networkGbitPerS: 10 } } };
const WIRELESS: Change = { brief: { mustHaves: { wireless: true } }, parts: { board: { wireless: false } } };
/** Lights of the one plug beside a header of the other only. */
const LIT: Change = { parts: { board: { lightHeaders: 0, lightHeaders12V: 1 }, case: { lightHeaders: 1 } } };
const NO_PASTE: Change = { parts: { cooler: { pasteIncluded: false } } };
/** A copy from the network onto the archive, on a machine without a network of its own. */
const COPY: Change = {
  boards: (topology) => ({ ...topology, integrated: [] }),
  brief: {
    tasks: [
      {
        kind: 'ingest',
        id: 'copy',
        name: 'Copy',
        importance: 3,
        from: 'network',
        to: 'archive',
        streams: 1,
        gbitPerS: 0.5,
        hours: 2,
        checksum: 'fast',
        keepTB: 0,
      },
    ],
    sittings: [{ id: 'one', name: 'One', hoursPerWeek: 5, tasks: ['copy'] }],
  },
};

/** A job that goes over the network, on such a machine too. */
const OVER_NETWORK: Change = {
  ...COPY,
  brief: {
    tasks: [
      {
        kind: 'custom',
        id: 'calls',
        name: 'Calls',
        importance: 3,
        mode: 'real-time',
        unit: 'call',
        unitsPerS: 10,
        networkGB: 0.01,
      },
    ],
    sittings: [{ id: 'one', name: 'One', hoursPerWeek: 5, tasks: ['calls'] }],
  },
};

/** A stream from a capture card into memory, which nothing else on the machine takes in. */
const TAKEN_IN: Change = {
  brief: {
    tasks: [
      {
        kind: 'custom',
        id: 'watch',
        name: 'Watch',
        importance: 3,
        mode: 'real-time',
        unit: 'frame',
        unitsPerS: 25,
        parallelGwork: 0.001,
        flows: [{ from: 'capture', to: 'memory', gbytePerS: 0.2 }],
      },
    ],
    sittings: [{ id: 'one', name: 'One', hoursPerWeek: 5, tasks: ['watch'] }],
  },
};

/** What is said of a rule on a machine: its worst level, and the figures that it misses. */
function said(rule: string, change: Change) {
  const checks = assessed(change).checks.filter((check) => check.rule === rule);
  const missing = checks.flatMap((check) => ('missing' in check ? check.missing : []));
  return {
    fails: checks.some(({ level }) => failing(level)),
    missing: missing.map(({ part, field }) => `${part}.${field}`).sort(),
  };
}

describe('what may be what is asked is not taken for lacking', () => {
  test.each<[what: string, rule: string, change: Change, missing: string]>([
    ['a disk without its interface', 'device-place', { parts: { disk: { interface: undefined } } }, 'disk.interface'],
    ['a drive of any form', 'device-place', { parts: { ssd: { form: undefined } } }, 'ssd.form'],
    ['a module without its interface', 'device-place', { parts: { ssd: { interface: undefined } } }, 'ssd.interface'],
    ['a small thing beside an upright card', 'upright', withPart(small({}), UPRIGHT), 'small.purpose'],
    ['a small thing beside a cooler', 'cooler-socket', withPart(small({}), OTHER_SOCKET), 'small.fitsCooler'],
    [
      'a kit that does not say for which cooler',
      'cooler-socket',
      withPart(small({ purpose: 'mounting-kit', fitsSocket: 'Dunlin' }), OTHER_SOCKET),
      'small.fitsCooler',
    ],
    [
      'a kit that does not say for which socket',
      'cooler-socket',
      withPart(small({ purpose: 'mounting-kit', fitsCooler: 'cooler' }), OTHER_SOCKET),
      'small.fitsSocket',
    ],
    ['a cable for anything', 'supply-connectors', withPart(small({ purpose: 'cable' }), NO_PLUG), 'small.cableFor'],
    ['a card for anything', 'must-haves', withPart(card({}), FAST), 'extra.purpose'],
    ['the same for wireless', 'must-haves', withPart(card({}), WIRELESS), 'extra.purpose'],
    [
      'a drive of any cells, which may be optical',
      'must-haves',
      { brief: { mustHaves: { opticalDrive: true } }, parts: { disk: { cellKind: undefined } } },
      'disk.cellKind',
    ],
    ['a small thing beside lights of the other plug', 'light-headers', withPart(small({}), LIT), 'small.purpose'],
    ['a small thing and no paste', 'small-parts', withPart(small({}), NO_PASTE), 'small.purpose'],
    ['a card for anything where a network is streamed from', 'task-figures', withPart(card({}), COPY), 'extra.purpose'],
    ['the same where a job goes over one', 'task-figures', withPart(card({}), OVER_NETWORK), 'extra.purpose'],
    ['the same where a stream comes in', 'task-figures', withPart(card({}), TAKEN_IN), 'extra.purpose'],
  ])('%s', (_what, rule, change, missing) => {
    const { fails, missing: named } = said(rule, change);
    expect(fails).toBe(false);
    expect(named).toContain(missing);
  });

  test.each<[what: string, rule: string, change: Change]>([
    ['a cable beside an upright card', 'upright', withPart(small({ cableFor: 'drive data' }), UPRIGHT)],
    ['a riser beside a cooler', 'cooler-socket', withPart(small({ purpose: 'riser' }), OTHER_SOCKET)],
    [
      'a kit for another socket',
      'cooler-socket',
      withPart(small({ purpose: 'mounting-kit', fitsSocket: 'Whimbrel' }), OTHER_SOCKET),
    ],
    ['paste where a lead is wanted', 'supply-connectors', withPart(small({ purpose: 'paste' }), NO_PLUG)],
    ['a sound card where a network is wanted', 'must-haves', withPart(card({ purpose: 'sound' }), FAST)],
    ['a slow network card', 'must-haves', withPart(card({ networkGbitPerS: 5 }), FAST)],
    ['a sound card where a stream comes in', 'work', withPart(card({ purpose: 'sound' }), TAKEN_IN)],
    ['a sound card where a network is streamed from', 'work', withPart(card({ purpose: 'sound' }), COPY)],
    ['a drive that is none', 'must-haves', { brief: { mustHaves: { opticalDrive: true } } }],
    ['a splitter beside lights of the other plug', 'light-headers', withPart(small({ cableFor: 'fan splitter' }), LIT)],
  ])('and what is not, is: %s', (_what, rule, change) => {
    expect(said(rule, change)).toMatchObject({ fails: true, missing: [] });
  });

  test.each<[what: string, rule: string, change: Change]>([
    ['a riser by its link', 'upright', withPart(small({ generation: 4, lanes: 16 }), UPRIGHT)],
    [
      'a kit by what it fits',
      'cooler-socket',
      withPart(small({ fitsCooler: 'cooler', fitsSocket: 'Dunlin' }), OTHER_SOCKET),
    ],
    [
      'a lead by its plugs',
      'supply-connectors',
      withPart(small({ fromPlug: 'card-8', fromPlugs: 2, toPlug: 'card-16' }), NO_PLUG),
    ],
    ['a network card by its rate', 'must-haves', withPart(card({ networkGbitPerS: 10 }), FAST)],
    ['a wireless card by its standard', 'must-haves', withPart(card({ wirelessStandard: 'ax' }), WIRELESS)],
    ['an NVMe disk', 'device-place', { items: swapped('disk-1', 'ssd') }],
  ])('%s passes', (_what, rule, change) => {
    expect(said(rule, change)).toEqual({ fails: false, missing: [] });
  });
});

test('a card beside others that does not state its outputs is asked once, however many displays wait for it', () => {
  const change: Change = {
    brief: { ownedDisplays: ['screen', 'screen', 'screen'] },
    parts: {
      cpu: { integratedGraphics: { fp32Tflops: 1 } },
      card: { outputs: undefined },
      board: { displayOutputs: [{ kind: 'DisplayPort 1.4', count: 1 }] },
    },
  };
  const { checks } = assessed(change);
  const links = checks.filter(({ rule }) => rule === 'display-link');
  expect(links.map(({ level }) => level)).toEqual(['passes', 'unproven']);
  expect(said('display-link', change)).toEqual({ fails: false, missing: ['card.outputs'] });
  // without another source there is nothing to connect to, and the outputs are asked for elsewhere
  expect(said('display-link', { parts: { card: { outputs: [] } } }).missing).toEqual([]);
});

describe('what a part is for', () => {
  const cardOf = (figures: Record<string, unknown>) =>
    cardPurpose(partSchema.parse(card(figures)) as PartOf<'expansion'>);
  const smallOf = (figures: Record<string, unknown>) => partSchema.parse(small(figures)) as PartOf<'accessory'>;

  test('is what it says, whatever its figures tell', () => {
    expect(cardOf({ purpose: 'capture', networkGbitPerS: 10 })).toBe('capture');
    expect(accessoryPurpose(smallOf({ purpose: 'riser', fitsCooler: 'cooler' }))).toBe('riser');
    expect(cableUse(smallOf({ cableFor: 'front port', toPlug: 'card-16' }))).toBe('front port');
  });

  test.each([
    [{ videoInputs: 4 }, 'capture'],
    [{ networkGbitPerS: 10, wireless: true }, 'network'],
    [{ driveSlots: 4 }, 'storage'],
    [{ wireless: true }, 'wireless'],
    [{ wireless: false }, undefined],
    [{}, undefined],
  ])('a card with %o', (figures, purpose) => expect(cardOf(figures)).toBe(purpose));

  test.each([
    [{ cableFor: 'power' }, 'cable', []],
    [{ toPlug: 'card-16' }, 'cable', []],
    [{ fitsSocket: 'Dunlin' }, 'mounting-kit', []],
    [{ lightPlug: '4-pin 12 V' }, 'light-controller', []],
    [{ lanes: 16 }, 'riser', []],
    [{ purpose: 'cable' }, 'cable', ['small.cableFor']],
    [{ outlets: 4 }, undefined, ['small.purpose']],
  ])('an accessory with %o; whether it is a cable for something is asked of %s', (figures, purpose, unsaid) => {
    expect(accessoryPurpose(smallOf(figures))).toBe(purpose);
    const { parts } = assessed(withPart(small(figures))).facts;
    expect(cablesUnsaid(parts).map(({ part, field }) => `${part}.${field}`)).toEqual(unsaid);
  });

  test('one thing that may be a riser may serve one card of two', () => {
    const two: Change = {
      ...UPRIGHT,
      items: (items) => [...(UPRIGHT.items?.(items) ?? items), { id: 'card-2', part: 'card', upright: true }],
    };
    const levels = (change: Change) =>
      assessed(change).checks.flatMap(({ rule, level }) => (rule === 'upright' ? [level] : []));
    expect(levels(withPart(small({}), two))).toEqual(['unproven', 'blocks']);
    expect(levels(withPart(small({ lanes: 16, generation: 4 }), two))).toEqual(['passes', 'blocks']);
  });

  test('what lacks in two places is told of each, and each by itself', () => {
    const change = withPart(small({ purpose: 'cable' }), {
      parts: { psu: { connectors: { 'board-24': 1, 'card-8': 4, sata: 8 } } },
    });
    const keys = assessed(change).findings.flatMap(({ rule, key }) => (rule === 'supply-connectors' ? [key] : []));
    expect(keys.map((key) => key.split(' ').at(-1))).toEqual(['processor-8', 'card-16']);
  });
});
