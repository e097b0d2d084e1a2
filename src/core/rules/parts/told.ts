import type { Told } from '../told';

/** What each rule of this folder is about, for who reads of it; judging needs none of it. */
export const TOLD: Told = {
  'own-figures': {
    holds: 'every part is judged by its own figures',
    compares: 'where the figures of each part come from: its own, or borrowed from a part that stands in',
    source: 'the library',
  },
  'parts-complete': {
    holds: 'nothing essential is missing and nothing is there twice that has one place',
    compares: 'the parts there against those a machine needs',
    source: 'definition',
  },
  'parts-known': {
    holds: 'every part is in the catalogue',
    compares: 'the machine against the catalogue',
    source: 'definition',
  },
  'parts-on-sale': {
    holds: 'every part is on sale today',
    compares: 'the dates of each part against today',
    source: 'definition',
  },
  'small-parts': {
    holds: 'there is a data cable for every drive that needs one, and paste for the cooler',
    compares: 'SATA drives with the cables that come with the board or are added; the cooler with the paste it brings',
    source: 'definition',
  },
  'task-figures': {
    holds: 'every figure that the predictions need is known',
    compares: 'the figures each task needs with those the parts give',
    source: 'definition',
  },
  whole: {
    holds: 'system, display, keyboard and pointing device are there, owned or not needed',
    compares: 'what the brief says of them with what is in the machine',
    source: 'the brief',
  },
};
