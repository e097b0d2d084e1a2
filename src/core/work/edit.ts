import { given, product, quotient, sum } from '../figures/derive';
import type { ApplicationProfile } from '../model/applications';
import { bytesAFrame, c, Demands, within } from './demands';
import { EDIT } from './editConstants';
import { encodeOn } from './encode';
import { appOf, picture } from './editPicture';
import { keepFiles } from './kept';
import type { MachineFacts } from './machineFacts';
import type { Elastic, RealTime } from './stage';
import type { EditExport, EditPlay, Source } from '../model/tasks';
import { outsideOf, type Figure, type Trade } from './trade';
import { chromaNamed, depthNamed, encodedAs, LONGEST_RUN } from './commonFigures';

/** A sensible source to start from: one stream of UHD long-GOP footage. */
export const STARTING_SOURCE: Source = {
  codec: 'hevc',
  width: 3840,
  height: 2160,
  fps: 25,
  chroma: '4:2:0',
  bitDepth: 10,
  mbitPerS: 150,
  streams: 1,
  decodeAt: 1,
};

/** The stand-in that is played for a source: an intra-frame codec at half or a quarter of its width and height. */
export function playedFrom(source: Source, proxies: EditPlay['proxies']): Source {
  if (proxies === undefined || proxies === 'off') return source;
  const by = proxies === 'half' ? 2 : 4;
  const [width, height] = [Math.round(source.width / by), Math.round(source.height / by)];
  return {
    ...source,
    codec: 'mezzanine',
    chroma: '4:2:2',
    bitDepth: 8,
    width,
    height,
    decodeAt: 1,
    mbitPerS: (width * height * source.fps * EDIT.cacheBitsPerPx.value) / 1e6,
  };
}

const pictureValues = (task: EditPlay | EditExport) => ({
  megapixels: (task.width * task.height) / 1e6,
  fps: task.fps,
  correctionSteps: task.correctionSteps,
  streams: task.sources.reduce((all, source) => all + source.streams, 0),
});

export const PICTURE_FIGURES: Readonly<Record<string, Figure>> = {
  megapixels: {
    label: 'Timeline picture',
    unit: 'Mpx',
    explains: 'Correction, noise reduction and frames in graphics memory grow with it.',
    valid: [0.4, 36],
  },
  fps: {
    label: 'Timeline frame rate',
    unit: 'fps',
    explains: 'Everything must be done this often a second.',
    valid: [12, 121],
  },
  streams: {
    label: 'Streams at once',
    explains: 'Angles and layers played together: each is read and decoded.',
    valid: [1, 16],
  },
  correctionSteps: {
    label: 'Correction steps',
    explains: 'Each is one pass over the picture on the card.',
    valid: [0, 60],
  },
  spatialNr: { label: 'Spatial noise reduction', explains: 'Looks around every pixel: some twenty to sixty steps.' },
  temporalNr: {
    label: 'Temporal noise reduction',
    explains: 'Follows what moves over neighbour frames: the dearest step, and it holds frames in graphics memory.',
  },
  retime: {
    label: 'Speed changes',
    explains: 'Blending reads two source frames for one; following what moves computes a motion field besides.',
  },
  proxies: {
    label: 'Proxies',
    explains: 'Smaller stand-ins made beforehand: little to decode and to read, at a coarser picture.',
  },
  'sources.fps': {
    label: 'Frame rate of the source',
    unit: 'fps',
    explains: 'So many frames a second are read and decoded.',
  },
  'sources.codec': { label: 'Codec of the source', explains: 'Decides what decoding takes, and which engines do it.' },
  'sources.chroma': chromaNamed('Chroma'),
  'sources.bitDepth': depthNamed('Bit depth'),
  decodeAt: {
    label: 'Decoded size',
    explains: 'Codecs whose frames stand alone can stop early and give a smaller picture.',
  },
  mbitPerS: {
    label: 'Bit rate of a stream',
    unit: 'Mbit/s',
    explains: 'Reading, and the space that kept footage takes.',
  },
  programmeMin: { label: 'Length of the programme', unit: 'min', explains: 'A run has this many minutes of frames.' },
  playAt: { label: 'Playback size', explains: 'What is done to a picture is done at this size.' },
  monitoring: { label: 'Monitoring output', explains: 'Every finished frame is also sent to a second output.' },
  renderCache: { label: 'Render cache', explains: 'Finished frames are written to the scratch drive as it plays.' },
  keepHours: {
    label: 'Footage kept on the active drive',
    unit: 'h',
    explains: 'Space that must be there on the active drive.',
  },
  outCodec: encodedAs('Output codec'),
  outChroma: chromaNamed('Output chroma'),
  outBitDepth: depthNamed('Output bit depth'),
  outMbitPerS: {
    label: 'Bit rate of the output',
    unit: 'Mbit/s',
    explains: 'Writing and the size of the file, hardly the encoder’s work.',
  },
  targetMin: LONGEST_RUN,
};

