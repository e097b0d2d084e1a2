import * as Comlink from 'comlink';
import { quickly, subjectOf, type Assessment, type Context } from '@/core/assess';
import type { Goods } from '@/core/model/catalogue';
import type { Machine } from '@/core/model/machine';
import { goodsOf } from '@/core/model/needed';
import { elsewhereTrials } from '@/core/versus/elsewhere';
import type { Brief } from '@/core/model/brief';
import type { Part } from '@/core/parts';

import { causesOf } from '@/core/prove/causes';
import { failuresOf } from '@/core/prove/failures';
import { candidateTrials, type Candidate, type Position } from '@/core/search/candidates';
import { candidateLine } from '@/core/words/candidateLine';
import { coinTrials, type Step } from '@/core/search/coinSteps';
import { largestTrials } from '@/core/search/largest';
import { memoryTrials } from '@/core/search/memorySheet';
import { operatingPoints } from '@/core/search/operatingPoints';
import { futureTrials } from '@/core/upgrade/future';
import { ladderTrials } from '@/core/upgrade/ladder';
import { couldUseTrials } from '@/core/upgrade/givenOn';
import { measureFirstTrials } from '@/core/upgrade/measureFirst';
import { firstUpgradeTrials } from '@/core/upgrade/firstUpgrade';
import { mendedTrials } from '@/core/upgrade/mended';
import { plannedTrials } from '@/core/upgrade/planned';
import { turnTrials } from '@/core/search/turning';
import { remedyTrials } from '@/core/search/remedies';
import type { Trials } from '@/core/assess/trials';
import type { WorkerApi } from './api';
import { lately } from '@/core/units/lately';
import { load, ready } from './loaded';
import { inSlices } from './slices';

/** The last few machines and briefs that came over, by what they say: a message makes new objects of the same ones. */
const KEPT = 8;
const came = lately<object>(KEPT);
// what says the same is of the same type
const same = <T extends object>(sent: T): T => came(JSON.stringify(sent), () => sent) as T;

const assessedNow = (machine: Machine, brief: Brief): Assessment => subjectOf(brief, ready()).assess(machine);

const goodsFor = (parts: readonly Part[], brief: Brief): Goods => goodsOf(parts, ready().catalogue, brief.region);
/** Steps up and savings that the page shows. */
const SHOWN = 6;

const newest = new Map<string, object>();

/** Runs a search; a newer question of the same topic ends it, because nobody waits for the older answer. */
async function newestOf<T>(topic: string, trials: Trials<T>): Promise<T> {
  const me = {};
  newest.set(topic, me);
  const came = await inSlices(trials, { stopped: () => newest.get(topic) !== me });
  if (!came.done) throw new Error('a newer question took the place of this one');
  return came.value;
}

interface Ranking {
  readonly machine: Machine;
  readonly brief: Brief;
  readonly position: string;
  readonly context: Context;
  readonly list: Promise<readonly Candidate[]>;
}

/** Rankings that are looked at, the newest last: their rows are explained as they come into sight. */
const rankings: Ranking[] = [];
const MOST_RANKINGS = 4;

function rankedFor(sentMachine: Machine, sentBrief: Brief, position: Position): Promise<readonly Candidate[]> {
  const [machine, brief, context] = [same(sentMachine), same(sentBrief), ready()];
  const key = JSON.stringify(position);
  const known = rankings.find(
    (entry) =>
      entry.machine === machine && entry.brief === brief && entry.position === key && entry.context === context,
  );
  if (known) return known.list;
  const list = newestOf('candidates', candidateTrials(machine, brief, position, context));
  const ranking = { machine, brief, position: key, context, list };
  rankings.push(ranking);
  if (rankings.length > MOST_RANKINGS) rankings.shift();
  // one that came to nothing is ranked again when it is asked for again
  list.catch(() => {
    const at = rankings.indexOf(ranking);
    if (at >= 0) rankings.splice(at, 1);
  });
  return list;
}

