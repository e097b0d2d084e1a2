import type { Told } from '../told';

/** What each rule of this folder is about, for who reads of it; judging needs none of it. */
export const TOLD: Told = {
  'board-form': {
    holds: 'the case takes boards of this form',
    compares: "the board's form with those the case takes",
    source: 'definition',
  },
  'card-height': {
    holds: 'every card is low enough for the side panel to close',
    compares: "each card's height with the room the case leaves above the slots",
    source: 'geometry',
  },
  'card-length': {
    holds: 'every card is short enough for the case',
    compares: "each card's length with the room the case leaves, less when a radiator sits in front",
    source: 'geometry',
  },
  clearance: {
    holds: 'no two parts stand in each other’s place',
    compares: 'the outlines of board, cooler, modules, cards, drives, radiator, fans and supply with each other, in mm',
    source: 'geometry; open form-factor standards: board outlines and card rows; usual places where a part states none',
  },
  'cooler-height': {
    holds: 'the cooler fits under the side panel',
    compares: "the cooler's height with the room in the case",
    source: 'geometry',
  },
  'drive-bays': {
    holds: 'there is a bay for every drive that needs one',
    compares: 'drives by size with the bays of the case',
    source: 'geometry',
  },
  'fan-mounts': {
    holds: 'there is a place for every fan added',
    compares: 'fans added, by size, with the places that the rows of the case leave beside radiator and fans',
    source: 'geometry',
  },
  'fan-row': {
    holds: 'the radiator leaves the fans of the case their places',
    compares: 'the length of each side’s row with radiator and fans on it',
    source: 'geometry',
  },
  'memory-under-cooler': {
    holds: 'the modules fit under the cooler',
    compares: 'the height of each module with the room the cooler leaves',
    source: 'geometry',
  },
  'radiator-mount': {
    holds: 'the case has a mount for the radiator',
    compares: "the radiator's length with those the case's mounts take",
    source: 'geometry',
  },
  reach: {
    holds: 'drives can be reached without taking a card or the cooler out, where the brief asks for it',
    compares: 'what lies over each drive, seen from the open side',
    source: 'geometry',
  },
  'supply-form': {
    holds: 'the case takes supplies of this form',
    compares: "the supply's form with those the case takes",
    source: 'definition',
  },
  'supply-length': {
    holds: 'the supply is short enough for the case',
    compares: "the supply's length with the room in the case",
    source: 'geometry',
  },
};
