/**
 * The floors of the core, from the ground up: a file imports from its own floor and those below, types included. The
 * dependency check is made from this list, and CONTRIBUTING.md shows it.
 */
export const FLOORS = [
  { folders: ['units'], holds: 'quantities, links, bands, money, decimals, days, text' },
  {
    folders: ['figures'],
    holds: 'how a number is made: derivations, registers of constants, the vocabulary of resources and missing figures',
  },
  { folders: ['parts'], holds: 'one schema a kind, what contradicts itself, what is like another' },
  {
    folders: ['model'],
    holds: 'machine, brief and its tasks, catalogue, offers, fitted parts, edits, phases, settings',
  },
  { folders: ['board', 'memory', 'firmware'], holds: 'the machine as it is wired, populated and started' },
  { folders: ['work'], holds: 'trades: from a task to its demands' },
  { folders: ['predict'], holds: 'supply, sharing in a sitting, results' },
  { folders: ['power', 'heat'], holds: 'the fixed point of draw, heat, clock and fans' },
  { folders: ['clearance'], holds: 'the machine as it is housed, fans and all' },
  { folders: ['evidence', 'money'], holds: 'measurements and calibration; offers, landed price, basket' },
  { folders: ['rules'], holds: 'one question about a machine a file' },
  { folders: ['assess'], holds: 'the one front door' },
  { folders: ['versus', 'sizing', 'search'], holds: 'what is asked of assessments' },
  {
    folders: ['upgrade'],
    holds: 'from the machine that is there to another: what it brings, what that costs, when it pays',
  },
  { folders: ['quote'], holds: 'what a client is offered: lines, margin, tax, totals' },
  {
    folders: ['prove'],
    holds: 'what a built machine is held to, what its readings say, what is left when something fails',
  },
  { folders: ['assemble'], holds: 'the order in which a machine is put together, and its first start' },
  { folders: ['library', 'formats', 'words'], holds: 'finding, reading and writing, saying' },
];
