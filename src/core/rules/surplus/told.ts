import type { Told } from '../told';

/** What each rule of this folder is about, for who reads of it; judging needs none of it. */
export const TOLD: Told = {
  'surplus-cards': {
    holds: 'every card is there for something that the brief asks for',
    compares: "each card's purpose with the tasks and must-haves",
    source: 'the brief',
  },
  'surplus-fans': {
    holds: 'no fan is added that the heat does not need',
    compares: 'the fewest of the added fans that carry the heat of the heaviest sitting with those there are',
    source: 'steady flow energy balance, fan curves against grilles and filters; judgement: the air rise that is quiet',
  },
  'surplus-graphics': {
    holds: "the card's memory and outputs are no more than the brief grows into",
    compares: 'graphics memory with what the tasks hold, growth included; outputs with the displays',
    source: 'judgement: growth and margin',
  },
  'surplus-memory': {
    holds: 'memory is no more than the brief grows into over its years, and no faster than it uses',
    compares: 'memory and its rate with what the tasks hold and move, growth included',
    source: 'judgement: growth, margin and the share of bandwidth below which more is not felt',
  },
  'surplus-space': {
    holds: 'drives are no larger than what the brief keeps on them over its years',
    compares: 'capacity by role with what the tasks keep there, growth included',
    source: 'judgement: growth and margin',
  },
  'surplus-supply': {
    holds: "the supply is not far larger than the machine's draw asks for",
    compares: "the supply's rating with the larger of peak draw and sustained draw with its reserve",
    source: 'judgement: the margin',
  },
  'surplus-unlocked': {
    holds: 'a processor whose clocks may be raised is not paid for where they stay as shipped',
    compares:
      "an unlocked processor's price with that of a locked one with as many cores of the same family and no slower",
    source: 'the parts and their offers',
  },
};
