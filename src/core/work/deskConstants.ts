import { register } from '../figures/registers';

/** Constants of the desk base. */
export const DESK = register('desk', {
  systemGiB: { value: 4, spread: 1.2, unit: 'GiB', source: 'judgement' },
  tabGiB: { value: 0.12, spread: 1.5, unit: 'GiB/tab', source: 'judgement' },
  conferenceGiB: { value: 1.5, spread: 1.3, unit: 'GiB', source: 'judgement' },
  serialWork: { value: 1.2, spread: 1.4, unit: 'Gwork/s', source: 'judgement' },
  tabWork: { value: 0.03, spread: 1.5, unit: 'Gwork/s a tab', source: 'judgement' },
  conferenceWork: { value: 4, spread: 1.4, unit: 'Gwork/s', source: 'judgement' },
});
