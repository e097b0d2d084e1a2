import type { Told } from '../told';

/** What each rule of this folder is about, for who reads of it; judging needs none of it. */
export const TOLD: Told = {
  'adaptive-sync': {
    holds: 'a card drives a kind of adaptive sync that each display has',
    compares: "adaptive-sync kinds of the displays with the card's",
    source: 'definition',
  },
  'display-link': {
    holds: 'every display runs at its own size and refresh rate on an output of its kind',
    compares: "each display's picture with what the version of the output carries",
    source: 'payload rates of the display interfaces; reduced blanking (VESA CVT 2.1)',
  },
  'display-outputs': {
    holds: 'every display that is owned, bought or wanted has an output',
    compares: 'displays with the outputs of all that makes pictures, a chain of displays taking one',
    source: 'definition',
  },
  'fan-headers': {
    holds: 'there is a header for every fan, and none carries more current than it may',
    compares: "fans with the board's headers and the splitters added; the current on the fullest header with its limit",
    source: 'definition',
  },
  'front-ports': {
    holds: "every port in the case's front has a header of its rate on the board",
    compares: "the case's front ports with the board's headers and the leads in the machine, by rate and connector",
    source: 'definition',
  },
  'light-headers': {
    holds: 'every light has a header or controller of its own plug, and one program sets them all',
    compares: "lights of case, cooler and fans with the board's headers and the controllers added, plug by plug",
    source: 'definition',
  },
  'picture-path': {
    holds: 'something makes a picture',
    compares: "graphics cards, integrated graphics and the board's outputs for them",
    source: 'definition',
  },
  'pump-header': {
    holds: 'a liquid cooler has a header for its pump',
    compares: "liquid coolers with the board's pump headers",
    source: 'definition',
  },
};
