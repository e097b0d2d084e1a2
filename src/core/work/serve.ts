import { fromConstant, given, powered, product, quotient, sum, type Derivation } from '../figures/derive';
import { coreArithmetic } from './coreArithmetic';
import { briefOf, defined, Demands, gwork, within } from './demands';
import { LEARN } from './learnConstants';
import type { ServeWork, TablesWork } from '../model/tasks/learning';
import { profileOf, type MachineFacts } from './machineFacts';
import type { Elastic, RealTime } from './stage';
import { exchanging, takePart } from './cards';
import { runtimeBytes } from './train';
import { outsideOf, type Trade } from './trade';
import { DONE_WITHIN } from './commonFigures';

const k = (label: string, name: keyof typeof LEARN): Derivation => fromConstant(label, LEARN[name]);

/**
 * Bytes of the weights at their precision, with a scale a block where they are quantised.
 * @example weightBytes({ paramsB: 7, bits: 16, name: 'Ask' }).value // 1.4e10
 */
export function weightBytes({ paramsB, bits, name }: Pick<ServeWork, 'paramsB' | 'bits' | 'name'>): Derivation {
  const params = given('parameters', paramsB * 1e9, '', 'brief', name);
  const payload = product('weights', 'B', [params, given('bytes a parameter', bits / 8, 'B', 'brief', name)]);
  return bits === 16
    ? payload
    : sum('weights and scales', 'B', [payload, product('block scales', 'B', [params, k('a scale', 'scaleBytes')])]);
}

/**
 * Bytes that one sequence keeps: 2 × layers × kv-heads × head size × context × 2 bytes.
 * @example cacheBytes({ layers: 24, kvHeads: 4, headSize: 128, context: 16_384, name: 'Ask' }).value // 805306368
 */
export function cacheBytes(task: Pick<ServeWork, 'layers' | 'kvHeads' | 'headSize' | 'context' | 'name'>): Derivation {
  const brief = briefOf(task);
  return product('keys and values of a sequence', 'B', [
    defined('keys and values', 2),
    brief('layers', task.layers),
    brief('heads that keep them', task.kvHeads),
    brief('size of a head', task.headSize),
    brief('context', task.context),
    defined('bytes each', 2, 'B'),
  ]);
}

/**
 * Serving: a unit is a decode step, one token for every user. It reads all weights and all caches once; prompts are read
 * between the steps by arithmetic. Without a card the processor does it from memory.
 */
export function expandServe(task: ServeWork, facts: MachineFacts): RealTime {
  const application = profileOf('learn', task, facts);
  const out = new Demands(application);
  const brief = briefOf(task);
  const card = facts.mayHaveCard && application.effects === 'graphics';
  const users = brief('users at once', task.users);
  const weights = weightBytes(task);
  const caches = product('caches of all', 'B', [users, cacheBytes(task)]);
  const read = sum('read a step', 'B', [weights, caches]);
  const params = brief('parameters', task.paramsB * 1e9);
  const tokens = product('tokens a step', 'tokens', [users, brief('written and read', 1 + task.readPerWritten)]);
  const flop = product('arithmetic of a step', 'FLOP', [tokens, params, k('a parameter', 'forwardFlop')]);
  const what = card ? 'graphics memory' : 'memory';
  const held = (count: number) => {
    const share = count > 1 ? [defined('a card’s share', 1 / count, 'share')] : [];
    return [
      product('weights held', 'B', [weights, ...share]),
      product('caches held', 'B', [caches, ...share]),
      ...(card ? [runtimeBytes()] : []),
    ];
  };
  const n = card
    ? takePart(out, application, facts, (count) => held(count).reduce((all, { value }) => all + value, 0))
    : 1;
  if (card) {
    out.stacks(application, facts);
    out.need(
      'write',
      'gpu.traffic',
      quotient('read a step, in peak bytes', 'B', [read, k('share of peak reached', 'achievedDecode')]),
    );
    out.need(
      'read prompts',
      'gpu.matrix',
      quotient('arithmetic, in peak FLOP', 'FLOP', [flop, k('share of peak reached', 'achievedPrefill')]),
    );
    // layers are cut over the cards: sums of all users' states pass twice a layer
    if (n > 1)
      out.need(
        'exchange',
        'gpu.exchange',
        product('sums of the layers', 'B', [
          tokens,
          brief('layers', task.layers),
          defined('twice a layer, there and back', 4, '×'),
          brief('width of the keys', task.kvHeads * task.headSize),
          k('width of the model', 'queryHeads'),
          defined('bytes each', 2, 'B'),
          defined('sent on by each of the cards', (n - 1) / n, 'share'),
        ]),
      );
  } else {
    out.need(
      'write',
      'memory.traffic',
      quotient('read a step', 'B', [read, k('share of the rate that is read', 'readOnCores')]),
    );
    const prompts = coreArithmetic('arithmetic on the processor', flop, 'fp32PerClock', reachedOnCores(), facts);
    out.arithmetic('read prompts', prompts, k('serial share', 'loadSerial'), 'read prompts');
  }
  out.serial('choose', k('a step', 'decodeStepSerial'), 'choose');
  for (const bytes of held(n)) out.fit(what, bytes);
  out.program(application, false);
  return {
    mode: 'real-time',
    task: task.id,
    foreground: task.foreground ?? false,
    unit: 'token',
    targetPerS: brief('tokens a second for each', task.tokensPerS, '/s'),
    threadCap: application.threadCap,
    cards: exchanging(application, n),
    flows: [],
    outside: outsideOf(serve.figures, task),
    ...out.collected(),
  };
}

