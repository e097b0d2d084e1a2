import type { FirmwarePlan, FirmwareStep } from '../firmware/plan';
import { listed } from './format';

/** The way to the firmware a processor needs, in a sentence. */
export function routeWords({ route, has, needs, startsWith }: FirmwarePlan): string {
  switch (route) {
    case 'not-needed':
      return needs === undefined
        ? 'Any firmware of this board knows the processor.'
        : `The board has ${has ?? 'an unknown version'}; the processor needs ${needs}. Nothing has to be flashed.`;
    case 'without-processor':
      return `The board comes with ${has ?? 'an unknown version'}, the processor needs ${needs ?? ''}. The board flashes itself from a USB stick, with no processor in it.`;
    case 'with-processor':
      return `The board comes with ${has ?? 'an unknown version'}, the processor needs ${needs ?? ''}. It can only be flashed with a processor that starts on what it has${startsWith.length > 0 ? ` (${listed(startsWith)})` : ''}.`;
    case 'unknown':
      return has === undefined
        ? 'What firmware the board ships with is not stated.'
        : 'Whether the board can be flashed without a processor is not stated.';
  }
}

export function stepWords(step: FirmwareStep): string {
  switch (step.do) {
    case 'load':
      return `Load firmware ${step.version}${step.channel === 'beta' ? ' (a beta)' : ''} from the board's maker and check its sum.`;
    case 'stick':
      return "Put the file alone on a USB stick formatted with FAT32, under the name the board's booklet gives.";
    case 'power-bench':
      return 'Lay the board on the table, connect its two power plugs, leave processor, memory and cards out.';
    case 'press-flash':
      return 'Put the stick into the marked port and hold the flash button until its light blinks; wait until it stops, without touching the power.';
    case 'borrow':
      return `Borrow a processor of the ${listed(step.families)} family, seat it with its cooler and one module.`;
    case 'flash-from-setup':
      return 'Start into the set-up, choose the file on the stick and let it flash, without touching the power.';
    case 'change-processor':
      return 'Take the power away and put the new processor in.';
    case 'clear-settings':
      return 'Clear the settings once, since those of the old version may not fit.';
    case 'check-version':
      return `See on the first start that the set-up says ${step.version}.`;
  }
}

/** What to fall back on when flashing goes wrong. */
export function wayBackWords({ wayBack }: FirmwarePlan): string {
  switch (wayBack) {
    case 'second-chip':
      return 'When it goes wrong: the second firmware chip starts the board, and the first is flashed again from there.';
    case 'flash-again':
      return 'When it goes wrong: flash it again the same way; the flash button works even when the board no longer starts.';
    case 'none':
      return 'When it goes wrong there is no way back on the bench: the board goes to its maker. Keep the power steady while it flashes, and use a stick that has been tried.';
    case 'unknown':
      return 'What there is to fall back on is not stated.';
  }
}
