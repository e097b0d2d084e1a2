import { describe, expect, test } from 'vitest';
import { TODAY } from '../tests/shops';
import { briefOf, BUSY } from '../tests/world';
import type { Course } from '../upgrade/course';
import type { PhaseRow, Planned } from '../upgrade/planned';
import { commandFor, measureFirstWords, toMeasureWords } from './measureFirst';
import {
  announcedWords,
  boughtWords,
  creditsWords,
  fallsWords,
  openCourseWords,
  overtakingWords,
  planMadeOf,
  planWords,
  renewalWords,
  successionWords,
} from './plan';

const course = (change: Partial<Course> = {}): Course => ({
  days: ['2027-05-18', '2028-05-18'],
  costMinor: [1_000_00, 900_00],
  byLine: { purchase: 1_200_00, resale: 0, energy: 0, waiting: 0, held: -300_00 },
  totalMinor: 900_00,
  waitingHours: 0,
  open: [],
  ...change,
});
const phase = (id: string, change: Partial<PhaseRow> = {}): PhaseRow =>
  ({ id, name: id === 'now' ? undefined : `Phase ${id}`, on: undefined, bought: [], leaving: [], ...change }) as never;
const planned = (change: Partial<Planned> = {}): Planned => ({
  phases: [phase('now')],
  course: course(),
  short: [],
  years: 2,
  ...change,
});

describe('a plan in words', () => {
  test('says what it costs, and what that is made of', () => {
    expect(planWords(planned(), 'Draft A', 'USD')).toBe('Draft A, bought at once, costs 900.00 USD over 2 years.');
    expect(planMadeOf(planned(), 'USD')).toBe('1,200.00 USD is bought and 300.00 USD on 2028-05-18.');
    const more = course({
      byLine: { purchase: 1_200_00, resale: -50_00, energy: 20_00, waiting: 380_00, held: -300_00 },
      waitingHours: 10,
      open: [{ code: 'price-unknown', names: ['now'] }],
    });
    const two = planned({ course: more, phases: [phase('now'), phase('a')], years: 1 });
    expect(planWords(two, 'B', 'USD')).toBe('B, in 2 phases, costs at least 900.00 USD over a year.');
    expect(planMadeOf(two, 'USD')).toBe(
      '1,200.00 USD is bought, 20.00 USD is energy, 380.00 USD is waiting, 50.00 USD comes back on the way and 300.00 USD on 2028-05-18. Somebody waits 10 h until then.',
    );
  });

  test.each([
    [{ code: 'undated', names: ['A'] }, '“A” has no day yet: give it one, and what it costs is counted.'],
    [
      { code: 'undated', names: ['A', 'B'] },
      '“A” and “B” have no day yet: give each one, and what they cost is counted.',
    ],
    [
      { code: 'price-unknown', names: ['now', 'A'] },
      'Something in the machine of now and “A” has no price, or lacks what is wanted, so this is a lower bound.',
    ],
    [{ code: 'no-hour-value' }, 'Waiting is told in hours: the brief does not say what one is worth.'],
    [{ code: 'not-predicted', tasks: ['Cut'] }, 'Not counted, as it is not predicted: “Cut”.'],
  ] as const)('what is open: %o', (open, words) => expect(openCourseWords(open)).toBe(words));

  test('says which of two is cheaper, and from when on', () => {
    const both = [course(), course({ totalMinor: 1_000_00 })] as const;
    const words = (turns: Parameters<typeof overtakingWords>[2]) => overtakingWords(['A', 'B'], both, turns, 'USD');
    expect(words([])).toBe('A and B cost the same throughout.');
    expect(words([{ on: '2026-06-18', cheaper: 'first' }])).toBe(
      'A costs less whenever it ends; 100.00 USD less at the end.',
    );
    expect(
      words([
        { on: '2026-06-18', cheaper: 'second' },
        { on: '2027-06-18', cheaper: 'first' },
      ]),
    ).toBe('If it ended at once, B would have cost less; from 2027-06-18 on A. At the end A costs 100.00 USD less.');
  });

  test('names what falls short, how much there is to do by then, and the phase that mends it', () => {
    const brief = briefOf({ brief: BUSY });
    const falls = {
      task: 'export',
      from: '2028-02-18',
      until: '2028-05-18',
      binds: 'cpu.parallel',
      times: 1.7,
      phase: 'now',
    };
    expect(fallsWords(falls, brief, [phase('now'), phase('a', { on: '2028-05-18' })], TODAY)).toBe(
      '“Export” falls short from 2028-02-18 with 1.7 × the length of a programme on the machine of now, until “Phase a” on 2028-05-18; what is too small is all processor cores.',
    );
    const start = { ...falls, from: TODAY, until: undefined, binds: undefined, times: 1, phase: 'a' };
    expect(fallsWords(start, brief, [phase('now'), phase('a')], TODAY)).toBe(
      '“Export” falls short from the start on “Phase a”.',
    );
  });

  test('names what is bought and what leaves, and counts what is too much to name', () => {
    const items = (count: number) =>
      Array.from({ length: count }, (_, i) => ({ id: `${i}`, label: `Part ${i}` }) as never);
    expect(boughtWords({ bought: items(2), leaving: items(1) })).toBe('Part 0 and Part 1; Part 0 leaves');
    expect(boughtWords({ bought: items(9), leaving: [] })).toBe('9 parts');
    expect(boughtWords({ bought: [], leaving: items(5) })).toBe('nothing bought; 5 parts leave');
  });
});

