import { unknown, idsOf, type Rule } from '../rule';

/** Lights that are not stated count as none: nobody is harmed by a light that a sheet forgot. */
export const lightHeaders: Rule = {
  id: 'light-headers',
  holds: 'every light has a header or a place on a controller',
  compares: "lights of case, cooler and fans with the board's headers and the controllers added",
  reads: ['case', 'cooler', 'fan', 'board', 'accessory'],
  levels: ['note', 'unproven'],
  source: 'definition',
  check: ({ parts }) => {
    const lit = [...parts.ofKind('case'), ...parts.ofKind('cooler'), ...parts.ofKind('fan')].filter(
      ({ part }) => (part.lightHeaders ?? 0) > 0,
    );
    const board = parts.one('board');
    if (lit.length === 0 || !board) return [];
    const needs = lit.reduce((sum, { part }) => sum + (part.lightHeaders ?? 0), 0);
    const controllers = parts
      .ofKind('accessory')
      .filter(({ part }) => part.purpose === 'light-controller')
      .reduce((sum, { part }) => sum + (part.outlets ?? 0), 0);
    if (board.part.lightHeaders === undefined && controllers < needs)
      return [unknown('light-headers', 'how many lights the board can feed', [board, 'lightHeaders'])];
    const has = (board.part.lightHeaders ?? 0) + controllers;
    return [
      {
        rule: 'light-headers',
        level: needs <= has ? 'passes' : 'note',
        code: 'light-headers',
        items: idsOf(...lit),
        needs,
        has,
        adds: ['accessory'],
      },
    ];
  },
};