const startingPicture = () =>
  ({
    sources: [STARTING_SOURCE],
    width: 3840,
    height: 2160,
    fps: 25,
    correctionSteps: 6,
    spatialNr: 'off',
    temporalNr: 'off',
  }) as const;

/**
 * Playback of a timeline: a pipelined chain of read, decode, upload, effects and monitoring that must keep the frame rate.
 * Sizes in px, rates in bytes, work in Gwork and FLOP, all a timeline frame.
 */
export function expandEditPlay(task: EditPlay, facts: MachineFacts): RealTime {
  const application = appOf(task, facts);
  const out = new Demands(application);
  const px = product('pixels worked on', 'px', [
    given('timeline width', task.width, 'px', 'brief', task.name),
    given('timeline height', task.height, 'px', 'brief', task.name),
    given(`played at 1/${task.playAt} size`, 1 / task.playAt ** 2, '×', 'brief', task.name),
  ]);
  picture(
    out,
    { ...task, sources: task.sources.map((source) => playedFrom(source, task.proxies)) },
    px,
    facts,
    application,
  );
  if (task.monitoring && facts.hasGraphics)
    out.need('monitor', 'gpu.out', product('monitored frame', 'B', [px, c('a pixel over the link', 'uploadBytes')]));
  if (task.renderCache)
    out.need(
      'render cache',
      'write:scratch',
      quotient('cache written', 'B', [
        product('cache written', 'bit', [px, c('a cached pixel', 'cacheBitsPerPx')]),
        given('bits a byte', 8, 'bit/B', 'standard', 'definition'),
      ]),
    );
  if (task.keepHours > 0)
    out.hold(
      'space:active',
      sum(
        'footage kept',
        'B',
        task.sources.map((source, i) =>
          product(`source ${i + 1}`, 'B', [
            given('bit rate', source.mbitPerS * 1e6, 'bit/s', 'brief', task.name),
            given('bytes a bit', 1 / 8, 'B/bit', 'standard', 'definition'),
            given('seconds kept', (task.keepHours * 3600) / task.sources.length, 's', 'brief', task.name),
          ]),
        ),
      ),
    );
  return {
    mode: 'real-time',
    task: task.id,
    foreground: task.foreground ?? false,
    unit: 'frame',
    targetPerS: given('timeline frame rate', task.fps, 'frames/s', 'brief', task.name),
    threadCap: application.threadCap,
    flows: [],
    cards: out.team(application, facts),
    outside: outsideOf(PICTURE_FIGURES, pictureValues(task)),
    ...out.collected(),
  };
}

/** Fetching, writing and encoding a finished frame. */
function encode(out: Demands, task: EditExport, facts: MachineFacts, application: ApplicationProfile): void {
  const px = product('pixels written', 'px', [
    given('width', task.outWidth, 'px', 'brief', task.name),
    given('height', task.outHeight, 'px', 'brief', task.name),
  ]);
  if (facts.hasGraphics && application.effects === 'graphics')
    out.need(
      'fetch result',
      'gpu.out',
      product('finished frame', 'B', [px, c('a pixel over the link', 'uploadBytes')]),
    );
  out.need(
    'write',
    'write:active',
    bytesAFrame(
      'bytes written',
      given('output bit rate', task.outMbitPerS * 1e6, 'bit/s', 'brief', task.name),
      given('frame rate', task.fps, 'frames/s', 'brief', task.name),
    ),
  );
  const { outCodec: codec, outChroma: chroma, outBitDepth: bitDepth, outWidth: width, outHeight: height } = task;
  const { path, preset } = task;
  encodeOn(out, 'encode', px, { codec, preset, path, chroma, bitDepth, width, height }, 1, facts, application);
}