const api: WorkerApi = {
  load,
  candidates: async (machine, brief, position) => (await rankedFor(machine, brief, position)).map(candidateLine),
  explained: async (machine, brief, position, parts) => {
    const ranked = new Map(
      (await rankedFor(machine, brief, position)).map((entry) => [entry.part.id as string, entry]),
    );
    return parts.flatMap((id) => {
      const candidate = ranked.get(id);
      return candidate ? [{ ...candidate, goods: goodsFor([candidate.part], brief) }] : [];
    });
  },
  memorySheet: async (machine, brief, position) => {
    const { rows, fits, paysUpTo } = await newestOf(
      'memory sheet',
      memoryTrials(same(machine), same(brief), position, ready()),
    );
    return {
      rows,
      goods: goodsFor(
        rows.map(({ candidate }) => candidate.part),
        brief,
      ),
      fits,
      paysUpTo: paysUpTo?.candidate.part.id,
    };
  },
  remedies: async (sentMachine, sentBrief, key) => {
    const [machine, brief] = [same(sentMachine), same(sentBrief)];
    const before = assessedNow(machine, brief);
    const finding = before.findings.find((candidate) => candidate.key === key);
    if (!finding) return [];
    const found = await newestOf(`remedies ${key}`, remedyTrials(machine, brief, finding, ready(), 3, before));
    return found.map((remedy) => ({ ...remedy, goods: goodsFor(remedy.part ? [remedy.part] : [], brief) }));
  },
  turns: async (sentMachine, sentBrief, key) => {
    const [machine, brief] = [same(sentMachine), same(sentBrief)];
    const before = assessedNow(machine, brief);
    const finding = before.findings.find((candidate) => candidate.key === key);
    return finding ? newestOf(`turns ${key}`, turnTrials(machine, brief, finding, ready(), before)) : [];
  },
  largest: (machine, brief, task) => newestOf(`largest ${task}`, largestTrials(machine, brief, task, ready())),
  elsewhere: (machine, brief, region) => newestOf('elsewhere', elsewhereTrials(machine, brief, region, ready())),
  operatingPoints: async (sentMachine, sentBrief) => {
    const [machine, brief] = [same(sentMachine), same(sentBrief)];
    return operatingPoints(machine, brief, ready(), assessedNow(machine, brief));
  },
  coinSteps: async (machine, brief) => {
    const { up, savings, ...rest } = await newestOf(
      'coin steps',
      coinTrials(same(machine), same(brief), ready(), { mostSavings: SHOWN }),
    );
    const row = (step: Step) => ({ ...step, goods: goodsFor([step.part], brief) });
    return { up: up.slice(0, SHOWN).map(row), savings: savings.map(row), ...rest };
  },
  future: (sentMachine, sentBrief) => {
    const [machine, brief] = [same(sentMachine), same(sentBrief)];
    return newestOf(`future ${machine.id}`, futureTrials(machine, brief, ready(), assessedNow(machine, brief)));
  },
  ladder: (present, draft, brief) => {
    const subject = subjectOf(same(brief), quickly(ready()));
    const [from, to] = [subject.assess(same(present)), subject.assess(same(draft))];
    return newestOf(
      'ladder',
      ladderTrials(from, to, (machine) => subject.assess(machine)),
    );
  },
  planned: (machine, brief, years, present) =>
    newestOf(
      `planned ${machine.id}`,
      plannedTrials(same(machine), same(brief), ready(), present && same(present), years),
    ),
  thenMended: async (machine, sentBrief, task, times) => {
    const brief = same(sentBrief);
    const step = await newestOf('then mended', mendedTrials(same(machine), brief, task, times, ready()));
    return step && { ...step, goods: goodsFor([step.part], brief) };
  },
  couldUse: (machine, items, seats) => {
    const { catalogue } = ready();
    const leaving = machine.items.flatMap((item) => {
      const part = items.includes(item.id) ? catalogue.part(item.part) : undefined;
      return part ? [{ item, part }] : [];
    });
    return newestOf('could use', couldUseTrials(leaving, seats, ready()));
  },
  firstUpgrade: (machine, brief) => newestOf('first upgrade', firstUpgradeTrials(same(machine), same(brief), ready())),
  causes: (machine, brief) => Promise.resolve(causesOf(assessedNow(same(machine), same(brief)))),
  failures: (machine, brief) => Promise.resolve(failuresOf(assessedNow(same(machine), same(brief)))),
  measureFirst: (present, draft, brief) =>
    newestOf('measure first', measureFirstTrials(same(present), same(draft), same(brief), ready())),
};

Comlink.expose(api);