describe('buying now or later in words', () => {
  test('tells a succession beside what prices do anyway', () => {
    const change = { low: -0.2, likely: -0.1, high: 0.01, cases: 3, successions: 1, otherwise: 0 };
    expect(successionWords(change, 'processor', false)).toBe(
      'Their price: −10 % (−20 % to +1 %) from 30 days before a maker’s next processor was sold to 60 days after, in 3 cases at 1 succession; over as many days in which nothing new came it was 0 %.',
    );
  });

  test('counts what is waited for until what is announced comes', () => {
    const part = { maker: 'Halcyte', name: 'Tern 18', onSale: '2026-06-01' };
    expect(announcedWords(part, TODAY, 3.5)).toBe(
      'Halcyte Tern 18 is announced for 2026-06-01, in 14 days; until then 7 h more are waited for.',
    );
    expect(announcedWords({ maker: 'Halcyte', name: 'Tern 18' }, TODAY, 3.5)).toBe(
      'Halcyte Tern 18 is announced, nobody says for when.',
    );
  });

  test('says whether a year or a packet pays', () => {
    expect(renewalWords({ gainMinor: 35_00, lostMinor: 30_00, paysUpToMinor: 335_00 }, 'USD')).toBe(
      'Renewing now gains 35.00 USD, 30.00 USD of days lost; it pays up to 335.00 USD.',
    );
    expect(renewalWords({ gainMinor: -1_00, lostMinor: 0, paysUpToMinor: 0 }, 'USD')).toBe(
      'Renewing now loses 1.00 USD; it pays at no price.',
    );
    expect(creditsWords({ used: 90, lapsed: 10, gainMinor: 10_00, paysFromAMonth: 8 }, 'USD')).toBe(
      '90 are used and 10 lapse: the packet gains 10.00 USD; it pays from 8 a month on.',
    );
  });
});

describe('what to measure in words', () => {
  const encode = {
    work: 'encode',
    width: 1920,
    height: 1080,
    threads: 1,
    target: { codec: 'hevc', preset: 'medium', chroma: '4:2:0' },
  } as const;

  test('names the run, and the line to type for it', () => {
    expect(toMeasureWords({ workload: encode, drive: undefined })).toBe('encoding HEVC medium on one thread');
    expect(commandFor(encode)).toContain('-c:v libx265 -preset medium -threads 1');
    expect(commandFor({ ...encode, target: { ...encode.target, codec: 'av1' } })).toBeUndefined();
    expect(commandFor({ work: 'drive', direction: 'write', access: 'sequential' })).toContain('--rw=write');
    expect(commandFor({ work: 'sensor', sensor: 'x' })).toBeUndefined();
  });

  test('says by how much the doubt becomes narrower', () => {
    const first = [
      { workload: encode, drive: undefined, expected: { low: 1, likely: 2, high: 3 }, unit: 'fps', narrows: 0.5 },
    ] as const;
    expect(measureFirstWords({ doubt: { of: 'hours', width: 2 }, first, left: 1, tried: 3 })).toBe(
      'Measure encoding HEVC medium on one thread on the machine that is there: the doubt about the hours that are saved becomes 50 % narrower, 2 to 1 h a week.',
    );
    expect(measureFirstWords({ doubt: { of: 'tasks', width: 2 }, first: [], left: 2, tried: 3 })).toMatch(
      /^None of the short/,
    );
  });
});
