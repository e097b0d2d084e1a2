import { fromConstant, given, product, quotient, sum, type Derivation } from '../figures/derive';
import type { Flow } from '../board/flows';
import { achievedFlop, achievedTraffic, bytesAFrame, c, Demands, gwork, ownCost } from './demands';
import { encodeOn } from './encode';
import { inputRates, inputsOf } from './inputs';
import { LIVE } from './liveConstants';
import { profileOf, type CaptureThere, type MachineFacts, type MixerThere } from './machineFacts';
import { missingOf } from '../model/unsaid';
import type { RealTime } from './stage';
import type { LiveInput, LiveWork } from '../model/tasks';
import { outsideOf, type Figure, type Trade } from './trade';
import { busBitPerS, packedBitsPerPx, wireBitPerS } from './video';
import { encodedAs } from './commonFigures';

const k = (label: string, name: keyof typeof LIVE): Derivation => fromConstant(label, LIVE[name]);

/** Inputs of a task, counted. */
export const inputCount = (inputs: readonly LiveInput[]): number => inputs.reduce((all, input) => all + input.count, 0);

/**
 * Mbit/s that the line out must carry: Σ of the streams and a margin for retries and other traffic.
 * @example uplinkMbitPerS({ renditions: [{ mbitPerS: 6 }, { mbitPerS: 2 }], marginPercent: 25 }) // 10
 */
export const uplinkMbitPerS = ({ renditions, marginPercent }: Pick<LiveWork, 'renditions' | 'marginPercent'>): number =>
  renditions.reduce((all, { mbitPerS }) => all + mbitPerS, 0) * (1 + marginPercent / 100);

/** Where the inputs go; left to the draft, its mixer takes them if it has one. */
const wayIn = ({ via }: LiveWork, { joined }: MachineFacts): 'cards' | 'mixer' =>
  via === 'either' ? (joined.mixers.length > 0 ? 'mixer' : 'cards') : via;

/**
 * What an outside mixer takes over: all inputs but its programme, the laying together, and what it encodes and records
 * itself.
 */
export function behindMixer(task: LiveWork, facts: MachineFacts): LiveWork {
  if (task.via === 'cards') return task;
  const mixers = facts.joined.mixers.map(({ part }) => part);
  const [first] = task.inputs;
  const programme = {
    count: 1,
    width: task.width,
    height: task.height,
    fps: task.fps,
    chroma: first?.chroma ?? '4:2:2',
    bitDepth: first?.bitDepth ?? 10,
  } as const;
  return {
    ...task,
    inputs: [programme],
    layers: 0,
    keyed: 0,
    renditions: mixers.some((mixer) => mixer.ownEncoding) ? [] : task.renditions,
    record: mixers.some((mixer) => mixer.ownRecording) ? 'off' : task.record === 'inputs' ? 'programme' : task.record,
  };
}

/** Whether what comes in finds ports that are fast enough: the fastest picture takes the fastest port. */
function ports(out: Demands, task: LiveWork, facts: MachineFacts): void {
  const { capture: cards, mixers, unsaid } = facts.joined;
  const wanted = inputCount(task.inputs);
  const check = (devices: readonly (CaptureThere | MixerThere)[], count: number, on: 'card' | 'mixer') => {
    const vague = devices.filter(({ part }) => inputsOf(part) === undefined);
    const has = devices.reduce((all, { part }) => all + (inputsOf(part) ?? 0), 0);
    if (has >= count) return;
    const missing = [...vague.flatMap((device) => missingOf(device, 'videoInputs')), ...(on === 'card' ? unsaid : [])];
    if (missing.length > 0) out.missing.push(...missing);
    else out.impossible.push({ code: 'too-few-inputs', wanted: count, has, on });
  };
  if (task.via === 'mixer') check(mixers, wanted, 'mixer');
  check(cards, task.via === 'mixer' ? 1 : wanted, 'card');
  if (cards.length === 0) return;
  // behind a mixer only its programme comes in
  const wires = behindMixer(task, facts)
    .inputs.flatMap((input) => Array.from({ length: input.count }, () => wireBitPerS(input) ?? 0))
    .sort((a, b) => b - a);
  const { gbitPerS, vague } = inputRates(cards);
  const slow = wires.findIndex((wire, i) => wire > (gbitPerS[i] ?? Infinity) * 1e9);
  const short = wires.length > gbitPerS.length;
  // a card whose figures are not stated may have the ports that lack, which nobody knows
  if ((slow >= 0 || short) && vague.length > 0)
    out.missing.push(...vague.map(({ card, field }) => ({ item: card.item.id, part: card.part.id, field })));
  else if (slow >= 0)
    out.impossible.push({
      code: 'input-too-slow',
      wantsBitPerS: wires[slow] ?? 0,
      hasBitPerS: (gbitPerS[slow] ?? 0) * 1e9,
    });
}

