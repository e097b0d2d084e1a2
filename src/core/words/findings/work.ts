import type { WorkFigures } from '../../rules/work/figures';
import type { WholePart } from '../../model/brief';
import { listed, number, size } from '../format';
import { impossibleWords, resourceName } from '../names';
import { getsText, needText } from '../results';
import { fails, type CheckOf, type Words, type WordsOf } from './words';

const PLACES = { rear: 'at the back', front: 'in front', anywhere: 'in all' } as const;

/** What makes a machine whole, with its article. */
export const WHOLE_WORDS: Readonly<Record<WholePart, string>> = {
  system: 'an operating system',
  display: 'a display',
  keyboard: 'a keyboard',
  pointing: 'a pointing device',
};

/** Terms of a licence as they are read. */
export const TERMS = {
  tied: 'tied to this machine',
  transferable: 'which may move to another machine',
  yearly: 'paid each year',
  metered: 'paid by use',
  free: 'free of charge',
} as const;

/** What a task does, with what it should do and what holds it back. */
function taskWords(check: CheckOf<Extract<WorkFigures, { code: 'task-result' }>>): Words {
  const { name, level } = check;
  if (check.impossible.length > 0)
    return { says: `${name} does not run. ${check.impossible.map(impossibleWords).join(' ')}` };
  const gets = getsText(check);
  const need = needText(check);
  const by = check.bindsLabel ?? (check.binds === undefined ? undefined : resourceName(check.binds));
  const bound = by === undefined ? '' : ` Bound by ${by}.`;
  switch (level) {
    case 'stops':
      return { says: `${name} gets no time to run: other work of its sitting takes all there is.${bound}` };
    case 'short':
      return { says: `${name} falls short: ${need}, gets ${gets}.${bound}` };
    case 'caution':
      return { says: `${name} may fall short: ${need}, gets ${gets}.${bound}` };
    case 'unproven':
      return {
        says: `${name} cannot be predicted: something it runs on has no place or no link in this machine.`,
        mend: 'Mend what blocks first.',
      };
    default:
      return { says: `${name}: ${check.target === undefined ? '' : `${need}, `}gets ${gets}.` };
  }
}

