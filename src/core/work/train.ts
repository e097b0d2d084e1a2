import { fromConstant, given, product, quotient, sum, type Derivation } from '../figures/derive';
import { GIB } from '../units/quantity';
import { briefOf, defined, Demands, gwork, ownCost, within } from './demands';
import { LEARN } from './learnConstants';
import type { TrainImagesWork, TrainWork } from '../model/tasks/learning';
import { exchanging, takePart } from './cards';
import { profileOf, type MachineFacts } from './machineFacts';
import type { Elastic } from './stage';
import { outsideOf, type Trade } from './trade';

const k = (label: string, name: keyof typeof LEARN): Derivation => fromConstant(label, LEARN[name]);

/** What libraries and work space take on each card. */
export const runtimeBytes = (): Derivation =>
  product('runtime on a card', 'B', [k('runtime', 'runtimeGiB'), defined('bytes a GiB', GIB, 'B')]);

/** Parameters that are trained: all of them, or the adapters' share. */
const trained = (task: TrainWork, params: Derivation): Derivation =>
  task.method === 'full'
    ? params
    : product('parameters of the adapters', '', [
        params,
        given('share that is trained', task.trainablePercent / 100, 'share', 'brief', task.name),
      ]);

/**
 * Bytes of weights, gradients and optimiser state: 16 a parameter in full; with adapters the frozen base at its
 * precision (and its block scales) and 16 for each trained parameter.
 */
export function stateBytes(task: TrainWork): Derivation {
  const params = given('parameters', task.paramsB * 1e9, '', 'brief', task.name);
  const own = product('states of what is trained', 'B', [
    trained(task, params),
    k('a trained parameter', 'stateBytes'),
  ]);
  switch (task.method) {
    case 'full':
      return own;
    case 'adapters':
      return sum('base and adapters', 'B', [
        product('frozen base', 'B', [params, k('a frozen parameter', 'frozenBytes')]),
        own,
      ]);
    case 'quantised':
      return sum('quantised base and adapters', 'B', [
        product('payload', 'B', [params, defined('4 bits', 0.5, 'B/parameter')]),
        product('block scales', 'B', [params, k('a scale', 'scaleBytes')]),
        own,
      ]);
  }
}

/**
 * Bytes that a card keeps for the way back: layers × s·b·h·(34 + 5·a·s/h) with stored scores, without the scores when
 * attention is recomputed, the layers' inputs and one layer in full when everything is (Korthikanti et al. 2022).
 */
export function activationBytes(task: TrainWork): Derivation {
  const brief = briefOf(task);
  const tokens = product('tokens at a time', 'tokens', [
    brief('sequences', task.batch),
    brief('context', task.context, 'tokens'),
  ]);
  const layers = brief('layers', task.layers);
  const width = brief('hidden units', task.hidden);
  const inner = product('inside a layer', 'B', [tokens, width, k('a hidden unit', 'activationBytes')]);
  const scores = product('scores of a layer', 'B', [
    tokens,
    brief('heads', task.heads),
    brief('context', task.context, 'tokens'),
    k('a score', 'scoreBytes'),
  ]);
  switch (task.recompute) {
    case 'none':
      return product('kept for the way back', 'B', [layers, sum('a layer', 'B', [inner, scores])]);
    case 'attention':
      return product('kept for the way back', 'B', [layers, inner]);
    case 'all':
      return sum('kept for the way back', 'B', [
        product('inputs of the layers', 'B', [layers, tokens, width, k('a hidden unit', 'boundaryBytes')]),
        inner,
      ]);
  }
}

/** FLOP a token: 6 a parameter in full, 4 with a frozen base, 2 more when all is recomputed, and attention over the context. */
export function flopPerToken(task: TrainWork): Derivation {
  const params = given('parameters', task.paramsB * 1e9, '', 'brief', task.name);
  return sum('FLOP a token', 'FLOP', [
    product('model', 'FLOP', [
      params,
      task.method === 'full' ? k('a parameter', 'trainFlop') : k('a parameter of a frozen base', 'frozenFlop'),
    ]),
    ...(task.recompute === 'all'
      ? [product('once more forward', 'FLOP', [params, k('a parameter', 'forwardFlop')])]
      : []),
    product('attention', 'FLOP', [
      given('layers', task.layers, '', 'brief', task.name),
      given('hidden units', task.hidden, '', 'brief', task.name),
      given('context', task.context, 'tokens', 'brief', task.name),
      k('a pair', 'attentionFlop'),
    ]),
  ]);
}