/** Streams from the capture cards into memory, inputs spread over the cards by how many each takes. */
function captured(task: LiveWork, inputs: readonly LiveInput[], facts: MachineFacts): Flow[] {
  const cards = facts.joined.capture;
  const queue = inputs.flatMap((input) => Array.from({ length: input.count }, () => busBitPerS(input) / 8));
  return cards.flatMap(({ item, part }): Flow[] => {
    const taken = queue.splice(0, inputsOf(part) ?? 0);
    const bytesPerS = taken.reduce((all, rate) => all + rate, 0);
    return bytesPerS > 0 ? [{ id: `${task.id}.${item.id}`, from: item.id, to: 'memory', bytesPerS }] : [];
  });
}

/** A live task as its stages see it. */
interface Live {
  readonly out: Demands;
  /** As asked, with what comes in told. */
  readonly asked: LiveWork;
  /** What is left of it here, behind a mixer or not. */
  readonly task: LiveWork;
  readonly facts: MachineFacts;
  readonly application: ReturnType<typeof profileOf>;
  readonly onCard: boolean;
  readonly fps: Derivation;
  /** Pixels of the programme. */
  readonly frame: Derivation;
}

/** Live: a unit is a programme frame. Everything that comes in, is laid together, recorded and sent, in time, also in the worst moments. */
export function expandLive(wanted: LiveWork, facts: MachineFacts): RealTime {
  const asked = { ...wanted, via: wayIn(wanted, facts) };
  const application = profileOf('live', asked, facts);
  const out = new Demands(application);
  ports(out, asked, facts);
  const task = behindMixer(asked, facts);
  const onCard = facts.hasGraphics && application.effects === 'graphics';
  const fps = given('programme frame rate', task.fps, 'frames/s', 'brief', task.name);
  const frame = product('programme pixels', 'px', [
    given('width', task.width, 'px', 'brief', task.name),
    given('height', task.height, 'px', 'brief', task.name),
  ]);
  if (onCard) out.stacks(application, facts);
  const work: Live = { out, asked, task, facts, application, onCard, fps, frame };
  task.inputs.forEach((input, i) => takeIn(work, input, i));
  if (asked.via === 'cards') layTogether(work);
  out.serial('programme', k('programme on one thread', 'frameSerial'));
  task.renditions.forEach((rendition, i) => stream(work, rendition, i));
  send(work);
  const recorded = recordings(task);
  recorded.forEach((input, i) => record(work, input, recorded.length === 1 ? 'record' : `record, kind ${i + 1}`));
  out.program(application, onCard);
  return {
    mode: 'real-time',
    task: task.id,
    foreground: task.foreground ?? false,
    unit: 'frame',
    targetPerS: fps,
    threadCap: application.threadCap,
    worst: { factor: k('worst moments', 'worst'), decides: true },
    cards: out.team(application, facts),
    flows: captured(task, task.inputs, facts),
    outside: outsideOf(live.figures, {
      inputs: inputCount(asked.inputs),
      fps: asked.fps,
      layers: asked.layers,
      renditions: asked.renditions.length,
      megapixels: (asked.width * asked.height) / 1e6,
    }),
    ...out.collected(),
  };
}

