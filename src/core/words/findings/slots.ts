import type { Unplaced } from '../../board/fit';
import type { SlotFigures } from '../../rules/slots/figures';
import { listed, number, percent } from '../format';
import { fails, type WordsOf } from './words';

function placeReason(reason: Unplaced): string {
  switch (reason) {
    case 'no-such-slot':
      return 'this board has no slot of its kind';
    case 'too-long':
      return 'no slot of this board takes its length';
    case 'too-high':
      return 'no slot of this board leaves room for its heatsink';
    case 'too-wide':
      return 'no connector of this board is wide enough';
    case 'beyond-case':
      return 'it would reach past the last card slot of the case';
    case 'pin-does-not-fit':
      return 'it is pinned to a slot that it does not fit';
    case 'taken':
      return 'every slot that fits is taken, covered or switched off';
  }
}

export const slotWords: WordsOf<SlotFigures> = {
  'device-place': (check) =>
    check.reason === 'placed'
      ? { says: `${check.device} has a slot.` }
      : {
          says: `${check.device} has no place: ${placeReason(check.reason)}.`,
          mend: 'Take a board with a slot for it, free one, or take a device that fits.',
        },
  link: (check) =>
    fails(check)
      ? {
          says: `${check.device} gets ${number(check.getsGBs)} of its link’s ${number(check.ownGBs)} GB/s in ${check.slot}${
            check.needsGBs === undefined
              ? ''
              : check.needsGBs <= check.getsGBs
                ? `; it moves ${number(check.needsGBs)}, so it loses nothing`
                : `; it moves up to ${number(check.needsGBs)}, so it loses ${percent(1 - check.getsGBs / check.needsGBs)}`
          }.`,
          mend: 'Look at the tasks before paying for more: a beam there says whether it matters.',
        }
      : { says: `${check.device} gets its ${number(check.ownGBs)} GB/s in ${check.slot}.` },
  'slot-off': (check) => ({
    says: check.how === 'covered' ? `${check.by} covers ${check.slot}.` : `${check.by} switches ${check.slot} off.`,
  }),
  stream: (check) => ({
    says: `${check.task}, ${check.sitting}: ${listed(check.devices)} ${check.devices.length > 1 ? 'get' : 'gets'} ${number(check.getsGBs, 2)} of the ${number(check.needsGBs, 2)} GB/s ${check.devices.length > 1 ? 'they need' : 'it needs'}; ${check.at} ${check.shared ? 'is shared and full' : 'is too narrow'}.`,
    mend: check.shared
      ? 'Take a board with a wider uplink or a slot at the processor, or move what shares it.'
      : 'Take a board with a wider or newer slot for it.',
  }),
  'streams-carried': (check) => ({
    says: `The links carry ${check.count === 1 ? 'the one stream' : `all ${check.count} streams`} of the real-time tasks.`,
  }),
  uplink: (check) =>
    fails(check)
      ? {
          says: `${listed(check.devices)} share the uplink of ${check.hub}: ${number(check.peakGBs, 2)} GB/s at their peak, ${number(check.uplinkGBs, 2)} GB/s together.`,
          mend: 'It matters only when they run at once; the streams of each sitting are checked apart.',
        }
      : {
          says: `What hangs behind ${check.hub} asks for ${number(check.peakGBs, 2)} of ${number(check.uplinkGBs, 2)} GB/s at its peak.`,
        },
  upright: (check) => {
    if (!fails(check)) return { says: `${check.card} stands in the upright mount of ${check.chassis}, on its riser.` };
    return check.mount
      ? {
          says: `${check.card} is to stand upright and there is no riser for it.`,
          mend: 'Add a riser, or put the card into a slot.',
        }
      : {
          says: `${check.card} is to stand upright; ${check.chassis} has no upright mount.`,
          mend: 'Put the card into a slot, or take a case with the mount.',
        };
  },
  'drive-heatsink': (check) => ({
    says: `${check.drive} is ${number(check.heightMm)} mm high with its heatsink; the board leaves ${number(check.roomMm)} mm in ${check.slot}.`,
    ...(check.level === 'caution'
      ? { mend: "Leave the board's cover off that slot: the drive brings its own." }
      : fails(check)
        ? { mend: "Take the drive without its heatsink, or a slot without the board's cover." }
        : {}),
  }),
  carrier: (check) =>
    fails(check)
      ? {
          says: `${check.works} of the ${check.has} drive slots of ${check.card} work in ${check.slot}: it passes on only what the slot can be split into.`,
          mend: 'Take a board whose slot can be split further, or a card with a switch of its own.',
        }
      : { says: `All ${check.has} drive slots of ${check.card} work in ${check.slot}.` },
  'root-links': (check) => {
    if (!fails(check))
      return { says: `The links of ${check.processor} are as fast and as many as the slots of ${check.board}.` };
    const parts = [
      ...(check.off.length > 0 ? [`has no lanes for ${listed(check.off)}`] : []),
      ...(check.slower.length > 0
        ? [`runs ${listed(check.slower.map(({ slot, generation }) => `${slot} at generation ${generation}`))}`]
        : []),
      ...(check.narrower.length > 0
        ? [`feeds ${listed(check.narrower.map(({ slot, lanes, own }) => `${slot} ${lanes} of its ${own} lanes`))}`]
        : []),
    ];
    return {
      says: `${check.processor} on ${check.board} ${parts.join(' and ')}.`,
      mend: 'Count only on what is left, or take a processor with newer or more links.',
    };
  },
};
