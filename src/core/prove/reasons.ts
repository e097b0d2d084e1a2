import type { Reasons } from '../figures/registers';
import type { OFTEN, PROVE } from './constants';

/** Why the constants of `PROVE` are what they are. */
export const PROVE_WHY: Reasons<typeof PROVE> = {
  rise: { reasoning: 'Mounting, paste and the place of the sensor differ by some twenty in a hundred of the rise.' },
  watts: {
    reasoning: 'Chips of one model draw a tenth more or less for the same work; sensors are a few in a hundred off.',
  },
  clock: { reasoning: 'Chips of one model keep a clock a few in a hundred apart at the same power.' },
  fanSpeed: { reasoning: 'A fan turns a tenth off its stated speed, and follows a temperature that is off as well.' },
  noiseDb: { reasoning: 'A room and a small meter are good to some three decibels; that is a factor of 1.4.' },
  driveMostC: { reasoning: 'Drives for slots on the board slow down between seventy and eighty-five degrees.' },
  driveRiseK: { reasoning: 'Seven watts into a cover of the board, or four into a bay with little air.' },
  readingNoise: { reasoning: 'The same run twice on the same machine, when nothing else runs.' },
  badPaste: { reasoning: 'A film, a void or an uneven block adds half to all of what the cooler had.' },
  stillCooler: { reasoning: 'Fins without their fan, or coolant that stands, let through a third of the heat.' },
  reversedAir: { reasoning: 'A fan that blows against the others takes away what it should have brought.' },
  cloggedAir: { reasoning: 'A filter with a year of dust lets through some two thirds.' },
  stillPump: { reasoning: 'Coolant that stands carries by conduction only.' },
  filmRiseK: { reasoning: 'Half a millimetre of plastic under the cover’s pad.' },
  filmKept: { reasoning: 'A drive that is too hot halves its clock until it is not.' },
  filmCached: { reasoning: 'Short runs are mostly over before it is hot.' },
  cardShare: { reasoning: 'With one input of two, or a limit left low, a card gives some three fifths of its power.' },
  processorShare: { reasoning: 'Boards start with the maker’s base power where a cooler was not chosen.' },
  warmMin: { reasoning: 'Coolant and case are warm after a quarter of an hour, and five minutes are read.' },
  memoryPasses: { reasoning: 'What is unsteady mostly shows in the first pass, and nearly always within four.' },
  memoryTraffic: {
    reasoning: 'A pass writes and reads each byte with a dozen patterns, and a bit at a time with each of its bits.',
  },
};

/** Why the weights of `OFTEN` are what they are. */
export const OFTEN_WHY: Reasons<typeof OFTEN> = {
  'narrow-card': { reasoning: 'A card that is not home at its far end, or went into the nearest slot.' },
  'one-channel': { reasoning: 'Two modules side by side look right.' },
  'profile-off': { reasoning: 'Every board starts with it off.' },
  paste: { reasoning: 'Screws not in turns, film left on, too little.' },
  'cooler-still': { reasoning: 'A plug that was to come last.' },
  'fan-reversed': { reasoning: 'The arrow is small.' },
  'processor-limit': { reasoning: 'A board’s own question at the first start.' },
  'card-limit': { reasoning: 'An input that was forgotten, or a second-hand card with its owner’s limit.' },
  'narrow-drive': { reasoning: 'The next slot looks the same and has half the lanes.' },
  'drive-film': { reasoning: 'The film is clear.' },
  'loose-module': { reasoning: 'One latch of two closed.' },
  'unsteady-memory': { reasoning: 'A profile that this processor or this board does not hold.' },
  'slow-network': { reasoning: 'An old cable, or the other port.' },
};
