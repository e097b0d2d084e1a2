import type { Assessment } from '../assess';
import type { Dark, Question } from '../assemble/noPicture';
import type { BenchReason, StartPlan, StartStep } from '../assemble/start';
import type { FanCurve } from '../model/machine';
import { fullName } from '../model/fitted';
import { stepWords as flashWords } from './firmware';
import { listed, number } from './format';

type Naming = Pick<Assessment, 'facts'>;
const namer =
  ({ facts }: Naming) =>
  (item: string): string => {
    const fitted = facts.parts.all.find((entry) => entry.item.id === item);
    return fitted ? fullName(fitted.part) : item;
  };
const slotOf = ({ facts }: Naming, item: string): string => {
  const slot = facts.placement?.placed.get(item)?.slot;
  return (slot === undefined ? undefined : facts.placement?.board.slotById.get(slot)?.label) ?? '';
};

const curveWords = (curve: FanCurve): string =>
  curve.map(({ c, percent }) => `${number(percent, 2)} % at ${number(c, 2)} °C`).join(', ');

const ROLES = {
  system: 'system',
  scratch: 'scratch',
  active: 'projects',
  archive: 'archive',
  backup: 'backups',
} as const;

/** What is done, in one line. */
export function startTitle({ does }: StartStep, machine: Naming): string {
  const name = namer(machine);
  switch (does.do) {
    case 'lay-out':
      return `Lay out on the board’s box: ${listed(does.with.map(name))}${does.slot === undefined ? '' : `, one module in ${does.slot}`}`;
    case 'picture':
      return does.from === 'board'
        ? 'Plug the display into the board, not into a card'
        : does.from === 'card'
          ? `Plug the display into ${name(does.card ?? '')}: the processor draws no picture`
          : 'Plug the display into the board; whether the processor draws is not stated';
    case 'bridge-switch':
      return 'Bridge the two switch pins with a screwdriver for a moment';
    case 'see-setup':
      return 'Wait for the setup’s first page';
    case 'take-down':
      return 'Switch off, take the mains plug out, and build it into the case';
    case 'flash':
      return flashWords(does.step);
    case 'update':
      return `Flash firmware ${does.version}${does.fault === undefined ? '' : `: the one that is there has a known fault (${does.fault})`}`;
    case 'defaults':
      return 'Load the setup’s defaults';
    case 'profile':
      return 'Switch the memory’s profile on';
    case 'no-profile':
      return {
        planned: 'Leave the memory’s profile off, as it is planned',
        unread: 'Leave the memory at its standard rate: this board does not read its profile',
        enough: 'Leave the memory’s profile off: it is no faster than the standard rate',
      }[does.why];
    case 'rate-by-hand':
      return `Set the memory’s rate by hand: its profile’s ${number(does.profileMTs, 4)} MT/s is more than this board sets`;
    case 'memory-test':
      return 'Test the memory at this rate';
    case 'processor-limit':
      return `Set the processor’s sustained power to ${number(does.watts, 3)} W${does.byHand ? ', as you set it' : ''}`;
    case 'card-limit':
      return `Limit the cards to ${Math.round(does.share * 100)} % of their power`;
    case 'fan-curve':
      return `Set the ${does.of} fans’ curve${does.byHand ? ', as you drew it' : ''}`;
    case 'virtual':
      return `Switch virtualisation on: ${does.guests} ${does.guests === 1 ? 'guest runs' : 'guests run'} here`;
    case 'secure-start':
      return does.wanted
        ? `Switch secure start on: ${does.system} wants it`
        : `Switch secure start on if ${does.system} wants it: its maker does not say`;
    case 'lane-mode':
      return 'Set how slots share their lanes';
    case 'system-alone':
      return `Leave only ${name(does.drive)} connected`;
    case 'install':
      return `Install ${does.system ?? 'the system'} on ${name(does.drive)}`;
    case 'drivers':
      return `Install drivers${does.certified ? ', the certified ones of the card' : ''}`;
    case 'link':
      return `Read the link of ${name(does.item)} while it works`;
    case 'format':
      return does.drives.length > 1
        ? `Make one volume for ${ROLES[does.role]} of ${listed(does.drives.map(name))}`
        : `Format ${listed(does.drives.map(name))} for ${ROLES[does.role]}`;
    case 'encrypt':
      return does.byDrive ? 'Switch the drives’ own encryption on' : 'Encrypt the drives with the system’s own means';
    case 'backup':
      return does.server
        ? 'Set up backups to the storage server'
        : does.to.length > 0
          ? `Set up backups to ${listed(does.to.map(name))}`
          : 'Set up backups';
  }
}

