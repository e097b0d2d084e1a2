/** A machine as a former release wrote it: with one later phase, and items that are only in one of the two. */
export const FORMER = {
  id: 'm',
  name: 'M',
  later: { name: 'Next year', on: '2027-03-01' },
  items: [
    { id: 'a', part: 'kit' },
    { id: 'b', part: 'disk', phase: 'now' },
    { id: 'c', part: 'ssd', phase: 'later' },
  ],
};
