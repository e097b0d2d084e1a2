import type { Effort } from '../search/exact/ended';
import { counting, number } from './format';

/** "12 partial machines looked at". */
export const lookedAtWords = ({ nodes }: Pick<Effort, 'nodes'>): string =>
  `${counting(nodes, 'partial machine')} looked at`;

/** "12 partial machines in 0.4 s". */
export const tookWords = ({ nodes }: Pick<Effort, 'nodes'>, seconds: number): string =>
  `${counting(nodes, 'partial machine')} in ${number(seconds, 2)} s`;