/** What the cards send each other a step, each in its own direction: all-reduce of gradients, or shards of the weights. */
function exchange(out: Demands, weights: Derivation, spread: TrainWork['spread'], n: number): void {
  if (n < 2) return;
  const share = defined('sent on by each of the cards', (n - 1) / n, 'share');
  out.need(
    'exchange',
    'gpu.exchange',
    spread === 'shard'
      ? product('shards gathered and scattered', 'B', [weights, k('passes', 'shardExchanges'), share])
      : product('gradients summed over the cards', 'B', [weights, defined('there and back', 2, '×'), share]),
  );
}

/** Training of a text model: a unit is a step of all cards together. What does not fit in graphics memory does not run. */
export function expandTrain(task: TrainWork, facts: MachineFacts): Elastic {
  const application = profileOf('learn', task, facts);
  const out = new Demands(application);
  const brief = briefOf(task);
  const held = (count: number) => {
    const shards = task.spread === 'shard' && count > 1 ? [defined('a card’s share', 1 / count, 'share')] : [];
    return [product('states on a card', 'B', [stateBytes(task), ...shards]), activationBytes(task), runtimeBytes()];
  };
  const n = takePart(out, application, facts, (count) => held(count).reduce((all, { value }) => all + value, 0));
  const cards = given('cards', n, '', 'part', 'the machine');
  const params = brief('parameters', task.paramsB * 1e9);
  const tokens = product('tokens a step', 'tokens', [
    brief('sequences a card', task.batch),
    brief('context', task.context, 'tokens'),
    cards,
  ]);
  out.stacks(application, facts);
  const achieved = [
    k('share of peak reached', 'achievedTrain'),
    ...(task.method === 'quantised' ? [k('with quantised weights', 'achievedQuantised')] : []),
  ];
  out.need(
    'learn',
    'gpu.matrix',
    quotient('arithmetic of a step, in peak FLOP', 'FLOP', [
      product('arithmetic of a step', 'FLOP', [tokens, flopPerToken(task), ...ownCost(application, 'graphics')]),
      ...achieved,
    ]),
  );
  exchange(
    out,
    product('half-precision weights', 'B', [
      task.spread === 'shard' ? params : trained(task, params),
      k('a parameter', 'gradientBytes'),
    ]),
    task.spread,
    n,
  );
  out.serial('launch', k('a step', 'stepSerial'));
  out.processor(
    'load',
    gwork('text into tokens', [tokens, k('a token', 'tokenLoad')]),
    k('serial share', 'loadSerial'),
  );
  for (const bytes of held(n)) out.fit('graphics memory', bytes);
  out.hold('memory', product('weights on their way', 'B', [params, k('a parameter', 'hostBytes')]));
  out.program(application, false);
  return {
    mode: 'elastic',
    task: task.id,
    unit: 'step',
    units: quotient('steps', 'steps', [brief('tokens', task.tokensM * 1e6, 'tokens'), tokens]),
    targetS: within(task.targetH, 3600),
    threadCap: application.threadCap,
    overlap: k('side by side', 'overlap'),
    cards: exchanging(application, n),
    flows: [],
    outside: outsideOf(train.figures, task),
    ...out.collected(),
  };
}

