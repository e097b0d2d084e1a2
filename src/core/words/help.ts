/** Places of the app that have a help of their own. */
export type Place = 'desk' | 'brief' | 'draft' | 'weigh' | 'rivals' | 'buy' | 'library' | 'workshop';

/** What a place answers, and how one gets there: each line a thing to do and how it is done. */
export interface PlaceHelp {
  readonly name: string;
  readonly asks: string;
  readonly lines: readonly (readonly [what: string, how: string])[];
}

/** Help of each place, in the words of its screen. */
export const HELP: Readonly<Record<Place, PlaceHelp>> = {
  desk: {
    name: 'Desk',
    asks: 'Which seat needs me?',
    lines: [
      ['Read a row', 'The chips are the drafts: price, whether the work is done, whether the parts fit.'],
      ['See what changed', 'The line under a seat opens. “Mark as seen” starts counting anew.'],
      ['Start a seat', 'From the work, from a machine that is there, or from a file.'],
      ['Take a project along', 'Archive saves it with prices and history; the file opens on another desk.'],
    ],
  },
  brief: {
    name: 'Brief',
    asks: 'What does the work demand, and is it met?',
    lines: [
      ['Change a value', 'Click what is underlined: its unit, its range and what it does stand there.'],
      ['Put tasks together', 'A sitting is what runs at the same time. Drag a task by its grip into another.'],
      ['Get a machine', 'Find machines, at the right: the cheapest that does it, the best for the money.'],
      ['See what it takes', 'At the right: memory, graphics, drives by role, and what the draft has of each.'],
    ],
  },
  draft: {
    name: 'Draft',
    asks: 'Does it fit together, and does it do the work?',
    lines: [
      ['Fill a place', 'Click it on the map: what fits stands at the right, best first.'],
      ['Try before taking', '↑ and ↓ walk the list while map and beams follow. Enter takes.'],
      ['Mend a finding', 'The verdicts in the line below lead to findings, each with what mends it.'],
      ['See it otherwise', 'Links, power, heat, clearance and memory are layers of the same map.'],
      ['Complete it', 'In the menu of the draft: Find what is missing.'],
    ],
  },
  weigh: {
    name: 'Weigh',
    asks: 'Which of the drafts, and where does its time go?',
    lines: [
      ['Compare drafts', 'A row a task, a column a draft; upright line is the need.'],
      ['See where time goes', 'Choose a task: its stages, what binds, what idles.'],
      ['Spend or save', 'Next coin: changes by what they do for their price.'],
      ['See price against work', 'The line of best machines, with drafts and branded ones on it.'],
      ['Enter a measurement', 'Measured on this machine: predictions follow it.'],
    ],
  },
  rivals: {
    name: 'Rivals',
    asks: 'Against a branded machine: dearer or cheaper, for which work?',
    lines: [
      ['Choose the other', 'A branded machine with its options, or enter one from this draft.'],
      ['Read the difference', 'What more is paid for parts, for work, for service.'],
      ['Match it', 'The cheapest machine at least as good in the figures you tick.'],
      ['Same money', 'The best machine for what the branded one costs.'],
    ],
  },
  buy: {
    name: 'Buy',
    asks: 'Where is it bought, and what does it come to?',
    lines: [
      ['Read the basket', 'The cheapest shares of parts to sellers, shipping and coupons counted.'],
      ['Choose a part', 'Its offers, its prices over time, a price by hand, what was paid.'],
      ['Wait for a price', 'A watch is told on the desk when it is reached.'],
    ],
  },
  library: {
    name: 'Library',
    asks: 'What parts are there, and what is known of them?',
    lines: [
      ['Find', 'A name, words such as TLC, or a figure: “M.2 slots ≥ 4”, “< 300 mm”.'],
      ['Compare', 'Tick parts of one kind, then Side by side.'],
      ['Arrange', 'Columns: which, and in which order. Drag the edge of a head for its width.'],
      ['Fill in', 'Every figure of a sheet is changed by a click; “unknown” is one too.'],
      ['Bring parts in', 'A file is checked and every problem listed before anything is written.'],
    ],
  },
  workshop: {
    name: 'Workshop',
    asks: 'What holds for all seats?',
    lines: [
      ['Buying', 'Conditions, trust, tariff and rates are sentences whose values are changed in place.'],
      ['Prices', 'Sources that are asked, and what they may reach.'],
      ['Owned', 'Parts that are there: they cost nothing where they are put.'],
      ['Backups', 'One a day; each can be tried without touching anything.'],
    ],
  },
};

/** The place of an address: "/ninefathom/film-desk/weigh" is Weigh. */
export function placeOf(path: string): Place {
  const last = path.split('/').filter(Boolean);
  const [first] = last;
  if (first === 'library' || first === 'workshop') return first;
  const station = last[2];
  return station !== undefined && station in HELP ? (station as Place) : 'desk';
}