/** Export of a programme: elastic, decode and effects at full size, encode by engine or software preset. */
export function expandEditExport(task: EditExport, facts: MachineFacts): Elastic {
  const application = appOf(task, facts);
  const out = new Demands(application);
  const px = product('pixels worked on', 'px', [
    given('timeline width', task.width, 'px', 'brief', task.name),
    given('timeline height', task.height, 'px', 'brief', task.name),
  ]);
  picture(
    out,
    { ...task, sources: task.sources.map((source) => ({ ...source, decodeAt: 1 })) },
    px,
    facts,
    application,
  );
  encode(out, task, facts, application);
  keepFiles(
    out,
    task,
    product('what was exported', 'B', [
      given('output bit rate', task.outMbitPerS * 1e6, 'bit/s', 'brief', task.name),
      given('bytes a bit', 1 / 8, 'B/bit', 'standard', 'definition'),
      given('programme', task.programmeMin * 60, 's', 'brief', task.name),
    ]),
  );
  return {
    mode: 'elastic',
    task: task.id,
    unit: 'frame',
    units: product('frames in the programme', 'frames', [
      given('programme', task.programmeMin, 'min', 'brief', task.name),
      given('seconds a minute', 60, 's/min', 'standard', 'definition'),
      given('frame rate', task.fps, 'frames/s', 'brief', task.name),
    ]),
    targetS: within(task.targetMin, 60),
    overlap: c('stages that run side by side', 'exportOverlap'),
    threadCap: application.threadCap,
    flows: [],
    cards: out.team(application, facts),
    outside: outsideOf(PICTURE_FIGURES, pictureValues(task)),
    ...out.collected(),
  };
}

/** Timelines that people cut, smallest first. */
export const TIMELINES = [
  { width: 1280, height: 720 },
  { width: 1920, height: 1080 },
  { width: 2560, height: 1440 },
  { width: 3840, height: 2160 },
  { width: 4096, height: 2160 },
  { width: 5424, height: 2880 },
  { width: 7680, height: 4320 },
] as const;

const WEAKNESSES = [
  'Presets of encoders are two steps a codec; what lies between is not modelled.',
  'An application’s caches of decoded pictures are not modelled beyond the frames around the playhead.',
];

export const editPlay: Trade<'edit-play'> = {
  kind: 'edit-play',
  name: 'Cut and grade, in real time',
  explains: 'plays a timeline with its corrections at full rate',
  start: (id) => ({
    kind: 'edit-play',
    id,
    name: 'Cut',
    importance: 3,
    foreground: true,
    ...startingPicture(),
    sources: [STARTING_SOURCE],
    playAt: 1,
    monitoring: false,
    renderCache: false,
    keepHours: 4,
  }),
  figures: PICTURE_FIGURES,
  constants: EDIT,
  sizes: {
    of: 'timeline',
    list: (task) => TIMELINES.map((size) => ({ label: `${size.width} × ${size.height}`, task: { ...task, ...size } })),
  },
  expand: expandEditPlay,
  weaknesses: WEAKNESSES,
};

export const editExport: Trade<'edit-export'> = {
  kind: 'edit-export',
  name: 'Export a programme',
  explains: 'renders and encodes a finished timeline',
  start: (id) => ({
    kind: 'edit-export',
    id,
    name: 'Export',
    importance: 3,
    runsPerWeek: 3,
    ...startingPicture(),
    sources: [STARTING_SOURCE],
    outWidth: 3840,
    outHeight: 2160,
    outCodec: 'hevc',
    outChroma: '4:2:0',
    outBitDepth: 10,
    outMbitPerS: 45,
    path: 'software',
    preset: 'medium',
    programmeMin: 10,
    targetMin: 20,
  }),
  figures: PICTURE_FIGURES,
  constants: EDIT,
  sizes: {
    of: 'output',
    list: (task) =>
      TIMELINES.map((size) => ({
        label: `${size.width} × ${size.height}`,
        task: { ...task, ...size, outWidth: size.width, outHeight: size.height },
      })),
  },
  grow: {
    what: 'length of a programme',
    by: (task, times) => ({ ...task, programmeMin: task.programmeMin * times }),
  },
  expand: expandEditExport,
  weaknesses: WEAKNESSES,
};
