import type { Assessment } from '../assess';
import { SHORT_GB, type AcceptanceTest, type TestCode } from '../prove/acceptance';
import type { Mistake } from '../prove/constants';
import type { Explanation } from '../prove/diagnose';
import type { DriveRole } from '../figures/resources';
import type { ChangedTask, Failure, FailureCode, Stands } from '../prove/failures';
import { limitIn, type Doubt, type Judged } from '../prove/readings';
import { fullName } from '../model/fitted';
import { coins, duration, listed, number } from './format';

type Naming = Pick<Assessment, 'facts'>;
export const itemName = ({ facts }: Naming, item: string | undefined): string => {
  const fitted = facts.parts.all.find((entry) => entry.item.id === item);
  return fitted ? fullName(fitted.part) : (item ?? '');
};
const taskName = ({ facts }: Naming, task: string | undefined): string =>
  facts.brief.tasks.find(({ id }) => id === task)?.name ?? task ?? '';

/** What is asked, in a few words. */
export function testTitle(
  { code, item, task }: Pick<AcceptanceTest, 'code' | 'item' | 'task'>,
  machine: Naming,
): string {
  const name = itemName(machine, item);
  switch (code) {
    case 'memory-size':
      return 'Memory that is seen';
    case 'memory-rate':
      return 'Memory’s rate';
    case 'memory-errors':
      return 'Memory without an error';
    case 'memory-stream':
      return 'Memory’s bandwidth';
    case 'link-lanes':
      return `Lanes of ${name}`;
    case 'link-generation':
      return `Link generation of ${name}`;
    case 'drive-read':
      return `Reading from ${name}`;
    case 'drive-write':
      return `Writing to ${name}`;
    case 'drive-kept':
      return `Writing to ${name}, cache full`;
    case 'drive-heat':
      return `Temperature of ${name}`;
    case 'network':
      return 'Network';
    case 'processor-work':
      return 'All cores, packing';
    case 'processor-clock':
      return 'Processor’s clock';
    case 'processor-watts':
      return 'Processor’s power';
    case 'processor-heat':
      return 'Processor’s temperature';
    case 'cooler-fan':
      return `Fan of ${name}`;
    case 'case-fans':
      return 'Slowest case fan';
    case 'card-watts':
      return `Power of ${name}`;
    case 'card-heat':
      return `Temperature of ${name}`;
    case 'noise':
      return 'Noise at 1 m';
    case 'task':
      return taskName(machine, task);
    case 'dropped':
      return `${taskName(machine, task)}: dropped`;
  }
}

/** What tests are about, as they are listed. */
const GROUPS: Readonly<Record<TestCode, string>> = {
  'memory-size': 'Memory',
  'memory-rate': 'Memory',
  'memory-errors': 'Memory',
  'memory-stream': 'Memory',
  'link-lanes': 'Links, under load',
  'link-generation': 'Links, under load',
  'drive-read': 'Drives',
  'drive-write': 'Drives',
  'drive-kept': 'Drives',
  'drive-heat': 'Drives',
  network: 'Network',
  'processor-work': 'Processor and cards at their limit',
  'processor-clock': 'Processor and cards at their limit',
  'processor-watts': 'Processor and cards at their limit',
  'processor-heat': 'Processor and cards at their limit',
  'cooler-fan': 'Processor and cards at their limit',
  'case-fans': 'Processor and cards at their limit',
  'card-watts': 'Processor and cards at their limit',
  'card-heat': 'Processor and cards at their limit',
  noise: 'Processor and cards at their limit',
  task: 'The work itself',
  dropped: 'The work itself',
};
export const testGroup = ({ code }: Pick<AcceptanceTest, 'code'>): string => GROUPS[code];

