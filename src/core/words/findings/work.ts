import type { WorkFigures } from '../../rules/work/figures';
import { listed, number } from '../format';
import { fails, type CheckOf, type Words } from './words';

/** Terms of a licence as they are read. */
export const TERMS = {
  tied: 'tied to this machine',
  transferable: 'which may move to another machine',
  yearly: 'paid each year',
  metered: 'paid by use',
  free: 'free of charge',
} as const;

export function workWords(check: CheckOf<WorkFigures>): Words {
  const bad = fails(check);
  switch (check.code) {
    case 'compute-stack':
      return bad
        ? {
            says: `${check.application} computes on ${listed(check.wants)}; ${check.card} has ${check.has.length > 0 ? listed(check.has) : 'no stack'}.`,
            mend: 'Take a card with a stack the application runs on.',
          }
        : { says: `${check.application} computes on ${check.card}.` };
    case 'operating-system':
      return bad
        ? {
            says: `${check.application} runs on ${listed(check.wants)}, not on ${check.system}.`,
            mend: 'Take an operating system that it runs on.',
          }
        : { says: `${check.application} runs on ${check.system}.` };
    case 'no-system':
      return {
        says: `${check.application} runs on ${listed(check.wants)}; the machine has no operating system chosen.`,
        mend: 'Add one, so that its price counts too.',
      };
    case 'certified-driver':
      return bad
        ? {
            says: `${check.application} is supported with a certified driver only; ${check.card} has none.`,
            mend: 'Take a card with a certified driver, or do without support.',
          }
        : { says: `${check.card} has a certified driver, as ${check.application} asks.` };
    case 'licence-missing':
      return {
        says: `${check.application} is sold with a licence, and none is here: what the software costs is not in the price.`,
        mend: 'Add one, or mark one that is there as owned.',
      };
    case 'licence-terms':
      return bad
        ? {
            says: `${check.licence} is tied to the machine that it came with: it does not move to this one.`,
            mend: 'Take a new licence, or ask its maker.',
          }
        : { says: `${check.application} runs here with ${check.licence}, ${TERMS[check.terms]}.` };
    case 'fast-ports':
      return {
        says: `${check.has} ports of ${number(check.gbitPerS)} Gb/s or more; the brief asks for ${check.needs}.`,
        ...(bad ? { mend: 'Take a board or a case with more of them.' } : {}),
      };
    case 'optical-drive':
      return bad
        ? { says: 'The brief asks for an optical drive and there is none.', mend: 'Add an optical drive.' }
        : { says: 'There is an optical drive.' };
    case 'encryption':
      return bad
        ? {
            says: `The brief asks for encrypted storage; ${check.drive} does not encrypt by itself.`,
            mend: 'Take a drive that does.',
          }
        : { says: `${check.drive} encrypts by itself.` };
    case 'remote-management':
      return bad
        ? { says: `The brief asks for remote management; ${check.board} has none.`, mend: 'Take a board that has it.' }
        : { says: `${check.board} can be managed from afar.` };
    case 'scratch-cells':
      return bad
        ? {
            says: `${check.drive} is the scratch drive and its cells are ${check.cells === 'magnetic' || check.cells === 'optical' ? check.cells : `of kind ${check.cells}`}: it slows down and wears under steady writing.`,
            mend: 'Give the scratch role to a drive with sturdier cells.',
          }
        : { says: `The cells of ${check.drive} (${check.cells}) are made for scratch.` };
    case 'system-drive-kind':
      return check.magnetic
        ? {
            says: `The system starts from ${check.drive}, which has no cells but a disk.`,
            mend: 'Give the system role to a drive with cells.',
          }
        : { says: `The system starts from ${check.drive}, a drive with cells.` };
  }
}
