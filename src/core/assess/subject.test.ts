import { describe, expect, test } from 'vitest';
import { demoCatalogue } from '@/demo/catalogue';
import { demoSeats } from '@/demo/ninefathom';
import { compileCatalogue } from '../model/catalogue';
import { catalogueSchema } from '../model/catalogueSchema';
import { editMachine, type MachineEdit } from '../model/edits';
import { fullName } from '../model/fitted';
import type { PartKind } from '../parts';
import { cardPurpose } from '../parts/purposes';
import { rules } from '../rules';
import { numbers, told, walk } from '../tests/walk';
import { assess, contextOf, freshSubject, quickly, subjectOf } from '.';
import { keeper } from './keep';
import { viewOf } from './view';

const catalogue = compileCatalogue(catalogueSchema.parse(demoCatalogue()));
const context = contextOf(catalogue, '2026-05-18');
const seats = demoSeats();
const [seat] = seats;
const draft = seat?.drafts[1];
if (!seat || !draft) throw new RangeError('the demo has no second draft');

describe('a subject says what a plain assessment says', () => {
  // some 300 machines: forty steps away from a draft of each seat, and the same way back
  test.each(seats.map((seat, i) => [seat.brief.name, seat, i] as const))('%s', (_, { brief, drafts }, seed) => {
    const subject = freshSubject(brief, quickly(context));
    const next = numbers(seed + 1);
    for (const draft of drafts.slice(0, 2)) {
      const way = [draft, ...walk(draft, catalogue, next, 10)];
      for (const machine of [...way, ...way.toReversed().slice(1, 10)])
        expect(told(subject.assess(machine))).toEqual(told(assess(machine, brief, quickly(context))));
    }
  });

  test('also of the best basket, and of what measurements taught', () => {
    const [film] = seats;
    if (!film) throw new RangeError('the demo has no seat');
    const measured = contextOf(catalogue, '2026-05-18', undefined, film.drafts);
    const subject = freshSubject(film.brief, measured);
    for (const draft of film.drafts)
      for (const machine of [draft, ...walk(draft, catalogue, numbers(7), 3)])
        expect(told(subject.assess(machine))).toEqual(told(assess(machine, film.brief, measured)));
  });

  test('another brief, another day or another setting is another subject', () => {
    const [film] = seats;
    if (!film) throw new RangeError('the demo has no seat');
    const { brief } = film;
    expect(subjectOf(brief, context)).toBe(subjectOf(brief, context));
    expect(subjectOf({ ...brief }, context)).not.toBe(subjectOf(brief, context));
    expect(subjectOf(brief, quickly(context))).not.toBe(subjectOf(brief, context));
  });
});

describe('a stage runs only when something that it reads has changed', () => {
  const other = (kind: PartKind, differs: (part: unknown) => boolean = () => true): MachineEdit => {
    const item = draft.items.find(({ part }) => catalogue.part(part)?.kind === kind);
    const part = catalogue.ofKind(kind).find((part) => part.id !== item?.part && differs(part));
    if (!item || !part) throw new RangeError(`the draft has no ${kind} to change`);
    return { kind: 'swap', item: item.id, part: part.id, label: fullName(part) };
  };
  const chain = [
    'memory', 'facts', 'supply', 'runners', 'heat', 'power', 'scene', 'price', 'placement',
  ]; // prettier-ignore
  const ran = (edit: MachineEdit): string[] => {
    const subject = freshSubject(seat.brief, quickly(context));
    subject.assess(draft);
    const before = new Map(subject.runs);
    subject.assess(editMachine(draft, edit));
    return chain.filter((stage) => subject.runs.get(stage) !== before.get(stage));
  };
  test.each<[string, MachineEdit, string[]]>([
    ['another name', { kind: 'rename', name: 'Another' }, []],
    [
      'a part that is owned',
      { kind: 'own', item: draft.items[0]?.id ?? '', owned: true },
      ['memory', 'facts', 'supply', 'runners', 'heat', 'power', 'scene', 'price'],
    ],
    // its networks have the same names, and trades ask for nothing else of it
    ['another board', other('board'), ['memory', 'supply', 'runners', 'heat', 'power', 'scene', 'price', 'placement']],
    ['another card', other('graphics'), ['facts', 'supply', 'runners', 'heat', 'power', 'scene', 'price', 'placement']],
    ['another case', other('case'), ['heat', 'power', 'scene', 'price']],
    ['another supply', other('supply'), ['heat', 'power', 'scene', 'price']],
    ['another system', other('system'), ['price']],
    ['another drive', other('drive'), ['supply', 'runners', 'heat', 'power', 'scene', 'price', 'placement']],
    ['another kit', other('memory'), ['memory', 'facts', 'supply', 'runners', 'heat', 'power', 'scene', 'price']],
    ['other power for the package', { kind: 'tune', tuning: { packageW: 70 } }, ['heat', 'power']],
  ])('%s', (_, edit, stages) => {
    expect(ran(edit).sort()).toEqual(stages.sort());
  });

  test('another network card changes rates and no task', () => {
    const sonar = seats.find(({ brief }) => brief.tasks.some(({ kind }) => kind === 'ingest'));
    const [machine] = sonar?.drafts ?? [];
    const card = machine?.items.find(({ part }) => {
      const its = catalogue.part(part);
      return its?.kind === 'expansion' && cardPurpose(its) === 'network';
    });
    const others = catalogue.ofKind('expansion').filter((part) => cardPurpose(part) === 'network');
    const other = others.find(({ id }) => id !== card?.part);
    if (!sonar || !machine || !card || !other) throw new RangeError('the demo has no network card to change');
    const subject = freshSubject(sonar.brief, quickly(context));
    subject.assess(machine);
    const before = new Map(subject.runs);
    subject.assess(editMachine(machine, { kind: 'swap', item: card.id, part: other.id, label: fullName(other) }));
    const again = (stage: string) => (subject.runs.get(stage) ?? 0) - (before.get(stage) ?? 0);
    expect(['supply', 'runners'].map(again)).toEqual([1, 1]);
    expect(['facts', ...sonar.brief.tasks.map(({ id }) => `task ${id}`)].filter((stage) => again(stage) > 0)).toEqual(
      [],
    );
    expect(before.get(`task ${sonar.brief.tasks[0]?.id ?? ''}`)).toBeGreaterThan(0);
  });

  test('a rule runs when its part changes, and the others stay', () => {
    const subject = freshSubject(seat.brief, quickly(context));
    const first = subject.assess(draft);
    const second = subject.assess(editMachine(draft, other('system')));
    const again = rules.filter(({ id }) => (subject.runs.get(`rule ${id}`) ?? 0) > 1);
    const expected = rules.filter(({ reads }) => reads.some((what) => ['system', 'any part', 'price'].includes(what)));
    expect(again).toEqual(expected);
    expect(again.length).toBeLessThan(rules.length / 2);
    expect(second.facts.heat).toBe(first.facts.heat);
    expect(second.tasks).toEqual(first.tasks);
  });

  test('going back and forth between two machines runs nothing again', () => {
    const subject = freshSubject(seat.brief, quickly(context));
    const changed = editMachine(draft, other('graphics'));
    subject.assess(draft);
    subject.assess(changed);
    const runs = new Map(subject.runs);
    for (let i = 0; i < 3; i++) {
      subject.assess(draft);
      subject.assess(changed);
    }
    expect(subject.runs).toEqual(runs);
  });
});