const EFFORT = {
  sum: 'sumWork',
  scan: 'scanWork',
  group: 'groupWork',
  'many groups': 'manyGroupsWork',
  sort: 'sortWork',
  join: 'joinWork',
  model: 'modelWork',
} as const;
const WAITS = {
  sum: 'scanSerial',
  scan: 'scanSerial',
  group: 'groupSerial',
  'many groups': 'groupSerial',
  sort: 'joinSerial',
  join: 'joinSerial',
  model: 'modelSerial',
} as const;
const GROWS = { sort: 'sortGrows', join: 'joinGrows' } as const;

/**
 * Processor work of one pass over so many bytes in memory, in Gwork. Sorts and joins grow faster than their data: by a
 * power of the gigabytes.
 * @example a gigabyte joined: 37.9 Gwork; eight of them 8 × 8^0.298 = 14.9 times that
 */
export const tableWork = (bytes: Derivation, effort: TablesWork['effort']): Derivation =>
  gwork('work over', [
    bytes,
    k('a byte', EFFORT[effort]),
    ...(effort === 'sort' || effort === 'join'
      ? [powered(quotient('gigabytes', 'GB', [bytes, defined('bytes a GB', 1e9)]), k('grows', GROWS[effort]))]
      : []),
  ]);

/** Processor work of laying so many bytes of columns out before models are fitted, in Gwork. */
export const tablePrepare = (bytes: Derivation): Derivation =>
  gwork('columns laid out', [bytes, k('a byte', 'modelPrepare')]);

/** Share of a pass that stays on one thread. */
export const tableSerial = (effort: TablesWork['effort']): Derivation => k('serial share', WAITS[effort]);

/** Share of the peak that one large product reaches on the cores. */
export const reachedByProduct = (): Derivation => k('share of peak reached', 'achievedProduct');

/** Share of the peak that a model’s products reach on the cores. */
export const reachedOnCores = (): Derivation => k('share of peak reached', 'achievedOnCores');

/** Tables: a unit is a pass over all of it. Read once, kept unpacked in memory; what does not fit spills. */
export function expandTables(task: TablesWork, facts: MachineFacts): Elastic {
  const application = profileOf('learn', task, facts);
  const out = new Demands(application);
  const brief = briefOf(task);
  const data = brief('data', task.dataGB * 1e9, 'B');
  const inMemory = product('data in memory', 'B', [data, brief('in memory ÷ on the drive', task.memoryFactor)]);
  const once = defined('once a run', 1 / task.passes, 'share');
  out.need('read', 'read:active', product('read', 'B', [data, once]));
  out.processor('unpack', gwork('unpack', [data, once, k('a byte', 'parse')]), k('serial share', 'loadSerial'));
  out.processor('work over', tableWork(inMemory, task.effort), tableSerial(task.effort), `tables ${task.effort}`);
  if (task.effort === 'model')
    out.processor(
      'prepare',
      product('columns laid out, once a run', 'Gwork', [tablePrepare(inMemory), once]),
      tableSerial('model'),
      'tables prepare',
    );
  out.need(
    'work over',
    'memory.traffic',
    product('read and written', 'B', [inMemory, k('read and written', 'tableTraffic')]),
  );
  out.hold('memory', inMemory);
  out.hold('space:active', data);
  out.program(application, false);
  return {
    mode: 'elastic',
    task: task.id,
    unit: 'pass',
    units: brief('passes', task.passes),
    targetS: within(task.targetMin, 60),
    threadCap: application.threadCap,
    overlap: k('side by side', 'overlap'),
    flows: [],
    outside: outsideOf(tables.figures, task),
    ...out.collected(),
  };
}