/** An input: taken over, held, and brought to where it is laid together. */
function takeIn({ out, task, onCard }: Live, input: LiveInput, i: number): void {
  const stage = task.inputs.length === 1 ? 'take inputs in' : `take inputs in, kind ${i + 1}`;
  const px = product('pixels in', 'px', [
    given('width', input.width, 'px', 'brief', task.name),
    given('height', input.height, 'px', 'brief', task.name),
    given('inputs', input.count, '', 'brief', task.name),
    given('input frames a programme frame', input.fps / task.fps, '×', 'brief', task.name),
  ]);
  const packed = quotient('bytes in', 'B', [
    product('bits in', 'bit', [
      px,
      given('bits a packed pixel', packedBitsPerPx(input), 'bit/px', 'standard', 'packing of samples into words'),
    ]),
    given('bits a byte', 8, 'bit/B', 'standard', 'definition'),
  ]);
  out.need(
    stage,
    'memory.traffic',
    product('written and read', 'B', [packed, given('write and read', 2, '×', 'standard', 'definition')]),
  );
  out.serial(
    stage,
    product('inputs taken over', 'Gwork', [
      k('an input', 'inputSerial'),
      given('inputs', input.count, '', 'brief', task.name),
    ]),
  );
  out.hold('memory', product('input frames held', 'B', [packed, k('frames held', 'framesHeld')]));
  if (onCard) {
    out.need(stage, 'gpu.in', packed);
    out.need(stage, 'gpu.traffic', achievedTraffic('unpack and scale', [px, c('convert and scale', 'scaleTraffic')]));
    out.hold(
      'graphics memory',
      product('input frames on the card', 'B', [
        px,
        c('a working pixel', 'frameBytes'),
        given('frames', 3, '', 'standard', 'one shown, one coming, one spare'),
      ]),
    );
  } else out.processor(stage, unpackWork(px), c('serial share of decoding', 'decodeSerialShare'), 'unpack');
}

/** Processor work of unpacking so many pixels, in Gwork. */
export const unpackWork = (px: Derivation): Derivation => gwork('unpack', [px, k('a pixel', 'unpack')]);

/**
 * Processor work of a programme frame, in Gwork: titles over all of it, and inputs that are scaled, by their own pixels.
 */
export const composeWork = (frame: Derivation, titles: number, scaled: Derivation, name: string): Derivation =>
  sum('laid together', 'Gwork', [
    gwork('titles', [frame, given('layers', titles, '', 'brief', name), k('a layer', 'layerProcessor')]),
    gwork('scaled inputs', [scaled, k('a pixel of theirs', 'scaledInput')]),
  ]);

/** Processor work of keying so many inputs, in Gwork. */
export const keyWork = (frame: Derivation, keyed: Derivation): Derivation =>
  gwork('keying on the processor', [frame, keyed, k('a keyed input', 'keyProcessor')]);

/** Processor work of scaling to so many pixels, in Gwork. */
export const scaleWork = (px: Derivation): Derivation => gwork('scale down', [px, k('a pixel', 'scaleDown')]);

/** Pixels of so many inputs after the first, which fills the programme. */
function scaledPixels({ inputs, name }: LiveWork, count: number): Derivation {
  const all = inputs.flatMap((input) => Array.from({ length: input.count }, () => input.width * input.height));
  const px = all.slice(1, 1 + count).reduce((so, each) => so + each, 0);
  return given('pixels of scaled inputs', px, 'px', 'brief', name);
}

/** Layers and keys, on the card or on the processor. */
function layTogether({ out, task, application, onCard, frame }: Live): void {
  const graphics = ownCost(application, 'graphics');
  // the programme's own picture is a layer too
  const layers = given('layers', 1 + task.layers, '', 'brief', task.name);
  const keyed = given('keyed inputs', task.keyed, '', 'brief', task.name);
  if (onCard) {
    out.need(
      'lay together',
      'gpu.fp32',
      achievedFlop('layers', [frame, layers, k('a layer', 'layerFlop'), ...graphics]),
    );
    out.need('lay together', 'gpu.traffic', achievedTraffic('layers', [frame, layers, k('a layer', 'layerTraffic')]));
    if (task.keyed > 0)
      out.need('key', 'gpu.fp32', achievedFlop('keying', [frame, keyed, k('a keyed input', 'keyFlop'), ...graphics]));
    out.hold(
      'graphics memory',
      product('programme frames', 'B', [
        frame,
        c('a working pixel', 'frameBytes'),
        sum('frames', 'frames', [
          given('pictures laid over', task.layers, '', 'brief', task.name),
          given('in flight', 6, '', 'standard', 'output, preview and their spares'),
        ]),
      ]),
    );
    out.need(
      'fetch programme',
      'gpu.out',
      product('programme to memory', 'B', [frame, c('a pixel over the link', 'uploadBytes')]),
    );
  } else {
    // of what is laid over, so many are further inputs, scaled; the rest are titles
    const scaled = Math.min(task.layers, Math.max(0, inputCount(task.inputs) - 1));
    out.processor(
      'lay together',
      composeWork(frame, 1 + task.layers - scaled, scaledPixels(task, scaled), task.name),
      k('serial share', 'composeSerial'),
      'compose',
    );
    if (task.keyed > 0)
      out.processor('key', keyWork(frame, keyed), c('serial share of decoding', 'decodeSerialShare'), 'key');
  }
}

