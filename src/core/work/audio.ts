import { fromConstant, given, product, quotient, sum, type Derivation } from '../figures/derive';
import { GIB } from '../units/quantity';
import { AUDIO } from './audioConstants';
import { briefOf, Demands, gwork, ownCost } from './demands';
import { profileOf, type MachineFacts } from './machineFacts';
import type { RealTime } from './stage';
import type { AudioWork } from '../model/tasks';
import { outsideOf, type Trade } from './trade';

const k = (label: string, name: keyof typeof AUDIO): Derivation => fromConstant(label, AUDIO[name]);

/**
 * Audio: a unit is a buffer, due every samples ÷ rate seconds. The longest chain must be done by one core in that time,
 * all of it by all cores; both also when much begins at once.
 */
export function expandAudio(task: AudioWork, facts: MachineFacts): RealTime {
  const application = profileOf('audio', task, facts);
  const out = new Demands(application);
  const brief = briefOf(task);
  const samples = brief('samples a buffer', task.bufferSamples, 'samples');
  const work = (label: string, counts: readonly Derivation[], each: Derivation) =>
    gwork(label, [samples, ...counts, each, ...ownCost(application, 'cores')]);
  const tracks = brief('tracks', task.tracks);
  const chain = sum('longest chain', 'Gwork', [
    product('a buffer', 'Gwork', [k('a buffer', 'bufferSerial'), ...ownCost(application, 'oneThread')]),
    work('its track', [], k('a track', 'trackSample')),
    work(
      'effects of the chain',
      [brief('effects one behind the other', task.longestChain)],
      k('an effect', 'effectSample'),
    ),
    ...(task.instruments > 0 ? [work('its instrument', [], k('an instrument', 'instrumentSample'))] : []),
  ]);
  out.need('longest chain', 'cpu.serial', chain);
  out.need(
    'all tracks',
    'cpu.parallel',
    sum('all tracks', 'Gwork', [
      k('a buffer', 'bufferSerial'),
      work('tracks', [tracks], k('a track', 'trackSample')),
      work('effects', [tracks, brief('effects a track', task.effectsPerTrack)], k('an effect', 'effectSample')),
      work('instruments', [brief('instruments', task.instruments)], k('an instrument', 'instrumentSample')),
      work(
        'effects of the chain',
        [brief('effects one behind the other', task.longestChain)],
        k('an effect', 'effectSample'),
      ),
    ]),
  );
  const streamed = product('samples from the drive', 'B', [
    samples,
    brief('voices and tracks from the drive', task.voicesFromDrive + task.tracks),
    k('a sample', 'sampleBytes'),
  ]);
  out.need('read', 'read:active', streamed);
  out.hold(
    'memory',
    sum('instruments in memory', 'B', [
      brief('library', task.libraryGiB * GIB, 'B'),
      product('beginnings of samples', 'B', [
        brief('voices', task.voicesFromDrive),
        k('a voice', 'voiceHeld'),
        given('bytes a GiB', GIB, 'B/GiB', 'standard', 'definition'),
      ]),
    ]),
  );
  out.program(application, false);
  return {
    mode: 'real-time',
    task: task.id,
    foreground: task.foreground ?? false,
    unit: 'buffer',
    targetPerS: quotient('buffers a second', '/s', [brief('sample rate', task.rateKHz * 1000, '/s'), samples]),
    threadCap: application.threadCap,
    worst: { factor: k('when much begins at once', 'deadline'), decides: true },
    flows: [],
    outside: outsideOf(audio.figures, {
      tracks: task.tracks,
      bufferSamples: task.bufferSamples,
      effectsPerTrack: task.effectsPerTrack,
      instruments: task.instruments,
      longestChain: task.longestChain,
    }),
    ...out.collected(),
  };
}

export const audio: Trade<'audio'> = {
  kind: 'audio',
  name: 'Record and mix sound',
  explains: 'tracks, effects and instruments at a short buffer, without a crackle',
  start: (id) => ({
    kind: 'audio',
    id,
    name: 'Mix with live instruments',
    importance: 3,
    foreground: true,
    tracks: 48,
    effectsPerTrack: 4,
    longestChain: 8,
    instruments: 12,
    voicesFromDrive: 200,
    bufferSamples: 128,
    rateKHz: 48,
    libraryGiB: 12,
  }),
  figures: {
    rateKHz: {
      label: 'Sample rate',
      unit: 'kHz',
      explains: 'Twice the rate is twice as many buffers a second.',
    },
    tracks: { label: 'Tracks', explains: 'Each is mixed for every buffer; they spread over cores.', valid: [1, 400] },
    effectsPerTrack: {
      label: 'Effects a track',
      explains: 'Equalisers and compressors are light, rooms heavy.',
      valid: [0, 16],
    },
    longestChain: {
      label: 'Longest chain',
      explains: 'Effects one behind the other stay on one core: more cores do not help.',
      valid: [0, 60],
    },
    instruments: { label: 'Instruments', explains: 'Played in real time: the dearest tracks.', valid: [0, 120] },
    bufferSamples: {
      label: 'Buffer',
      unit: 'samples',
      explains: 'Shorter answers sooner and leaves less time: at 48 kHz 128 samples are 2.7 ms.',
      valid: [32, 2048],
    },
    voicesFromDrive: { label: 'Voices from the drive', explains: 'Long samples are read while they sound.' },
    libraryGiB: {
      label: 'Instruments in memory',
      unit: 'GB',
      explains: 'Sampled instruments keep their notes in memory.',
    },
  },
  constants: AUDIO,
  sizes: {
    of: 'tracks',
    list: (task) =>
      [8, 16, 32, 48, 64, 96, 128, 192, 256, 384, 512, 768, 1024, 1536, 2000].map((tracks) => ({
        label: `${tracks}`,
        task: { ...task, tracks },
      })),
  },
  grow: {
    what: 'tracks',
    by: (task, times) => ({ ...task, tracks: Math.ceil(task.tracks * times) }),
  },
  expand: expandAudio,
  weaknesses: [
    'Delays that the system’s drivers bring in are not modelled.',
    'All effects cost alike; a project of rooms and restoration costs more.',
  ],
};
