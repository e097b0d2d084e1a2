import type { Finding } from '../rules/rule';
import { findingWords } from './findings';

/** What a change mends, to be told within a sentence. */
export const mendedWords = (finding: Finding): string =>
  finding.code === 'task-result' ? finding.name : findingWords(finding).says.replace(/\.$/, '');
