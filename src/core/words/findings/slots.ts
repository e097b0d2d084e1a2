import type { SlotFigures } from '../../rules/slots/figures';
import { listed, number } from '../format';
import { fails, type CheckOf, type Words } from './words';

export function slotWords(check: CheckOf<SlotFigures>): Words {
  const bad = fails(check);
  switch (check.code) {
    case 'stream':
      return {
        says: `${check.task}, ${check.sitting}: ${listed(check.devices)} ${check.devices.length > 1 ? 'get' : 'gets'} ${number(check.getsGBs, 2)} of the ${number(check.needsGBs, 2)} GB/s ${check.devices.length > 1 ? 'they need' : 'it needs'}; ${check.at} ${check.shared ? 'is shared and full' : 'is too narrow'}.`,
        mend: check.shared
          ? 'Take a board with a wider uplink or a slot at the processor, or move what shares it.'
          : 'Take a board with a wider or newer slot for it.',
      };
    case 'streams-carried':
      return { says: `The links carry all ${check.count} streams of the real-time tasks.` };
    case 'uplink':
      return bad
        ? {
            says: `${listed(check.devices)} share the uplink of ${check.hub}: ${number(check.peakGBs, 2)} GB/s at their peak, ${number(check.uplinkGBs, 2)} GB/s together.`,
            mend: 'It matters only when they run at once; the streams of each sitting are checked apart.',
          }
        : {
            says: `What hangs behind ${check.hub} asks for ${number(check.peakGBs, 2)} of ${number(check.uplinkGBs, 2)} GB/s at its peak.`,
          };
    case 'upright':
      if (!bad) return { says: `${check.card} stands in the upright mount of ${check.chassis}, on its riser.` };
      return check.mount
        ? {
            says: `${check.card} is to stand upright and there is no riser for it.`,
            mend: 'Add a riser, or put the card into a slot.',
          }
        : {
            says: `${check.card} is to stand upright; ${check.chassis} has no upright mount.`,
            mend: 'Put the card into a slot, or take a case with the mount.',
          };
    case 'drive-heatsink':
      return {
        says: `${check.drive} is ${number(check.heightMm)} mm high with its heatsink; the board leaves ${number(check.roomMm)} mm in ${check.slot}.`,
        ...(check.level === 'caution'
          ? { mend: "Leave the board's cover off that slot: the drive brings its own." }
          : bad
            ? { mend: "Take the drive without its heatsink, or a slot without the board's cover." }
            : {}),
      };
    case 'carrier':
      return bad
        ? {
            says: `${check.works} of the ${check.has} drive slots of ${check.card} work in ${check.slot}: it passes on only what the slot can be split into.`,
            mend: 'Take a board whose slot can be split further, or a card with a switch of its own.',
          }
        : { says: `All ${check.has} drive slots of ${check.card} work in ${check.slot}.` };
    case 'root-links': {
      if (!bad)
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
    }
  }
}
