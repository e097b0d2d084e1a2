/** The stations that are built, in the order practitioners work. What is not built yet is not listed. */
export const STATIONS = [
  { id: 'brief', name: 'Brief', key: '1' },
  { id: 'draft', name: 'Draft', key: '2' },
  { id: 'weigh', name: 'Weigh', key: '3' },
  { id: 'rivals', name: 'Rivals', key: '4' },
  { id: 'buy', name: 'Buy', key: '5' },
  { id: 'assemble', name: 'Assemble', key: '6' },
] as const;

/** In an address of a seat: shows around. */
export const TOUR_ASKED = 'tour';
