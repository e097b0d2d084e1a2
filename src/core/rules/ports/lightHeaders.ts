import type { AnyFitted } from '../../model/fitted';
import { LIGHT_PLUGS, USUAL_LIGHT_PLUG, type LightPlug } from '../../parts/common';
import { accessoriesUnsaid, missingOf } from '../../model/unsaid';
import { accessoryPurpose } from '../../parts/purposes';
import { unknownFigures, idsOf, nameOf, type Said, type Rule } from '../rule';

type Lit = AnyFitted & { readonly part: { readonly kind: 'case' | 'cooler' | 'fan' } };
const isLit = (fitted: AnyFitted): fitted is Lit =>
  (fitted.part.kind === 'case' || fitted.part.kind === 'cooler' || fitted.part.kind === 'fan') &&
  (fitted.part.lightHeaders ?? 0) > 0;
const wantsOf = (fitted: Lit) => fitted.part as { lightHeaders?: number; lightPlug?: LightPlug; lightProgram?: string };

/** Lights that are not stated count as none: nobody is harmed by a light that a sheet forgot. The two plugs never mix. */
export const lightHeaders: Rule = {
  id: 'light-headers',
  reads: ['case', 'cooler', 'fan', 'board', 'accessory'],
  levels: ['blocks', 'note', 'unproven'],
  check: ({ parts }) => {
    const lit = [...parts.ofKind('case'), ...parts.ofKind('cooler'), ...parts.ofKind('fan')].filter(isLit);
    const board = parts.one('board');
    if (lit.length === 0 || !board) return [];
    const controllers = parts.ofKind('accessory').filter(({ part }) => accessoryPurpose(part) === 'light-controller');
    const onBoard: Readonly<Record<LightPlug, number | undefined>> = {
      '3-pin 5 V': board.part.lightHeaders,
      '4-pin 12 V': board.part.lightHeaders12V,
    };
    const fed = (plug: LightPlug) =>
      controllers
        .filter(({ part }) => (part.lightPlug ?? USUAL_LIGHT_PLUG) === plug)
        .reduce((sum, { part }) => sum + (part.outlets ?? 0), 0);
    const checks = LIGHT_PLUGS.flatMap((plug): Said[] => {
      const mine = lit.filter((fitted) => (wantsOf(fitted).lightPlug ?? USUAL_LIGHT_PLUG) === plug);
      if (mine.length === 0) return [];
      const needs = mine.reduce((sum, fitted) => sum + (wantsOf(fitted).lightHeaders ?? 0), 0);
      const here = onBoard[plug];
      const has = (here ?? 0) + fed(plug);
      const unsaid = [
        ...(here === undefined ? missingOf(board, plug === USUAL_LIGHT_PLUG ? 'lightHeaders' : 'lightHeaders12V') : []),
        ...accessoriesUnsaid(parts),
      ];
      if (has < needs && unsaid.length > 0) return [{ ...unknownFigures('light-headers', unsaid), subject: plug }];
      // nothing of this plug, and only the other kind to put it on: that burns the lights or leaves them dark
      const other = LIGHT_PLUGS.find((candidate) => candidate !== plug) ?? plug;
      const onlyOther = has === 0 && (onBoard[other] ?? 0) + fed(other) > 0;
      return [
        {
          level: needs <= has ? 'passes' : onlyOther ? 'blocks' : 'note',
          code: 'light-headers',
          subject: plug,
          items: idsOf(...mine),
          needs,
          has,
          plug,
          other: onlyOther,
          adds: ['accessory'],
        },
      ];
    });
    const programs = new Map<string, AnyFitted[]>();
    for (const fitted of [board, ...lit, ...controllers]) {
      const program = 'lightProgram' in fitted.part ? fitted.part.lightProgram : undefined;
      if (program !== undefined) programs.set(program, [...(programs.get(program) ?? []), fitted]);
    }
    return programs.size < 2
      ? checks
      : [
          ...checks,
          {
            level: 'note',
            code: 'light-programs',
            items: idsOf(...[...programs.values()].flat()),
            programs: [...programs].map(([program, holders]) => ({ program, parts: holders.map(nameOf) })),
          },
        ];
  },
};
