import { quickly, subjectOf, type Context } from '@/core/assess';
import { finish } from '@/core/assess/trials';
import { ratioOf, type Currency } from '@/core/units/money';
import type { Question } from '@/core/search/exact/question';
import { searchable } from '@/core/search/exact/searchable';
import { leastProven, sharesAround, type TeamSeat } from '@/core/search/exact/team';
import { teamPoints, type TeamKnown } from '@/core/search/exact/teamSearch';
import { sparesTrials } from '@/core/search/spares';
import { boughtTogether } from '@/core/versus/boughtTogether';
import { coins, listed, percent } from '@/core/words/format';
import { madeOf } from '@/core/words/found';
import { shelfWords, sparesWords, stepWords, teamWords, togetherWords } from '@/core/words/team';
import { say } from './say';
import { effortWords, stepped, type How } from './searching';

/** A case of a team, with what is set for it. */
export interface TeamCase {
  readonly id: string;
  readonly name: string;
  readonly question: Question;
  readonly context: Context;
  readonly importance: number;
  readonly atLeastMinor: number;
}

/** One budget over the machines of several cases. Exit codes are those of `vane find`; 1 when it buys not all of them one. */
export async function teamCommand(
  cases: readonly TeamCase[],
  budgetMinor: number,
  stepMinor: number,
  currency: Currency,
  { nodes, json }: How,
): Promise<number> {
  const asked = cases.map(({ id, question, context }) => ({ id, asked: searchable(question, context) }));
  const end = await stepped(teamPoints(asked, budgetMinor + stepMinor), nodes);
  const known: TeamKnown = end.done ? end.answer : end.last;
  const seats: TeamSeat[] = cases.map(({ id, importance, atLeastMinor }, i) => ({
    id,
    importance,
    atLeastMinor,
    points: known.seats[i]?.points ?? [],
  }));
  const sharing = sharesAround(seats, budgetMinor, stepMinor);
  const state = !end.done ? 'stopped' : sharing.kind === 'shared' ? 'proven' : 'impossible';
  const gets =
    sharing.kind === 'shared'
      ? sharing.shares.seats.flatMap(({ id, point }, i) => {
          const [found, each] = [known.seats[i]?.points[point], cases[i]];
          return found && each
            ? [{ id, brief: each.question.brief, machine: found.machine, context: quickly(each.context) }]
            : [];
        })
      : [];
  const together =
    gets.length > 0
      ? boughtTogether(gets.map(({ brief, machine, context }) => subjectOf(brief, context).assess(machine)))
      : undefined;
  const shelves = end.done && gets.length > 1 ? finish(sparesTrials(gets)) : undefined;
  const nameOf = (id: string): string => cases.find((each) => each.id === id)?.name ?? id;
  if (json)
    say(
      JSON.stringify(
        {
          format: 'vane-team',
          version: 1,
          state,
          budgetMinor,
          stepMinor,
          ...(sharing.kind === 'shared'
            ? {
                spentMinor: sharing.shares.spentMinor,
                oneBasketMinor: together?.togetherMinor,
                spares: shelves?.map(({ kind, spares, costMinor, eachMinor, without }) => ({
                  kind,
                  costMinor,
                  eachMinor,
                  spares: spares.map(({ part, priceMinor, standsFor }) => ({
                    part: part.id,
                    priceMinor,
                    standsFor: standsFor.map(({ machine, item }) => ({ seat: gets[machine]?.id, item })),
                  })),
                  without: without.map(({ machine, item }) => ({ seat: gets[machine]?.id, item })),
                })),
                seats: sharing.shares.seats.map(({ id, point, more, less }, i) => {
                  const points = known.seats[i]?.points ?? [];
                  const [now, then, below] = [point, more, less].map((at) =>
                    at === undefined ? undefined : points[at],
                  );
                  return {
                    id,
                    name: nameOf(id),
                    priceMinor: now?.priceMinor,
                    rank: now?.rank,
                    moreMinor: then?.priceMinor,
                    lessMinor: below?.priceMinor,
                    machine: now?.machine,
                  };
                }),
              }
            : { ...sharing, ...(sharing.kind === 'too little' ? { leastProven: leastProven(known.seats) } : {}) }),
          effort: known.effort,
        },
        null,
        1,
      ),
    );
  else {
    for (const line of teamWords(sharing, budgetMinor, currency, nameOf, leastProven(known.seats))) say(line);
    if (sharing.kind === 'shared') {
      sharing.shares.seats.forEach(({ id, point }, i) => {
        const found = known.seats[i]?.points[point];
        if (!found) return;
        say(
          `  ${nameOf(id)}: ${coins(found.priceMinor, currency)}, ${percent(ratioOf(found.priceMinor, budgetMinor))} of it; ${percent(found.rank.percent / 100)} of what is asked`,
        );
        say(`    ${madeOf(found.machine)}`);
      });
      if (together && cases.length > 1) say(togetherWords(together, currency));
      if (shelves) {
        say(sparesWords(shelves, currency));
        for (const shelf of shelves) {
          const { kind, spares, lacks } = shelfWords(shelf, (machine) => nameOf(gets[machine]?.id ?? ''));
          for (const { name, seats, priceMinor } of spares)
            say(`  ${name} (${kind}), ${coins(priceMinor, currency)}: ${listed(seats)}`);
          if (lacks !== undefined) say(`  ! ${kind}: ${lacks}`);
        }
      }
      for (const line of stepWords(sharing.shares, known.seats, stepMinor, currency, nameOf)) say(line);
    }
    say(`${end.done ? 'Proven' : 'Stopped: shared out over what was found so far'}. ${effortWords(known.effort)}`);
  }
  return !end.done ? 3 : sharing.kind === 'shared' ? 0 : 1;
}
