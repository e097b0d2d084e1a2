import type { Effort } from './ended';
import { judge, noteDecisive, type FoundMachine, type Judged } from './judge';
import type { Option } from './option';
import type { Space } from './position';
import { compareRanks, type Rank } from './rank';
import type { Searchable } from './searchable';
import { machineOf } from './space';

/** A whole machine by its parts, and by which of them are there already: those cost nothing. */
const wholeKey = (options: readonly Option[]): string =>
  options.map(({ partsId, items }) => `${partsId}${items.map(({ owned }) => (owned ? '=' : '')).join('')}`).join(' ');

/** Whole machines of a space as they are judged, with what that took. */
export interface Wholes {
  readonly took: () => Omit<Effort, 'nodes'>;
  /** The machine as it stands; nothing where it does not, ranks too low, or is proven to cost more than is still wanted. */
  readonly judge: (options: readonly Option[], limit: number) => FoundMachine | undefined;
}

/** Judges whole machines that have to rank at least like `floor`; what was judged for the same question is known. */
export function wholesOf(asked: Searchable, space: Space, floor: Rank): Wholes {
  const { question } = asked;
  let assessed = 0;
  let baskets = 0;
  let openBaskets = 0;
  return {
    took: () => ({ assessed, baskets, openBaskets }),
    judge: (options, limit) => {
      const alike = options.map(asked.ranksBy).join(' ');
      const known = asked.ranks.get(alike);
      if (known && compareRanks(known, floor) > 0) return undefined;
      const key = wholeKey(options);
      if (isDear(options, key, limit)) return undefined;
      const judged = judgedOf(options, key);
      if (judged.kind !== 'found') return undefined;
      asked.ranks.set(alike, judged.found.rank);
      return judged.found;
    },
  };

  /** Whether a whole machine that is not judged yet costs more than is still wanted. */
  function isDear(options: readonly Option[], key: string, limit: number): boolean {
    if (limit === Infinity || asked.judged.has(key)) return false;
    if ((asked.dearer.get(key) ?? -Infinity) >= limit) return true;
    const dear = asked.comesToMore(machineOf(space, question, options), limit);
    if (dear) asked.dearer.set(key, limit);
    return dear;
  }

  function noteRefusal(judged: Judged): void {
    if (judged.kind !== 'refused') return;
    noteDecisive(asked.decisive, judged.short ?? []);
    for (const rule of judged.rules ?? []) asked.refusing.add(rule);
  }

  function judgedOf(options: readonly Option[], key: string): Judged {
    const known = asked.judged.get(key);
    if (known) {
      // it may have been judged for a question about the same machines
      noteRefusal(known);
      return known;
    }
    assessed++;
    const judged = judge(asked.subject.assess(machineOf(space, question, options)), question);
    noteRefusal(judged);
    if (judged.kind !== 'refused') baskets++;
    if (judged.kind === 'found') {
      if (!judged.proven) openBaskets++;
      asked.found.push(judged.found);
    }
    asked.judged.set(key, judged);
    return judged;
  }
}
