import type { Check, Figures } from '../../rules/rule';
import { partWords } from './parts';
import { platformWords } from './platform';
import { memoryWords } from './memory';
import { housingWords } from './housing';
import { slotWords } from './slots';
import { powerWords } from './power';
import { workWords } from './work';
import { portWords } from './ports';
import { heatWords } from './heat';
import { priceWords } from './prices';
import { surplusWords } from './surplus';
import type { Words, WordsOf } from './words';

export type { Words } from './words';

/** Without a gap, so that a new comparison does not compile until it has words. */
const WORDS: WordsOf<Figures> = {
  ...partWords,
  ...platformWords,
  ...memoryWords,
  ...housingWords,
  ...slotWords,
  ...powerWords,
  ...workWords,
  ...portWords,
  ...heatWords,
  ...priceWords,
  ...surplusWords,
};

export const findingWords = (check: Check): Words => (WORDS[check.code] as (check: Check) => Words)(check);
