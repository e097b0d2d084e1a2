import type { Told } from '../told';

/** What each rule of this folder is about, for who reads of it; judging needs none of it. */
export const TOLD: Told = {
  budget: {
    holds: 'the machine costs no more than the budget',
    compares: "the machine's price, on the budget's tax basis, with the budget",
    source: 'the brief; offers',
  },
  delivery: {
    holds: 'everything that is bought arrives by the day it is needed',
    compares: 'the earliest delivery of each part against the needed-by date',
    source: 'offers',
  },
  'offers-sound': {
    holds: 'the prices come from offers that one would take',
    compares: 'sellers against the trust asked for, prices against other offers and the list price',
    source: 'offers',
  },
  'prices-known': {
    holds: 'every part that is not owned has an offer',
    compares: "parts with offers in the brief's region",
    source: 'offers',
  },
};
