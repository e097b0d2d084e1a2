import type { Told } from '../told';

/** What each rule of this folder is about, for who reads of it; judging needs none of it. */
export const TOLD: Told = {
  'drive-carrier': {
    holds: 'every drive slot of a carrier card works in the slot the card has',
    compares: 'drive slots of the card with the links its slot can be split into',
    source: 'board topology',
  },
  'device-place': {
    holds: 'every card and drive has a slot',
    compares: 'devices with the slots of the board, rows of the case, lengths and exclusions',
    source: 'exact placement search',
  },
  'drive-heatsink': {
    holds: "a drive's own heatsink fits under the board's cover",
    compares: "the height of the drive's heatsink with the room above its slot",
    source: 'geometry',
  },
  link: {
    holds: 'every device runs at its own link rate',
    compares: 'the link each device gets with the one it could use, and with what the device itself moves',
    source: 'link rates of the slot and the device',
  },
  'root-links': {
    holds: "the processor's own links are as fast and as many as the board's slots",
    compares: "generation and lanes of the board's slots at the processor with the processor's root links",
    source: 'board topology; a link runs at the older generation of its ends',
  },
  'slots-off': {
    holds: 'no slot is lost to a neighbour',
    compares: 'slots left with those switched off or covered',
    source: 'board topology',
  },
  streams: {
    holds: 'in every sitting the links carry what real-time tasks send over them',
    compares: 'each stream with its share of the narrowest link on its way',
    source: 'link rates; real-time streams first, in proportion on an overloaded link',
  },
  uplink: {
    holds: 'what hangs behind a hub fits its uplink even when all of it runs at its peak',
    compares: "the peak rates of the devices behind each hub with the hub's uplink",
    source: 'link rates of the devices as placed',
  },
  upright: {
    holds: 'a card that stands upright has a mount in the case and a riser to its slot',
    compares: 'upright cards with the mount of the case and the risers in the machine',
    source: 'geometry',
  },
};
