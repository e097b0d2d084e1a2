import type { PartFigures } from '../../rules/parts/figures';
import { aboutWords } from './topics';
import { kindName, withArticle } from '../names';
import { fails, type WordsOf } from './words';

export const partWords: WordsOf<PartFigures> = {
  'unknown-figure': (check) => ({
    says: `Unknown: ${aboutWords(check.about)}.`,
    mend: 'Fill the missing figure in, or take a part that states it.',
  }),
  'part-gone': (check) => ({
    says: `${check.label} is no longer in the catalogue, so nothing about it can be checked.`,
    mend: 'Import a catalogue that has it, or put another part in its place.',
  }),
  'borrowed-figures': (check) => ({
    says: `${check.name} is judged by figures borrowed from ${check.from}; its own are not published.`,
    mend: 'Fill in its own figures in the library as they become known.',
  }),
  'own-figures': (check) => ({ says: `All ${check.count} parts are judged by their own figures.` }),
  'parts-known': (check) => ({ says: `All ${check.count} parts are in the catalogue.` }),
  'part-withdrawn': (check) => ({
    says: `${check.name} was withdrawn on ${check.date}.`,
    mend: 'Make sure it can still be bought, or take its successor.',
  }),
  'part-not-yet': (check) => ({
    says: `${check.name} is announced and goes on sale on ${check.date}.`,
    mend: 'Wait for it, or take a part that is on sale.',
  }),
  'parts-on-sale': (check) => ({ says: `All ${check.count} parts are on sale.` }),
  'part-missing': (check) => ({
    says: `The machine has no ${kindName(check.kind)}.`,
    mend: `Add ${withArticle(kindName(check.kind))}.`,
  }),
  'parts-complete': () => ({ says: 'Processor, board, memory, drive, supply, case and cooling are there.' }),
  'part-count': (check) => ({
    says: `There are ${check.count} parts of the kind "${kindName(check.kind)}"; one fits.`,
    mend: 'Leave all but one out.',
  }),
  'data-cables': (check) => ({
    says: `${check.drives} ${check.drives === 1 ? 'drive needs a data cable' : 'drives need a data cable each'}; there ${check.cables === 1 ? 'is 1' : `are ${check.cables}`}.`,
    ...(fails(check) ? { mend: 'Add data cables.' } : {}),
  }),
  paste: (check) =>
    fails(check)
      ? { says: `${check.cooler} comes without paste and none is in the machine.`, mend: 'Add paste.' }
      : { says: check.from === 'cooler' ? `Paste comes with ${check.cooler}.` : 'Paste is there.' },
};
