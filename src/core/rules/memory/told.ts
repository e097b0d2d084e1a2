import type { Told } from '../told';

/** What each rule of this folder is about, for who reads of it; judging needs none of it. */
export const TOLD: Told = {
  'error-correction': {
    holds: 'processor, board and every kit correct memory errors',
    compares: 'error correction of processor, board and kits with the brief',
    source: 'definition',
  },
  'memory-capacity': {
    holds: 'no slot, board or processor gets more memory than it can address',
    compares: 'capacity a module and in all with the limits of board and processor',
    source: 'definition',
  },
  'memory-channels': {
    holds: 'every memory channel is populated alike',
    compares: 'channels populated with channels there',
    source: 'definition',
  },
  'memory-generation': {
    holds: 'kit, board and processor are of one memory generation',
    compares: "each kit's generation with the board's and the processor's",
    source: 'definition',
  },
  'memory-order': {
    holds: "the modules sit in the slots that the board's maker wants filled first",
    compares: "the slots taken with the board's fill order",
    source: "the board's fill order",
  },
  'memory-rate': {
    holds: 'the memory runs at a rate that processor and board support in this population',
    compares: 'the rate in effect with what processor and board support',
    source: 'definition',
  },
  'memory-slots': {
    holds: 'there is a slot for every module',
    compares: 'modules with memory slots',
    source: 'definition',
  },
  'mixed-kits': {
    holds: 'all memory comes from one kit',
    compares: 'the part numbers of the kits',
    source: 'judgement: modules of two kits are not tested together',
  },
  'module-kind': {
    holds: 'the modules are of the kind that board and processor take',
    compares: "each kit's module kind with the board's and with those the processor runs",
    source: 'definition; small-outline modules are unbuffered (JEDEC)',
  },
  'profile-kind': {
    holds: "the board reads the kit's profile",
    compares: "each kit's profile kind with those the board reads",
    source: 'definition',
  },
  'tested-memory': {
    holds: 'the memory was tested with this board by one of the two makers',
    compares: "the board maker's and the memory maker's tested lists",
    source: "the makers' lists",
  },
};