/** Training of an image model: a unit is a batch of all cards together. The set is read again each epoch unless memory keeps it. */
export function expandTrainImages(task: TrainImagesWork, facts: MachineFacts): Elastic {
  const application = profileOf('learn', task, facts);
  const out = new Demands(application);
  const brief = briefOf(task);
  const forward = brief('GFLOP forward', task.forwardGflop * 1e9, 'FLOP');
  const params = brief('parameters', task.paramsM * 1e6);
  const held = [
    product('states', 'B', [params, k('a parameter', 'stateBytes')]),
    product('kept for the way back', 'B', [
      brief('images a card', task.batch, 'images'),
      forward,
      k('a FLOP', 'imageActivation'),
    ]),
    runtimeBytes(),
  ];
  const n = takePart(out, application, facts, () => held.reduce((all, { value }) => all + value, 0));
  const images = product('images a step', 'images', [
    brief('images a card', task.batch, 'images'),
    given('cards', n, '', 'part', 'the machine'),
  ]);
  out.stacks(application, facts);
  out.need(
    'learn',
    'gpu.matrix',
    quotient('arithmetic of a step, in peak FLOP', 'FLOP', [
      product('arithmetic of a step', 'FLOP', [
        images,
        forward,
        k('forward and back', 'imageFlop'),
        ...ownCost(application, 'graphics'),
      ]),
      k('share of peak reached', 'achievedImages'),
    ]),
  );
  exchange(out, product('half-precision weights', 'B', [params, k('a parameter', 'gradientBytes')]), 'replicate', n);
  out.serial('launch', k('a step', 'stepSerial'));
  const px = product('pixels loaded', 'px', [images, brief('stored pixels', task.storedMpx * 1e6, 'px')]);
  out.processor('load', gwork('stills decoded', [px, k('a pixel', 'imageLoad')]), k('serial share', 'loadSerial'));
  const setBytes = task.imagesK * 1e3 * task.storedKB * 1e3;
  const kept = facts.memoryBytes !== undefined && setBytes <= facts.memoryBytes * LEARN.keptShare.value;
  out.need(
    'read',
    'read:active',
    product('files read', 'B', [
      images,
      brief('bytes an image', task.storedKB * 1e3, 'B'),
      ...(kept ? [defined('read once, kept in memory', 1 / task.epochs, 'share')] : []),
    ]),
  );
  out.hold('space:active', given('the set', setBytes, 'B', 'brief', task.name));
  for (const bytes of held) out.fit('graphics memory', bytes);
  out.program(application, false);
  return {
    mode: 'elastic',
    task: task.id,
    unit: 'step',
    units: quotient('steps', 'steps', [
      brief('images in all epochs', task.imagesK * 1e3 * task.epochs, 'images'),
      images,
    ]),
    targetS: within(task.targetH, 3600),
    threadCap: application.threadCap,
    overlap: k('side by side', 'overlap'),
    cards: exchanging(application, n),
    flows: [],
    outside: outsideOf(trainImages.figures, task),
    ...out.collected(),
  };
}

