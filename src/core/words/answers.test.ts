import { describe, expect, test } from 'vitest';
import { assessed, briefOf, DESK, EXPORT, PLAY, without } from '../tests/world';
import { briefAnswer, bestFirst, costText, doesText, draftAnswer, rivalAnswer, weighAnswer } from './answers';
import { draftNews, glanceOf, newsLine, partsTold, workTold } from './glance';
import { needsLook } from './needsLook';
import { unusualTerms } from './terms';

const sitting = (...tasks: string[]) => [{ id: 'work', name: 'Work', hoursPerWeek: 10, tasks }];
const both = { brief: { tasks: [PLAY, DESK], sittings: sitting('play', 'desk') } };
const desk = { brief: { tasks: [DESK], sittings: sitting('desk') } };
const empty = () => assessed({ items: () => [] });
const named = (name: string, change: object = {}) => assessed({ ...both, ...change, machine: { name } });

describe('what a station says first', () => {
  test('counts the tasks that are done for certain', () => {
    expect(doesText({ tasks: [] })).toBe('has no work yet');
    const all = assessed(desk);
    expect(all.tasks.map(({ verdict }) => verdict)).toEqual(['carries']);
    expect(doesText(all)).toBe('does its task');
    const none = { tasks: all.tasks.map((result) => ({ ...result, verdict: 'between' as const })) };
    expect(doesText(none)).toBe('does none of one task');
    expect(doesText({ tasks: [...all.tasks, ...none.tasks] })).toBe('does one of two tasks');
    expect(doesText({ tasks: [...all.tasks, ...all.tasks] })).toBe('does all two tasks');
  });

  test('an empty draft, and an empty brief, are told as such', () => {
    expect(draftAnswer(empty())).toBe('Nothing is in this draft yet');
    expect(weighAnswer([empty()])).toBe('No draft has a part yet');
    expect(briefAnswer([empty()])).toBe('No machine is drafted for this work yet');
    expect(briefAnswer([])).toBe('No work is described yet');
    expect(workTold({ tasks: [] })).toBeUndefined();
  });

  test('parts that block are named before what the work says', () => {
    const broken = assessed({ ...desk, items: without('psu-1') });
    expect(partsTold(broken).verdict).toBe('short');
    expect(draftAnswer(broken)).toMatch(/; of its parts \d+ (is|are) to be changed$/);
    expect(needsLook(glanceOf(broken))).toBe(true);
    expect(needsLook(glanceOf(empty()))).toBe(false);
  });

  test('the best draft is the one that blocks nothing, does most, and then costs less', () => {
    const blocks = (assessment: ReturnType<typeof named>) =>
      assessment.findings.filter(({ level }) => level === 'blocks').length;
    const [dear, broken] = [named('Dear'), named('Broken', { items: without('psu-1') })];
    expect([blocks(dear), blocks(broken) > 0]).toEqual([0, true]);
    expect(bestFirst([broken, dear, empty()]).map(({ facts }) => facts.machine.name)).toEqual(['Dear', 'Broken']);
    expect(weighAnswer([broken, dear])).toMatch(/^“Dear” does .* for (at least )?[\d,.]+ USD and “Broken” /);
    expect(briefAnswer([broken, dear])).toMatch(/^“Dear” does /);
    expect(rivalAnswer(dear, broken, 'Maker One', undefined)).toMatch(
      /^“Dear” does .* for (at least )?[\d,.]+ USD; Maker One does .*, not sold here$/,
    );
    // what has no parts is not said to do its work for nothing
    const bare = assessed({ items: () => [], machine: { name: 'Bare' } });
    expect(rivalAnswer(bare, broken, 'Maker One', undefined)).toMatch(/^“Bare” has no parts yet; Maker One does /);
  });

  test('what is owned costs nothing and says so', () => {
    const owned = assessed({ items: (items) => items.map((item) => ({ ...item, owned: true })) });
    expect(costText(owned)).toBe('owned');
    expect(glanceOf(owned).owned).toBe(true);
  });

  test('a task that falls short is told with what it gets and needs', () => {
    const slow = assessed({ brief: { tasks: [{ ...EXPORT, targetMin: 0.01 }], sittings: sitting('export') } });
    expect(briefAnswer([slow])).toMatch(/; Export falls short: .+, need /);
    expect(workTold(slow)).toEqual({ verdict: 'short', text: 'work 0 of 1' });
  });
});

describe('news of a draft', () => {
  const glance = glanceOf(assessed(both));
  const before = { ...glance.standing, on: '2026-05-11' };
  test('is a price beyond the threshold, and findings that came or went', () => {
    expect(draftNews(before, glance, 2)).toEqual({ price: undefined, findings: undefined });
    const dearer = { ...glance, standing: { ...glance.standing, minor: Math.round(before.minor * 1.03) } };
    // 3 % more than before, above 2 and below 5
    expect(draftNews(before, dearer, 2).price).toMatch(/^\+[\d,.]+ USD \(\+3 %\), now /);
    expect(draftNews(before, dearer, 5).price).toBeUndefined();
    const worse = { ...glance, standing: { ...glance.standing, blocks: before.blocks + 2 } };
    expect(draftNews(before, worse, 2).findings).toBe(`to change ${before.blocks} → ${before.blocks + 2}`);
    // what was not kept then has not changed as far as anybody knows
    const { short: _unknown, ...older } = before;
    expect(draftNews(older, { ...glance, standing: { ...glance.standing, short: 4 } }, 2).findings).toBeUndefined();
  });
  test('is one line a seat', () => {
    const [price, findings] = [
      { price: '+1', findings: undefined },
      { price: undefined, findings: 'x' },
    ];
    expect(newsLine([], 0, 2)).toBeUndefined();
    expect(newsLine([price, price], 1, 2)).toBe('2 prices moved more than 2 % and one watch met');
    expect(newsLine([price, findings], 0, 2)).toBe('One price moved more than 2 % and one draft has other findings');
  });
});

test('terms are told where they differ from the usual', () => {
  const brief = { ...briefOf(), yearsOfService: 4, roomC: 24, mustHaves: {}, ownedDisplays: [] };
  expect(unusualTerms(brief, 'USD')).toEqual([]);
  expect(
    unusualTerms(
      {
        ...brief,
        yearsOfService: 6,
        neededBy: '2026-06-12',
        hourMinor: 45_00,
        mustHaves: { noiseDbA: 32, wireless: true },
      },
      'USD',
    ),
  ).toEqual(['by 2026-06-12', 'serves 6 years', 'wireless', 'at most 32 dB(A)', 'an hour of waiting costs 45.00 USD']);
});
