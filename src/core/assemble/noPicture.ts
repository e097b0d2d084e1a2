import type { Assessment } from '../assess';
import { firmwarePlan } from '../firmware/plan';
import { pictureOf } from './start';

/** Why a machine that was put together shows nothing. */
export type Dark =
  | 'no-power'
  | 'board-plug'
  | 'processor-plug'
  | 'switch-pins'
  | 'short'
  | 'old-firmware'
  | 'module'
  | 'training'
  | 'wrong-output'
  | 'card-seat'
  | 'card-plug'
  | 'display'
  | 'processor-seat';

/** What is looked at or tried. */
export type Question =
  | 'turns'
  | 'standby-light'
  | 'bridged'
  | 'on-its-box'
  | 'main-plug'
  | 'corner-plug'
  | 'other-output'
  | 'display-elsewhere'
  | 'waited'
  | 'one-module'
  | 'card-fans'
  | 'card-plugs'
  | 'without-card'
  | 'version';

export type Tree =
  | { readonly ask: Question; readonly yes: Tree; readonly no: Tree }
  /** What is left; several where no question tells them apart. */
  | { readonly found: readonly Dark[] };

/**
 * How often each is the reason, against the others: judgements of the trade. What this machine makes likelier weighs
 * more, what it cannot have is not there.
 */
const USUAL: Readonly<Record<Dark, number>> = {
  'no-power': 1,
  'board-plug': 1,
  'processor-plug': 1.5,
  'switch-pins': 1,
  short: 0.6,
  'old-firmware': 0.5,
  module: 2,
  training: 1.5,
  'wrong-output': 1.5,
  'card-seat': 1.5,
  'card-plug': 1,
  display: 1,
  'processor-seat': 0.5,
};
/** A firmware that is known to be too old, when it was not flashed. */
const TOO_OLD = 4;

/** For each question the reasons for which its answer is yes; the cheaper to look at first. */
const YES: readonly (readonly [Question, readonly Dark[]])[] = [
  [
    'turns',
    [
      'processor-plug',
      'old-firmware',
      'module',
      'training',
      'wrong-output',
      'card-seat',
      'card-plug',
      'display',
      'processor-seat',
    ],
  ],
  ['standby-light', ['switch-pins', 'short']],
  ['main-plug', ['board-plug']],
  ['corner-plug', ['processor-plug']],
  ['display-elsewhere', ['display']],
  ['other-output', ['wrong-output']],
  ['card-fans', ['wrong-output', 'module', 'training', 'display', 'old-firmware', 'processor-plug', 'processor-seat']],
  ['card-plugs', ['card-plug']],
  ['bridged', ['switch-pins']],
  ['waited', ['training']],
  ['version', ['old-firmware']],
  ['one-module', ['module']],
  ['without-card', ['card-seat', 'card-plug']],
  ['on-its-box', ['short']],
];

/** What could keep this machine dark, with its weight. */
export function darkOf(assessment: Assessment): Map<Dark, number> {
  const { parts, machine, memory } = assessment.facts;
  const board = parts.one('board');
  const card = parts.one('graphics');
  const picture = pictureOf(assessment);
  const weights = new Map(Object.entries(USUAL) as [Dark, number][]);
  if (!board?.part.powerInputs?.['processor-8'] && board?.part.powerInputs !== undefined)
    weights.delete('processor-plug');
  const route = board && firmwarePlan(board.part, parts.one('processor')?.part, machine.firmware).route;
  if (route === 'not-needed') weights.delete('old-firmware');
  else if (route !== 'unknown') weights.set('old-firmware', TOO_OLD);
  if (!card) for (const gone of ['card-seat', 'card-plug'] as const) weights.delete(gone);
  else if (card.part.connectors && Object.values(card.part.connectors).every((count) => !count))
    weights.delete('card-plug');
  // with one place for a picture there is no other to take by mistake
  if (!card || (board?.part.displayOutputs?.length ?? 0) === 0) weights.delete('wrong-output');
  if (picture.from === 'board' && card) weights.set('card-seat', USUAL['card-seat'] / 2);
  if (memory.modules.length === 0) for (const gone of ['module', 'training'] as const) weights.delete(gone);
  if (!parts.one('case')) weights.delete('short');
  return weights;
}

/**
 * What to ask when there is no picture: of this machine's possible reasons each question is the one whose answers come
 * nearest to halving what is left, by weight; the first in the list where several do.
 */
export function noPicture(assessment: Assessment): Tree {
  const weights = darkOf(assessment);
  const board = pictureOf(assessment).from === 'board';
  // without a second source of pictures the card cannot be left out
  const questions = YES.filter(([question]) => question !== 'without-card' || board);
  return treeOf([...weights.keys()]);

  function weigh(causes: readonly Dark[]): number {
    return causes.reduce((sum, cause) => sum + (weights.get(cause) ?? 0), 0);
  }
  function treeOf(left: readonly Dark[]): Tree {
    const half = weigh(left) / 2;
    let best: { ask: Question; yes: Dark[]; no: Dark[]; off: number } | undefined;
    for (const [ask, saysYes] of questions) {
      const yes = left.filter((cause) => saysYes.includes(cause));
      const no = left.filter((cause) => !saysYes.includes(cause));
      if (yes.length === 0 || no.length === 0) continue;
      const off = Math.abs(weigh(yes) - half);
      if (!best || off < best.off - 1e-9) best = { ask, yes, no, off };
    }
    return best ? { ask: best.ask, yes: treeOf(best.yes), no: treeOf(best.no) } : { found: left };
  }
}
