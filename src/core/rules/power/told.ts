import type { Told } from '../told';

/** What each rule of this folder is about, for who reads of it; judging needs none of it. */
export const TOLD: Told = {
  'card-power': {
    holds: 'slot and power inputs together carry what each card draws',
    compares: "each card's draw with what its slot gives (75 W at 16 lanes, 25 W at fewer) and its inputs carry",
    source: 'PCI Express card electromechanical specification',
  },
  'mains-circuit': {
    holds: "a usual socket's circuit carries the machine at its limit",
    compares:
      "the draw from the wall with everything at its limit with 80 % of what the region's circuits are fused at",
    source: 'definition; wiring codes: continuous loads at 80 %',
  },
  'supply-connectors': {
    holds: 'the supply has a connector for every input',
    compares:
      'power inputs of board, cards and drives with the connectors of the supply and the leads in the machine, kind by kind',
    source: 'definition; one cable per high-power input; EPS12V: what a processor input carries',
  },
  'supply-power': {
    holds: 'the supply is as large as every policy asks that the desk goes by',
    compares:
      'sustained draw with a share of the rating, peak draw with all of it, excursions with what its standard allows, and other policies where the desk goes by them; efficiency plays no part',
    source: 'definition: the rating; ATX design guides: excursions; judgement: the reserves',
  },
};