/** The value that must be seen. */
export function startSees({ does }: StartStep, machine: Naming): string {
  switch (does.do) {
    case 'lay-out':
      return 'nothing metal under the board; both power plugs in';
    case 'picture':
      return 'the display is on, and on this input';
    case 'bridge-switch':
      return 'the cooler’s fan turns and keeps turning';
    case 'see-setup':
      return `the processor’s name${does.gib === undefined ? '' : ` and ${number(does.gib, 3)} GiB`}; new memory takes up to ten minutes the first time`;
    case 'take-down':
      return 'no light on the board';
    case 'flash':
      return does.step.do === 'check-version' ? does.step.version : 'no error, and no touch of the power';
    case 'update':
      return `the setup says ${does.version}`;
    case 'defaults':
      return 'day and time are right';
    case 'profile':
    case 'no-profile':
    case 'rate-by-hand':
      return `${number(does.mts, 4)} MT/s`;
    case 'memory-test':
      return `0 errors in ${does.gib === undefined ? 'all' : `${number(does.gib, 4)} GiB`}${does.minutes === undefined ? '; how long it takes is not known' : `, after ${about(does.minutes)}`}`;
    case 'processor-limit':
      return `${number(does.watts, 3)} W for hours`;
    case 'card-limit':
      return `${Math.round(does.share * 100)} % in the driver`;
    case 'fan-curve':
      return curveWords(does.curve);
    case 'virtual':
      return 'on for the processor and for devices';
    case 'secure-start':
      return 'secure start on, in the setup and in the system';
    case 'lane-mode':
      return `${does.mode} lanes`;
    case 'system-alone':
      return `${listed(does.others.map(namer(machine)))} not listed`;
    case 'install':
      return `it starts from ${slotOf(machine, does.drive) || 'this drive'} alone`;
    case 'drivers':
      return `no unknown device left among ${does.items.length}`;
    case 'link':
      return `${does.lanes} lanes of generation ${does.generation}${slotOf(machine, does.item) === '' ? '' : ` in ${slotOf(machine, does.item)}`}`;
    case 'format':
      return does.drives.length > 1 ? 'the sum of their sizes' : 'its full size';
    case 'encrypt':
      return 'a key kept elsewhere opens it';
    case 'backup':
      return 'one file brought back from it';
  }
}

const about = (minutes: number): string =>
  minutes >= 90 ? `about ${number(minutes / 60, 2)} h` : `about ${Math.max(1, Math.round(minutes))} min`;

const BENCH: Readonly<Record<BenchReason, string>> = {
  firmware: 'its firmware is older than its processor, or that is not known',
  used: 'something in it was used before',
  narrow: 'in the case much would have to come out again',
};
/** Whether it is tried on the bench, and why. */
export const benchWords = ({ bench }: StartPlan): string =>
  bench.length === 0
    ? 'No bench test: nothing here speaks for one, and the case leaves everything in reach.'
    : `On the bench first, because ${listed(bench.map((reason) => BENCH[reason]))}.`;

/** What is asked when there is no picture; the answer is yes or no. */
export function askWords(question: Question, machine: Naming): string {
  const { parts } = machine.facts;
  const firmware = parts.one('board')?.part.shippedFirmware;
  const card = parts.one('graphics');
  switch (question) {
    case 'turns':
      return 'Do the fans start, and keep turning?';
    case 'standby-light':
      return 'With the mains on, before any switch: is there a light on the board?';
    case 'main-plug':
      return 'Push the board’s 24-pin plug until it clicks: does it start now?';
    case 'corner-plug':
      return 'Look at the board’s corner beside the processor: is a power input there empty, or a plug not home?';
    case 'display-elsewhere':
      return 'Put another machine on this display, cable and input: does that stay dark too?';
    case 'other-output':
      return 'Plug the display into the other place (card or board): is there a picture?';
    case 'card-fans':
      return `At the moment of switching on: does ${card ? fullName(card.part) : 'the card'} light up, or its fans twitch?`;
    case 'card-plugs':
      return 'Pull at each power plug of the card: does one come out, or is an input empty?';
    case 'bridged':
      return 'Bridge the board’s two switch pins with a screwdriver: does it start?';
    case 'waited':
      return 'Leave it on for ten minutes: does a picture come?';
    case 'version':
      return `Does the sticker on the board, or its box, name firmware ${firmware ?? 'older than the processor needs'}, and was nothing flashed since?`;
    case 'one-module':
      return 'Leave one module, in the slot the board fills first: does it start now?';
    case 'without-card':
      return 'Take the card out and plug the display into the board: is there a picture?';
    case 'on-its-box':
      return 'Lift the board out and start it on its box: does it start?';
  }
}

/** What it was, and the mend. */
export const DARK: Readonly<Record<Dark, string>> = {
  'no-power': 'No power: the switch at the supply’s back, the mains plug, the socket; else the supply itself.',
  'board-plug': 'The 24-pin plug was not home: push it until its latch holds.',
  'processor-plug': 'The processor’s power input was forgotten: plug its 8-pin cable in.',
  'switch-pins': 'The front switch sits on the wrong pins: move it by the board’s print.',
  short: 'Something touches the board: look for a standoff where it has no hole, and for a loose screw.',
  'old-firmware': 'The firmware does not know this processor: flash it, as First start says.',
  module: 'A module was not home, or is faulty: press both ends; then one after the other in the first slot.',
  training: 'The memory was being trained: it takes minutes the first time, and after each clearing of settings.',
  'wrong-output': 'The display was on an output that has no picture.',
  'card-seat': 'The card was not home: press it along its whole length until the latch closes.',
  'card-plug': 'A power plug of the card was missing or loose.',
  display: 'The display, its cable or its input.',
  'processor-seat':
    'What is left is the processor’s seat: take it out, look for bent pins under a light, put it back by its mark.',
};