/** A figure of a test with its unit. */
export function testFigure({ unit, code }: Pick<AcceptanceTest, 'unit' | 'code'>, value: number): string {
  if (code === 'link-lanes') return `×${number(value, 2)}`;
  if (code === 'link-generation') return `generation ${number(value, 2)}`;
  if (unit === 's') return duration(value);
  return `${number(value, value >= 1000 ? 4 : 3)} ${unit}`;
}

/** The figure that passes, as a limit. */
export function passesWords(test: AcceptanceTest, roomC: number, briefRoomC: number): string {
  const limit = testFigure(test, limitIn(test, roomC, briefRoomC));
  if (test.passes === 'exactly') return limit;
  return test.scale === 'count' && test.limit === 0
    ? 'none'
    : `${test.passes === 'least' ? 'at least' : 'at most'} ${limit}`;
}

const LOAD = 'stress-ng --cpu 0 --cpu-method matrixprod -t 20m';

/** How it is measured: the open tool's command with this machine's values, or what is done by hand. */
export function testCommand(test: AcceptanceTest, machine: Naming): string {
  const { code, item, minutes } = test;
  const fio = (rw: 'read' | 'write', gigabytes: number, what: string): string =>
    `fio --name=${item ?? ''}-${what} --directory=FOLDER --rw=${rw} --bs=1M --iodepth=16 --ioengine=libaio --direct=1 --size=${gigabytes}G --output-format=json`;
  switch (code) {
    case 'memory-size':
    case 'memory-rate':
      return 'sudo lshw -json -C memory';
    case 'memory-errors':
      return `stress-ng --vm 0 --vm-bytes 90% --verify -t ${Math.max(1, Math.ceil(minutes))}m`;
    case 'memory-stream':
      return 'stress-ng --stream 0 -t 60 --metrics';
    case 'link-lanes':
    case 'link-generation':
      return 'sudo lspci -vv, while it works: at rest links step down';
    case 'drive-read':
      return fio('read', SHORT_GB, 'read');
    case 'drive-write':
      return fio('write', SHORT_GB, 'write');
    case 'drive-kept': {
      const drive = machine.facts.parts.ofKind('drive').find((fitted) => fitted.item.id === item);
      return fio('write', Math.ceil((drive?.part.writeCacheGB ?? 0) * 1.5) + 20, 'kept');
    }
    case 'drive-heat':
      return 'the drive’s own sensor, at the end of the long writing';
    case 'network':
      return 'iperf3 -c THE OTHER MACHINE -t 30 -J';
    case 'processor-work':
      return '7z b';
    case 'processor-clock':
    case 'processor-watts':
    case 'processor-heat':
    case 'cooler-fan':
    case 'case-fans':
      return `${LOAD}, with the cards at work; the sensors’ log, its last quarter`;
    case 'card-watts':
    case 'card-heat':
      return `the heaviest task of the card for 20 minutes beside ${LOAD}`;
    case 'noise':
      return 'a sound level meter at 1 m, A-weighted, under the same load';
    case 'task':
      return test.passes === 'most' ? 'one run, timed by hand' : 'ten minutes of it, as its program counts';
    case 'dropped':
      return 'ten minutes of it, as its program counts, or an encoder’s progress file';
  }
}

const DOUBTS: Readonly<Record<Doubt, string>> = {
  beyond: 'more than these parts can do: another machine, or another unit?',
  bits: 'eight times off: bits taken for bytes?',
  cached: 'more than its link carries: it was read from memory',
  'no-load': 'as at rest: was the load running?',
  colder: 'colder than the room',
};

/** What a reading comes to. */
export function verdictWords({ verdict, doubt }: Pick<Judged, 'verdict' | 'doubt'>): string {
  if (doubt !== undefined) return DOUBTS[doubt];
  return verdict === 'passes' ? 'passes' : 'falls short';
}