/** A stream: scaled where it is of another size, encoded and sent off. */
function stream(
  { out, task, facts, application, onCard }: Live,
  rendition: LiveWork['renditions'][number],
  i: number,
): void {
  const stage = `stream ${i + 1}`;
  const px = product('pixels out', 'px', [
    given('width', rendition.width, 'px', 'brief', task.name),
    given('height', rendition.height, 'px', 'brief', task.name),
  ]);
  if (rendition.width !== task.width || rendition.height !== task.height)
    if (onCard)
      out.need(stage, 'gpu.traffic', achievedTraffic('scale down', [px, c('convert and scale', 'scaleTraffic')]));
    else out.processor(stage, scaleWork(px), k('serial share', 'composeSerial'), 'scale');
  encodeOn(out, stage, px, { ...rendition, chroma: '4:2:0', bitDepth: 8 }, 1, facts, application);
  out.serial(stage, k('sending', 'muxSerial'));
}

/** All streams through the line out. */
function send({ out, task, asked, fps }: Live): void {
  if (task.renditions.length > 0)
    out.need(
      'send',
      'network',
      bytesAFrame(
        'bytes sent',
        given('streams and margin', uplinkMbitPerS(task) * 1e6, 'bit/s', 'brief', task.name),
        fps,
      ),
    );
  const uplink = uplinkMbitPerS(task);
  if (asked.uplinkMbitPerS !== undefined && uplink > asked.uplinkMbitPerS)
    out.impossible.push({ code: 'uplink-too-slow', wantsMbitPerS: uplink, hasMbitPerS: asked.uplinkMbitPerS });
}

/** What is recorded: nothing, the programme, or each input. */
function recordings(task: LiveWork): readonly LiveInput[] {
  if (task.record === 'off') return [];
  if (task.record === 'inputs') return task.inputs;
  const { width, height, fps } = task;
  return [{ count: 1, width, height, fps, chroma: '4:2:0', bitDepth: 8 }];
}

/** A recording: encoded, written, and kept as long as the brief says. */
function record({ out, task, facts, application, fps }: Live, input: LiveInput, stage: string): void {
  const count = given('recordings', input.count, '', 'brief', task.name);
  const px = product('pixels recorded', 'px', [
    given('width', input.width, 'px', 'brief', task.name),
    given('height', input.height, 'px', 'brief', task.name),
    count,
    given('input frames a programme frame', input.fps / task.fps, '×', 'brief', task.name),
  ]);
  const chroma = task.recordCodec === 'mezzanine' ? input.chroma : '4:2:0';
  encodeOn(
    out,
    stage,
    px,
    {
      codec: task.recordCodec,
      preset: 'fast',
      path: task.recordPath,
      chroma,
      bitDepth: 8,
      width: input.width,
      height: input.height,
    },
    input.count,
    facts,
    application,
  );
  const bits = product('recorded', 'bit/s', [
    given('bit rate of a recording', task.recordMbitPerS * 1e6, 'bit/s', 'brief', task.name),
    count,
  ]);
  out.need(stage, 'write:active', bytesAFrame('bytes written', bits, fps));
  if (task.keepHours > 0)
    out.hold(
      'space:active',
      product('recordings kept', 'B', [
        bits,
        given('bytes a bit', 1 / 8, 'B/bit', 'standard', 'definition'),
        given('seconds kept', task.keepHours * 3600, 's', 'brief', task.name),
      ]),
    );
}