export const train: Trade<'train'> = {
  kind: 'train',
  name: 'Train a text model',
  explains: 'in full, or adapters on a frozen or quantised base; overnight or over days',
  start: (id) => ({
    kind: 'train',
    id,
    name: 'Fine-tune a text model',
    importance: 4,
    runsPerWeek: 1,
    method: 'quantised',
    paramsB: 7,
    layers: 32,
    hidden: 4096,
    heads: 32,
    context: 2048,
    batch: 2,
    tokensM: 10,
    trainablePercent: 0.5,
    recompute: 'all',
    spread: 'replicate',
    targetH: 12,
  }),
  figures: {
    method: {
      label: 'What is trained',
      explains: 'In full needs 16 bytes a parameter; adapters leave the base frozen, at 2 bytes or at half of one.',
    },
    paramsB: {
      label: 'Parameters',
      unit: 'billion',
      explains: 'Decide what must lie in graphics memory and, with the tokens, how long it takes.',
      valid: [0.02, 120],
    },
    layers: {
      label: 'Layers',
      explains: 'What is kept for the way back, and attention, grow with them.',
      valid: [4, 130],
    },
    hidden: { label: 'Hidden units', explains: 'Width of the model.', valid: [256, 16_384] },
    heads: { label: 'Attention heads', explains: 'Stored scores grow with heads and the square of the context.' },
    context: {
      label: 'Context',
      unit: 'tokens',
      explains: 'Longer sequences keep more for the way back; attention grows with the square.',
      valid: [128, 65_536],
    },
    batch: {
      label: 'Sequences at a time',
      explains: 'On each card: more fill the card better and must fit its memory.',
      valid: [1, 256],
    },
    tokensM: {
      label: 'Tokens',
      unit: 'million',
      explains: 'Arithmetic is tokens × parameters × 6.',
      valid: [0.1, 5e6],
    },
    trainablePercent: {
      label: 'Trained share',
      unit: '%',
      explains: 'Adapters’ part of the parameters.',
      valid: [0.01, 10],
    },
    recompute: {
      label: 'Recomputed',
      explains: 'Saves memory for the way back; all of it costs a third more arithmetic.',
    },
    spread: {
      label: 'Over several cards',
      explains: 'Copies sum their gradients; shards fit larger models and exchange more over the link.',
    },
    targetH: { label: 'Done within', unit: 'h', explains: 'Overnight is 10 to 14 hours.' },
  },
  constants: LEARN,
  sizes: {
    of: 'billion parameters, layers and width with them',
    list: (task) =>
      [0.1, 0.35, 1, 1.5, 3, 7, 13, 20, 34, 70, 120, 180].map((paramsB) => {
        // parameters grow with layers × width²: both by the cube root
        const by = Math.cbrt(paramsB / task.paramsB);
        return {
          label: `${paramsB}`,
          task: {
            ...task,
            paramsB,
            layers: Math.max(1, Math.round(task.layers * by)),
            hidden: Math.max(32, Math.round(task.hidden * by)),
          },
        };
      }),
  },
  grow: {
    what: 'text',
    by: (task, times) => ({ ...task, tokensM: task.tokensM * times }),
  },
  expand: expandTrain,
  weaknesses: [
    'Every card is taken as the first; cards of different memory in one run are not modelled.',
    'Pieces of the states kept in the machine’s memory or on a drive are not modelled: what does not fit does not run.',
    'Pipelines of layers over cards are not modelled; copies and shards are.',
  ],
};

export const trainImages: Trade<'train-images'> = {
  kind: 'train-images',
  name: 'Train an image model',
  explains: 'classifiers and detectors over a set of stills',
  start: (id) => ({
    kind: 'train-images',
    id,
    name: 'Train a classifier',
    importance: 4,
    runsPerWeek: 4,
    paramsM: 25,
    forwardGflop: 4.1,
    imagesK: 400,
    storedMpx: 0.25,
    storedKB: 110,
    epochs: 30,
    batch: 64,
    targetH: 8,
  }),
  figures: {
    paramsM: {
      label: 'Parameters',
      unit: 'million',
      explains: 'States on the card, 16 bytes each.',
      valid: [0.5, 2000],
    },
    forwardGflop: {
      label: 'Arithmetic an image',
      unit: 'GFLOP',
      explains: 'Once forward; training takes three times that.',
      valid: [0.1, 2000],
    },
    imagesK: {
      label: 'Images',
      unit: 'thousand',
      explains: 'Read once an epoch, unless memory keeps them.',
      valid: [0.5, 50_000],
    },
    storedMpx: { label: 'Size as kept', unit: 'Mpx', explains: 'Cores decode and scale every one.', valid: [0.01, 40] },
    storedKB: { label: 'Bytes as kept', unit: 'kB', explains: 'What the drive delivers.' },
    epochs: { label: 'Epochs', explains: 'Times that the whole set is seen.', valid: [1, 1000] },
    batch: { label: 'Images at a time', explains: 'On each card: must fit its memory.', valid: [1, 2048] },
    targetH: { label: 'Done within', unit: 'h', explains: 'Overnight is 10 to 14 hours.' },
  },
  constants: LEARN,
  sizes: {
    of: 'GFLOP an image',
    list: (task) =>
      [0.3, 0.6, 1, 2, 4, 6, 9, 13, 18, 25, 40, 70, 120, 300].map((forwardGflop) => ({
        label: `${forwardGflop}`,
        task: { ...task, forwardGflop },
      })),
  },
  grow: {
    what: 'images',
    by: (task, times) => ({ ...task, imagesK: task.imagesK * times }),
  },
  expand: expandTrainImages,
  weaknesses: ['Activations go with the arithmetic; slim models for large pictures keep more than that.'],
};