export const workWords: WordsOf<WorkFigures> = {
  'system-drive': (check) =>
    fails(check)
      ? {
          says:
            check.drives === 0
              ? 'No drive is set as the system drive.'
              : `${check.drives} drives are set as the system drive.`,
          mend: 'Give the role to one drive.',
        }
      : { says: 'One drive is the system drive.' },
  'memory-floor': (check) => ({
    says: `${check.application} asks for ${check.minimumGib} GB of ${check.what} at least and recommends ${check.recommendedGib} GB${check.level === 'note' ? `, ${number(check.withMarginGib)} with a margin` : ''}; there are ${number(check.hasGib)} GB.`,
    ...(fails(check) ? { mend: `Take ${check.recommendedGib} GB or more.` } : {}),
  }),
  network: (check) => ({
    says: `The network does ${number(check.hasGbit)} Gb/s; the brief asks for ${number(check.needsGbit)} Gb/s.`,
    ...(fails(check) ? { mend: 'Add a network card or take a board with a faster port.' } : {}),
  }),
  wireless: (check) => ({
    says: check.has ? 'There is wireless.' : 'The brief asks for wireless and there is none.',
    ...(fails(check) ? { mend: 'Add a wireless card or take a board with it.' } : {}),
  }),
  'video-inputs': (check) => ({
    says: `${check.has} video inputs; the brief asks for ${check.needs}.`,
    ...(fails(check) ? { mend: 'Add a capture card or a mixer.' } : {}),
  }),
  volume: (check) => ({
    says: `${check.chassis} has ${number(check.volumeL)} L; the brief allows ${number(check.limitL)} L.`,
    ...(fails(check) ? { mend: 'Take a smaller case.' } : {}),
  }),
  space: (check) => {
    const others = check.othersGB > 0 ? ` beside ${number(check.othersGB)} GB for other roles` : '';
    return check.lastsYears === undefined
      ? {
          says: `What must stay on the ${check.role} drive is ${number(check.needsGB)} GB; there are ${number(check.hasGB)} GB${others}.`,
          ...(fails(check) ? { mend: 'Add a drive in that role or take a larger one.' } : {}),
        }
      : {
          says: `The ${check.role} drive keeps ${number(check.needsGB)} of ${number(check.hasGB)} GB${others}; growing ${number(check.growthPercent)} % a year it is full after ${number(check.lastsYears, 2)} of ${number(check.needsYears)} years.`,
          mend: 'Add a drive in that role by then or take a larger one.',
        };
  },
  'task-result': (check) => taskWords(check),
  'compute-stack': (check) =>
    fails(check)
      ? {
          says: `${check.application} computes on ${listed(check.wants)}; ${check.card} has ${check.has.length > 0 ? listed(check.has) : 'no stack'}.`,
          mend: 'Take a card with a stack the application runs on.',
        }
      : { says: `${check.application} computes on ${check.card}.` },
  'operating-system': (check) =>
    fails(check)
      ? {
          says: `${check.application} runs on ${listed(check.wants)}, not on ${check.system}.`,
          mend: 'Take an operating system that it runs on.',
        }
      : { says: `${check.application} runs on ${check.system}.` },
  'no-system': (check) => ({
    says: `${check.application} runs on ${listed(check.wants)}; the machine has no operating system chosen.`,
    mend: 'Add one, so that its price counts too.',
  }),
  'certified-driver': (check) =>
    fails(check)
      ? {
          says: `${check.application} is supported with a certified driver only; ${check.card} has none.`,
          mend: 'Take a card with a certified driver, or do without support.',
        }
      : { says: `${check.card} has a certified driver, as ${check.application} asks.` },
  'licence-missing': (check) => ({
    says: `${check.application} is sold with a licence, and none is here: what the software costs is not in the price.`,
    mend: 'Add one, or mark one that is there as owned.',
  }),
  'licence-terms': (check) =>
    fails(check)
      ? {
          says: `${check.licence} is tied to the machine that it came with: it does not move to this one.`,
          mend: 'Take a new licence, or ask its maker.',
        }
      : { says: `${check.application} runs here with ${check.licence}, ${TERMS[check.terms]}.` },
  'fast-ports': (check) => ({
    says: `${check.has} ports of ${number(check.gbitPerS)} Gb/s or more; the brief asks for ${check.needs}.`,
    ...(fails(check) ? { mend: 'Take a board or a case with more of them.' } : {}),
  }),
  ports: (check) => ({
    says: `${check.has} USB-${check.connector} ports of ${number(check.gbitPerS)} Gb/s or more ${PLACES[check.place]}; the brief asks for ${check.needs}.`,
    ...(fails(check) ? { mend: 'Take a board, a case or a header lead with more of them.' } : {}),
  }),
  'wireless-standard': (check) =>
    fails(check)
      ? {
          says: `Its wireless speaks 802.11${check.has}, the router 802.11${check.router}: the machine is the slower end.`,
          mend: 'Add a card of that standard, or use a cable.',
        }
      : { says: `Its wireless speaks 802.11${check.has}, no less than the router's 802.11${check.router}.` },
  endurance: (check) => {
    const asked = `${number(check.needsYears)} years`;
    const lasts =
      check.years < 1
        ? `${number(check.years * 12, 2)} months of ${asked}`
        : check.years > 100
          ? 'longer than the machine'
          : `${number(check.years, 2)} ${fails(check) ? `of ${asked}` : `years; the brief asks for ${number(check.needsYears)}`}`;
    return {
      says: `${check.drive} is written ${number(check.writtenADayGB)} GB a day and rated for ${number(check.ratedTB)} TB: that lasts ${lasts}.`,
      ...(fails(check) ? { mend: 'Take a drive rated for more, or spread the role over several.' } : {}),
    };
  },
  copies: (check) =>
    fails(check)
      ? {
          says: `The brief keeps ${check.keeping} copies of ${size(check.keptGB * 1e9)}; ${check.drives === 0 ? 'no drive has the backup role' : `the backup drives have ${size(check.roomGB * 1e9)}`}.`,
          mend: 'Add a drive for backup, or give one that keeps no work that role.',
        }
      : {
          says: `The second copy of ${size(check.keptGB * 1e9)} finds room on ${check.drives === 1 ? 'the backup drive' : 'the backup drives'}.`,
        },
  'copies-elsewhere': (check) => ({
    says:
      check.where === 'server'
        ? `The further copies of ${size(check.keptGB * 1e9)} lie on the storage server: its room is not checked here.`
        : `A third copy of ${size(check.keptGB * 1e9)} has to be kept elsewhere; it is not part of this machine.`,
  }),
  'whole-missing': (check) => ({
    says: `The brief wants ${WHOLE_WORDS[check.what]}, and none is in the machine: its price is a lower bound.`,
    mend: `Add ${WHOLE_WORDS[check.what]}, or say in the brief that it is owned or not needed.`,
  }),
  'whole-unasked': (check) => ({
    says: `Not asked: whether ${listed(check.what.map((what) => WHOLE_WORDS[what]))} ${check.what.length === 1 ? 'is' : 'are'} owned, wanted or not needed.`,
    mend: 'The brief says so in one line.',
  }),
  whole: () => ({ says: 'System, display, keyboard and pointing device are there, owned or not needed.' }),
  'system-stays': (check) => ({
    says: `${check.system} is owned and its licence stays with the machine it first ran on: here it would not be activated.`,
    mend: 'Take a new licence, or a system whose licence moves.',
  }),
  'optical-drive': (check) =>
    fails(check)
      ? { says: 'The brief asks for an optical drive and there is none.', mend: 'Add an optical drive.' }
      : { says: 'There is an optical drive.' },
  encryption: (check) =>
    fails(check)
      ? {
          says: `The brief asks for encrypted storage; ${check.drive} does not encrypt by itself.`,
          mend: 'Take a drive that does.',
        }
      : { says: `${check.drive} encrypts by itself.` },
  'remote-management': (check) =>
    fails(check)
      ? { says: `The brief asks for remote management; ${check.board} has none.`, mend: 'Take a board that has it.' }
      : { says: `${check.board} can be managed from afar.` },
  'scratch-cells': (check) =>
    fails(check)
      ? {
          says: `${check.drive} is the scratch drive and its cells are ${check.cells === 'magnetic' || check.cells === 'optical' ? check.cells : `of kind ${check.cells}`}: it slows down and wears under steady writing.`,
          mend: 'Give the scratch role to a drive with sturdier cells.',
        }
      : { says: `The cells of ${check.drive} (${check.cells}) are made for scratch.` },
  'system-drive-kind': (check) =>
    check.magnetic
      ? {
          says: `The system starts from ${check.drive}, which has no cells but a disk.`,
          mend: 'Give the system role to a drive with cells.',
        }
      : { says: `The system starts from ${check.drive}, a drive with cells.` },
  'system-drive-size': (check) => ({
    says: `The system starts from ${check.drive} of ${size(check.hasGB * 1e9)}; ${check.level === 'blocks' ? `a system and its updates take ${check.leastGB} GB` : `${check.usualGB} GB leave it room`}.`,
    ...(fails(check) ? { mend: `Take a drive of ${check.usualGB} GB or more.` } : {}),
  }),
};
