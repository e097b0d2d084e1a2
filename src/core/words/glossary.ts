/** Words of the screens that somebody new may not know, in the order in which they are met. */
export const GLOSSARY = [
  ['seat', 'one person’s place: the work that is done there, and drafts of a machine for it'],
  ['brief', 'the work of a seat as sentences, with budget and terms'],
  ['sitting', 'tasks that run at the same time, with the hours a week that somebody does so'],
  ['draft', 'a machine that is planned; the present one is a draft like any other'],
  [
    'beam',
    'the upright line is what is needed, the marker what it gets, the band how sure that is; right of the line is enough',
  ],
  [
    'carries, may fall short, falls short, unproven',
    '▲ ◆ ▼ ○: enough even at worst, perhaps, not even at best, a figure is unknown',
  ],
  ['landed', 'the price with tax and shipping in'],
  ['at least', 'something has no price or figure yet: it can only become more'],
  ['sustained, peak', 'what the machine draws in its heaviest sitting, and with all parts at their limit'],
  ['enough', 'of desk work: times as fast as it has to be to keep up'],
  ['Gwork', 'thousand million steps of a program; a core of 5 GHz with a work of 1 a clock does 5 a second'],
  ['clearance', 'room between two parts, in mm'],
  ['uplink', 'the link that a hub shares among all that hangs on it'],
  ['profile', 'a memory’s stated rate beyond the standard one, switched on in the firmware'],
  ['next coin', 'the change that gains most for its price, or saves most for what it loses'],
  ['work for the money', 'how much faster, divided by how much dearer'],
] as const satisfies readonly (readonly [term: string, meaning: string])[];

/** A word that the glossary has. */
export type GlossaryTerm = (typeof GLOSSARY)[number][0];