/** What the proof comes to, in a sentence. */
export function proofWords(
  tests: readonly AcceptanceTest[],
  read: readonly Judged[],
  likeliest: string | undefined,
): string {
  if (tests.length === 0) return 'Nothing to prove yet: nothing of this machine is known well enough to promise it';
  const short = read.filter(({ verdict }) => verdict === 'short').length;
  const doubted = read.filter(({ verdict }) => verdict === 'implausible').length;
  const open = tests.length - read.length;
  const rest = open === 0 ? '' : `, ${open} to read`;
  if (read.length === 0) return `${tests.length} promises to prove`;
  if (short > 0)
    return `${short} of ${read.length} readings ${short === 1 ? 'falls' : 'fall'} short${rest}.${likeliest === undefined ? '' : ` Most likely: ${likeliest}`}`;
  if (doubted > 0) return `${doubted} of ${read.length} readings cannot be right${rest}`;
  return open === 0
    ? `All ${tests.length} promises are kept`
    : `${read.length} of ${tests.length} promises ${read.length === 1 ? 'is' : 'are'} kept${rest}`;
}

/** A mistake, and what to look at. */
export function mistakeWords(
  { mistake, item, to }: Pick<Explanation, 'mistake' | 'item' | 'to'>,
  machine: Naming,
): { readonly title: string; readonly look: string } {
  const name = itemName(machine, item);
  const words: Readonly<Record<Mistake, { title: string; look: string }>> = {
    'narrow-card': {
      title: `${name} runs on ${to ?? 'fewer'} lanes`,
      look: 'press it home along its whole length; see that it is in the slot that the plan names',
    },
    'one-channel': {
      title: 'The modules share a channel',
      look: 'move them to the slots that the plan names: side by side is not a pair',
    },
    'profile-off': {
      title: 'The memory’s profile is off',
      look: 'switch it on in the setup; it is off after each flash',
    },
    paste: {
      title: 'The cooler does not touch well',
      look: 'take it off: an even film from edge to edge? Was the film on its base pulled off? New paste, screws across in turns',
    },
    'cooler-still': {
      title: 'The cooler’s fan or pump stands',
      look: 'its plug, and that no cable is in the blades',
    },
    'fan-reversed': {
      title: 'Little air goes through the case: a fan is turned round or stands',
      look: 'hold a strip of paper at each: in at the front and below, out at the back and the roof',
    },
    'processor-limit': {
      title: 'A power limit holds the processor',
      look: 'the setup’s limits of sustained and short power, as First start gives them',
    },
    'card-limit': { title: 'The card gives less than its power', look: 'all its power inputs; the driver’s limit' },
    'narrow-drive': {
      title: `${name} runs on ${to === undefined ? 'an older link' : `${to} ${to === 1 ? 'lane' : 'lanes'}`}`,
      look: 'the slot that the plan names; what else shares its lanes',
    },
    'drive-film': {
      title: `${name} is too hot`,
      look: 'the film under its cover’s pad; that the pad touches',
    },
    'loose-module': { title: 'A module is not seen', look: 'press it home at both ends; then try it in another slot' },
    'unsteady-memory': {
      title: 'The memory is not steady at its rate',
      look: 'one step slower; then each module by itself',
    },
    'slow-network': {
      title: to === undefined ? 'The network is slow' : `The network runs at ${number(to, 2)} Gb/s`,
      look: 'cable, port, and the other end',
    },
  };
  return mistake === undefined
    ? { title: 'None of the usual mistakes', look: 'read again what falls short, under the same load' }
    : words[mistake];
}

/** How likely, in words that claim no more than the weighing does. */
export const shareWords = (share: number): string =>
  share > 0.9 ? 'almost certainly' : share > 0.5 ? 'most likely' : share > 0.15 ? 'perhaps' : 'hardly';