describe('what is kept', () => {
  test('is the last few results by their arguments, the one used longest ago goes first', () => {
    const { keep, runs } = keeper(2);
    const double = (n: number) => n * 2;
    const ask = (n: number) => keep('double', [n], double);
    expect([1, 2, 1, 3, 1, 2].map(ask)).toEqual([2, 4, 2, 6, 2, 4]);
    // 1, 2 and 3 anew; 2 had gone when 3 came
    expect(runs.get('double')).toBe(4);
  });

  test('an unknown figure is the same as itself, and a throw leaves what is known', () => {
    const { keep, runs } = keeper();
    keep('is', [NaN], (x) => x);
    keep('is', [NaN], (x) => x);
    expect(runs.get('is')).toBe(1);
    expect(() =>
      keep('is', [1], (x) => {
        throw new RangeError(`no ${x}`);
      }),
    ).toThrow('no 1');
    keep('is', [NaN], (x) => x);
    expect(runs.get('is')).toBe(1);
  });

  test('a view gives no other part than it says', () => {
    const { parts } = assess(draft, seat.brief, context).facts;
    const wired = viewOf(parts, 'wired');
    expect(wired.one('processor')).toBe(parts.one('processor'));
    expect(() => wired.ofKind('case')).toThrow('"case"');
    expect(wired.all.some(({ part }) => part.kind === 'case')).toBe(false);
  });
});

describe('answers before the whole', () => {
  test.each(seats.slice(0, 4).map((one, i) => [one.brief.name, one, i] as const))(
    '%s: what rules say by themselves stands in the assessment, and nothing is predicted for it',
    (_, { brief, drafts: [first] }, seed) => {
      if (!first) return;
      for (const machine of [first, ...walk(first, catalogue, numbers(seed + 40), 12)]) {
        const subject = freshSubject(brief, quickly(context));
        const early = subject.screen(machine);
        expect(subject.runs.has('heat')).toBe(false);
        expect(subject.runs.has('supply')).toBe(false);
        const { findings } = assess(machine, brief, quickly(context));
        for (const finding of early) expect(findings).toContainEqual(finding);
        for (const { rule } of findings)
          expect(subject.findingsOf(rule, machine)).toEqual(
            expect.arrayContaining(findings.filter((one) => one.rule === rule)),
          );
      }
    },
  );

  test('a rule about parts works nothing else out; one about heat works out the heat', () => {
    const subject = freshSubject(seat.brief, quickly(context));
    expect(subject.findingsOf('socket', draft)).toEqual([]);
    expect([...subject.runs.keys()]).toEqual(['rule socket']);
    subject.findingsOf('cooler-load', draft);
    expect(subject.runs.get('heat')).toBe(1);
    expect(subject.runs.has('scene')).toBe(false);
    expect(subject.findingsOf('no such rule', draft)).toEqual([]);
  });
});
