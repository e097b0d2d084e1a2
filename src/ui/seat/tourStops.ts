/** A stop of the tour: where it points, and what there is to know. */
export interface TourStop {
  /** Finds the place on the Draft station. */
  readonly at: string;
  readonly title: string;
  readonly says: string;
}

/** Six places of the Draft station, in the order in which somebody meets them. */
export const TOUR: readonly TourStop[] = [
  {
    at: 'section[aria-label="What it does"]',
    title: 'A beam says whether it is enough',
    says: 'The upright line is what is needed; left of it is too little. ▲ carries, ◆ may fall short, ▼ falls short, ○ is not known. The band is how sure that is. Click one to see why.',
  },
  {
    at: 'section[aria-label="Wiring map"]',
    title: 'The machine, drawn from its board',
    says: 'Click a part or an empty place: everything that fits there is ranked by what it does to this work. Arrow keys try a part, Enter takes it.',
  },
  {
    at: 'section[aria-label="Findings"]',
    title: 'What is wrong, and what mends it',
    says: 'Each finding has its two figures. The remedies under it were found by trying them; one click takes one.',
  },
  {
    at: 'footer[aria-label="Ledger"]',
    title: 'Where the verdict stands',
    says: 'The price with tax and shipping against the budget, how much of the work it does, and which parts are to be changed. It stays at the foot of every station.',
  },
  {
    at: '[aria-label="History"]',
    title: 'How to take it back',
    says: 'Every step is saved at once. Here, or with Ctrl Z, it is taken back, also after the page was loaded again.',
  },
  {
    at: 'nav[aria-label="Stations"]',
    title: 'The way through',
    says: 'Brief tells the work, Draft makes the machine, Weigh compares drafts, Rivals sets it against branded machines, Buy finds the cheapest basket, Assemble plans the build. The question mark says what the words mean.',
  },
];