const FAILS: Readonly<Record<FailureCode, (name: string, of: number) => string>> = {
  drive: (name, of) => `${oneOf(name, of)} fails`,
  module: (name) => `A module of ${name} fails`,
  card: (name, of) => `${oneOf(name, of)} fails`,
  'cooler-fan': (name) => `A fan of ${name} stands`,
  pump: (name) => `The pump of ${name} stands`,
  'case-fan': (name, of) => `${oneOf(name, of)} stands`,
  room: () => 'The room is 10 K warmer',
  filters: () => 'The filters are a year full of dust',
  mains: () => 'The mains go',
};
const oneOf = (name: string, of: number): string => (of > 1 ? `One of ${of} ${name}` : name);
export function failureTitle({ code, item, of }: Failure, machine: Naming): string {
  const name = itemName(machine, item);
  const included = code === 'case-fan' && machine.facts.parts.one('case')?.item.id === item;
  return FAILS[code](included ? `A fan of ${name}` : name, of);
}

const ROLES: Readonly<Record<DriveRole, string>> = {
  system: 'system',
  scratch: 'scratch files',
  active: 'projects',
  archive: 'archive',
  backup: 'backups',
};
/** What has to be held, as people say it. */
const HELD: Readonly<Record<string, string>> = {
  memory: 'all of the work in memory',
  'graphics memory': 'all of the work in graphics memory',
  'space:active': 'all projects',
  'space:scratch': 'all scratch files',
};

const STANDS: Readonly<Record<Stands, string>> = {
  'no-system': 'it does not start until the system is on another drive',
  'no-picture': 'no picture',
  'too-hot': 'it switches off under load',
  'no-memory': 'it does not start',
  'no-power': 'it stands until they are back, and what was not saved is gone',
};

/** What is left, in a sentence. */
export function failureWords(failure: Failure, machine: Naming): string {
  const { stands, tasks, kept, copied, noRoom, volumeWith } = failure;
  const held = volumeWith === 0 ? 'what it held' : `its volume of ${volumeWith + 1} drives goes: what that held`;
  const data =
    kept.length === 0
      ? volumeWith === 0
        ? []
        : [`its volume of ${volumeWith + 1} drives is made anew on what is left`]
      : [`${held} (${listed(kept.map((role) => ROLES[role]))}) ${copied ? 'comes back from its copy' : 'is lost'}`];
  if (stands !== undefined && stands !== 'too-hot') return [STANDS[stands], ...data].join('; ');
  const gone = tasks.filter(({ after }) => after === undefined).map(({ task }) => taskName(machine, task));
  const slower = tasks.filter(({ after }) => after !== undefined);
  const parts = [
    ...(stands === undefined ? [] : [STANDS[stands]]),
    ...(gone.length > 0 ? [`not done any more: ${gone.join(', ')}`] : []),
    ...(noRoom.length > 0 ? [`no room for ${listed(noRoom.map((what) => HELD[what] ?? what))}`] : []),
    ...data,
    ...slower.map((changed) => taskChange(changed, machine)),
  ];
  return parts.length === 0 ? 'all goes on as before' : parts.join('; ');
}

function taskChange({ task, mode, unit, before, after }: ChangedTask, machine: Naming): string {
  const name = taskName(machine, task);
  if (!before.gets || !after?.gets) return `${name}: not known`;
  const figure = (value: number): string => (mode === 'real-time' ? `${number(value)} ${unit}/s` : duration(value));
  const short = after.verdict === 'short' && before.verdict !== 'short' ? ', too little' : '';
  return `${name} ${figure(after.gets.likely)} instead of ${figure(before.gets.likely)}${short}`;
}

/** How it is had again. */
export function mendWords({ mend }: Failure, machine: Assessment): string {
  if (!mend) return '';
  const days = (count: number): string => `${count} ${count === 1 ? 'day' : 'days'}`;
  const bought =
    mend.newMinor === undefined
      ? 'not on sale today'
      : `new ${coins(mend.newMinor, machine.region.currency)}${mend.newDays === undefined ? '' : `, ${days(mend.newDays)}`}`;
  return `${bought}; under warranty some ${days(mend.warrantyDays)}`;
}