export const serve: Trade<'serve'> = {
  kind: 'serve',
  name: 'Serve a text model',
  explains: 'answers to several people at once, quickly enough to read along',
  start: (id) => ({
    kind: 'serve',
    id,
    name: 'Answer the team',
    importance: 4,
    foreground: true,
    paramsB: 7,
    bits: 4,
    layers: 32,
    kvHeads: 8,
    headSize: 128,
    context: 8192,
    users: 6,
    tokensPerS: 12,
    readPerWritten: 6,
  }),
  figures: {
    paramsB: {
      label: 'Parameters',
      unit: 'billion',
      explains: 'All weights are read for every token.',
      valid: [0.1, 200],
    },
    bits: { label: 'Bits a weight', explains: 'Fewer bits: less to hold and to read, a little less exact.' },
    layers: { label: 'Layers', explains: 'Caches grow with them.', valid: [4, 130] },
    kvHeads: {
      label: 'Key-value heads',
      explains: 'Caches grow with them; models that share them keep less.',
      valid: [1, 128],
    },
    headSize: { label: 'Size of a head', explains: 'Numbers kept a head and token.' },
    context: {
      label: 'Context',
      unit: 'tokens',
      explains: 'Kept for every user as long as they talk.',
      valid: [256, 131_072],
    },
    users: {
      label: 'Users at once',
      explains: 'Share one reading of the weights; each brings a cache.',
      valid: [1, 256],
    },
    tokensPerS: {
      label: 'Tokens a second for each',
      unit: '/s',
      explains: 'People read some 5 to 8 a second.',
      valid: [1, 200],
    },
    readPerWritten: {
      label: 'Tokens read for one written',
      explains: 'Long prompts with short answers are arithmetic.',
      valid: [0, 200],
    },
  },
  constants: LEARN,
  sizes: {
    of: 'users at once',
    list: (task) =>
      [1, 2, 4, 6, 8, 12, 16, 24, 32, 48, 64, 96, 128, 192, 256].map((users) => ({
        label: `${users}`,
        task: { ...task, users },
      })),
  },
  grow: {
    what: 'users',
    by: (task, times) => ({ ...task, users: Math.ceil(task.users * times) }),
  },
  expand: expandServe,
  weaknesses: [
    'All users are taken as writing at once with full context: the worst case of a busy hour.',
    'Small models that guess ahead for a larger one are not modelled.',
  ],
};

export const tables: Trade<'tables'> = {
  kind: 'tables',
  name: 'Work over tables',
  explains: 'data in memory, scanned, joined or fitted',
  start: (id) => ({
    kind: 'tables',
    id,
    name: 'Work over the survey tables',
    importance: 3,
    runsPerWeek: 10,
    dataGB: 8,
    memoryFactor: 3,
    passes: 20,
    effort: 'join',
    targetMin: 10,
  }),
  figures: {
    dataGB: { label: 'Data on the drive', unit: 'GB', explains: 'Read once a run.', valid: [0.05, 2000] },
    memoryFactor: {
      label: 'In memory',
      unit: '× the file',
      explains: 'Unpacked columns and what is made of them: sorts and joins take 1.4 to 2.1 times the data besides.',
      valid: [1, 12],
    },
    passes: { label: 'Passes', explains: 'Times that all of it is worked over.', valid: [1, 2000] },
    effort: {
      label: 'What is done',
      explains: 'Sorts and joins take several times what sums take, and gain little from more cores.',
    },
    targetMin: DONE_WITHIN,
  },
  constants: LEARN,
  sizes: {
    of: 'GB of data',
    list: (task) =>
      [1, 2, 4, 8, 12, 16, 24, 32, 48, 64, 96, 128, 256, 512].map((dataGB) => ({
        label: `${dataGB} GB`,
        task: { ...task, dataGB },
      })),
  },
  grow: {
    what: 'data',
    by: (task, times) => ({ ...task, dataGB: task.dataGB * times }),
  },
  expand: expandTables,
  weaknesses: ['Only the processor works over tables here; work moved to a card is not modelled.'],
};