const INPUTS: Figure = {
  label: 'Inputs',
  explains: 'Each takes a port, a share of the capture card’s link and a copy through memory.',
};

export const live: Trade<'live'> = {
  kind: 'live',
  name: 'Stream and record live',
  explains: 'takes cameras in, lays them together, records and sends them without a dropped frame',
  start: (id) => ({
    kind: 'live',
    id,
    name: 'Live programme',
    importance: 4,
    foreground: true,
    inputs: [{ count: 3, width: 1920, height: 1080, fps: 50, chroma: '4:2:2', bitDepth: 10 }],
    via: 'cards',
    width: 1920,
    height: 1080,
    fps: 50,
    layers: 3,
    keyed: 0,
    renditions: [{ width: 1920, height: 1080, codec: 'h264', mbitPerS: 6, path: 'engine', preset: 'fast' }],
    record: 'programme',
    recordCodec: 'h264',
    recordMbitPerS: 30,
    recordPath: 'engine',
    keepHours: 20,
    marginPercent: 30,
  }),
  figures: {
    inputs: { ...INPUTS, valid: [1, 12] },
    'inputs.count': INPUTS,
    'inputs.fps': {
      label: 'Frame rate of an input',
      unit: 'fps',
      explains: 'So many pictures a second come over the wire and the bus.',
    },
    'inputs.chroma': { label: 'Chroma of an input', explains: 'Samples a pixel on the wire and on the bus.' },
    'inputs.bitDepth': { label: 'Bit depth of an input', explains: 'Bits a sample on the wire and on the bus.' },
    'renditions.codec': encodedAs('Codec'),
    fps: {
      label: 'Programme frame rate',
      unit: 'fps',
      explains: 'Everything is done this often a second.',
      valid: [23, 61],
    },
    megapixels: {
      label: 'Programme picture',
      unit: 'Mpx',
      explains: 'Laying together and encoding cost by the pixel.',
      valid: [0.4, 9],
    },
    layers: {
      label: 'Titles and pictures',
      explains: 'Each is fetched, scaled and blended over the whole programme.',
      valid: [0, 20],
    },
    keyed: { label: 'Keyed inputs', explains: 'Cutting the background out costs about four layers.' },
    renditions: {
      label: 'Streams',
      explains: 'Each is scaled and encoded by itself, and takes a session of an engine or cores.',
      valid: [0, 8],
    },
    mbitPerS: {
      label: 'Bit rate',
      unit: 'Mbit/s',
      explains: 'Decides the line out of the house and the space of recordings, hardly the encoder’s work.',
    },
    marginPercent: {
      label: 'Margin of the uplink',
      unit: '%',
      explains: 'Retries and everything else on the line; a third is usual.',
    },
    keepHours: {
      label: 'Hours of recordings kept',
      unit: 'h',
      explains: 'Recordings stay on the active drive that long.',
    },
    via: {
      label: 'Where the inputs go',
      explains: 'Cards need slots and links; a mixer outside hands on one picture.',
    },
    uplinkMbitPerS: {
      label: 'What the line out carries',
      unit: 'Mbit/s',
      explains: 'Streams and margin must go through it.',
    },
    record: { label: 'What is recorded', explains: 'Each recording is encoded and written by itself.' },
    recordCodec: encodedAs('Codec of recordings'),
    recordMbitPerS: {
      label: 'Bit rate of a recording',
      unit: 'Mbit/s',
      explains: 'Writing, and the space that recordings take.',
    },
    recordPath: {
      label: 'Encoding of recordings',
      explains: 'An engine has sessions and a pool of time; software takes cores.',
    },
  },
  constants: LIVE,
  sizes: {
    of: 'inputs like the first',
    list: (task) =>
      Array.from({ length: 16 }, (_, i) => ({
        label: `${i + 1}`,
        task: { ...task, inputs: task.inputs.map((input, k) => (k === 0 ? { ...input, count: i + 1 } : input)) },
      })),
  },
  expand: expandLive,
  weaknesses: [
    'Engines of a card and of the processor count as one pool of time; sessions are counted for each.',
    'Latency from lens to viewer is not predicted.',
    'Interlaced pictures are taken as their full frames.',
  ],
};
