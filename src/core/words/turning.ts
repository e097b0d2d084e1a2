import type { Catalogue } from '../model/catalogue';
import { fullName } from '../model/fitted';
import { figureMeta } from '../parts';
import type { Turn } from '../search/turning';
import { listed, number } from './format';

/** At which value of a missing figure the verdict turns, as a sentence. */
export function turnWords(turn: Turn, catalogue: Pick<Catalogue, 'part'>): string {
  const part = catalogue.part(turn.figure.part);
  const meta = part && figureMeta(part.kind, turn.figure.field);
  const label = meta?.label ?? turn.figure.field;
  const unit = meta?.unit ? ` ${meta.unit}` : '';
  const whose = part ? `${fullName(part)}’s ${label}` : label;
  const usual = turn.usual
    ? `; the usual range of its kind is ${number(turn.usual[0])} to ${number(turn.usual[1])}${unit}`
    : '';
  switch (turn.kind) {
    case 'at-least':
      return `Holds${forWhom(turn)} if ${whose} is at least ${number(turn.value)}${unit}${usual}.${butNot(turn)}`;
    case 'at-most':
      return `Holds${forWhom(turn)} if ${whose} is at most ${number(turn.value)}${unit}${usual}.${butNot(turn)}`;
    case 'always':
      return `Holds${forWhom(turn)} whatever ${whose} is within reason${usual}.${butNot(turn)}`;
    case 'never':
      return `Does not hold, whatever ${whose} is within reason${usual}.`;
    case 'no-direction':
      return `Hangs on ${whose}, of which no value is simply better.`;
  }
}

type Turning = Extract<Turn, { readonly tasks: unknown }>;

/** Named only where the figure decides some of the tasks and not all. */
const forWhom = ({ tasks, without }: Turning): string =>
  without.length === 0 || tasks.length === 0 ? '' : ` for ${listed(tasks)}`;
const butNot = ({ without }: Turning): string =>
  without.length === 0 ? '' : ` ${listed(without)} may fall short whatever it is.`;
