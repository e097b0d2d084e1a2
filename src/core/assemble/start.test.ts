import { describe, expect, test } from 'vitest';
import { editMachine } from '../model/edits';
import { assessed, without, type Change } from '../tests/world';
import { askWords, benchWords, DARK, startSees, startTitle } from '../words/start';
import { darkOf, noPicture, type Dark, type Tree } from './noPicture';
import { progressOf } from './progress';
import { planOf } from './plan';
import { pictureOf, startOf } from './start';

const idsOf = (change: Change = {}): string[] =>
  startOf(assessed(change)).steps.map(({ id }) => id.replace('start ', ''));
const sees = (change: Change, id: string): string => {
  const assessment = assessed(change);
  const step = startOf(assessment).steps.find((each) => each.id === `start ${id}`);
  return step ? `${startTitle(step, assessment)} → ${startSees(step, assessment)}` : 'none';
};

describe('the first start', () => {
  test('of a machine of which nothing speaks for the bench', () => {
    const assessment = assessed();
    const plan = startOf(assessment);
    expect(plan.bench).toEqual([]);
    expect(benchWords(plan)).toContain('No bench test');
    expect(plan.steps.map(({ id }) => id.replace('start ', ''))).toEqual([
      'defaults',
      'profile',
      'memory test',
      'processor limit',
      'cooler curve',
      'case curve',
      'alone',
      'install',
      'drivers',
      'link card-1',
      'link ssd-1',
      ...plan.steps.flatMap(({ does }) => (does.do === 'format' ? [`format ${does.role}`] : [])),
    ]);
    // defaults before any setting, the system before the data drives are there again
    for (const step of plan.steps) {
      expect(startTitle(step, assessment)).not.toMatch(/undefined| {2}/);
      expect(startSees(step, assessment).length).toBeGreaterThan(2);
    }
  });

  test('values that must be seen are the machine’s own', () => {
    expect(sees({}, 'profile')).toBe('Switch the memory’s profile on → 5,600 MT/s');
    expect(sees({ machine: { memoryProfile: 'off' } }, 'profile')).toContain('as it is planned → 4,800 MT/s');
    // a board that goes no higher than 5200 of the profile’s 5600, and one that reads other profiles
    expect(sees({ parts: { board: { memoryRateMTs: 5200 } } }, 'profile')).toMatch(/by hand.*→ 5,200 MT\/s/);
    expect(sees({ parts: { board: { profileKinds: ['XP'] } } }, 'profile')).toMatch(/does not read.*→ 4,800 MT\/s/);
    expect(sees({}, 'link card-1')).toContain('16 lanes of generation 4 in Card slot 1');
    expect(sees({}, 'memory test')).toMatch(/0 errors in 64 GiB, after about \d+ min/);
    expect(sees({}, 'alone')).toContain('Ketterlode Test 8 TB not listed');
    expect(sees({ machine: { tuning: { packageW: 90 } } }, 'processor limit')).toContain('90 W, as you set it → 90 W');
  });

  test('what the brief asks is set up', () => {
    expect(idsOf()).not.toContain('encrypt');
    expect(sees({ brief: { mustHaves: { encryption: true } } }, 'encrypt')).toContain('system’s own means');
    expect(sees({ brief: { keeping: 'two', secondCopy: 'server' } }, 'backup')).toContain('storage server');
  });

  test('firmware comes before everything, on the bench, where the processor is newer', () => {
    const old: Change = { parts: { board: { shippedFirmware: '1.0' } } };
    const ids = idsOf(old);
    const at = (id: string): number => ids.indexOf(id);
    expect(startOf(assessed(old)).bench).toEqual(['firmware']);
    expect(at('firmware 1')).toBe(0);
    expect(at('lay out')).toBeGreaterThan(at('firmware 1'));
    expect(at('take down')).toBeLessThan(at('defaults'));
    // a known fault is worth an update, once it has been seen to start
    const faulty: Change = {
      parts: {
        board: {
          firmwareVersions: [
            { version: '2.0', channel: 'release', fault: 'loses its clock' },
            { version: '2.1', channel: 'release' },
          ],
        },
      },
    };
    expect(sees(faulty, 'update')).toContain('2.1: the one that is there has a known fault (loses its clock)');
    expect(idsOf()).not.toContain('update');
  });

  test('the first picture comes from where there is one', () => {
    expect(pictureOf(assessed())).toEqual({ from: 'card', card: 'card-1' });
    const draws: Change = {
      parts: {
        cpu: { integratedGraphics: { fp32Tflops: 1, mediaEngines: [], outputs: [{ kind: 'HDMI 2.1', count: 1 }] } },
      },
    };
    expect(pictureOf(assessed(draws)).from).toBe('board');
    expect(pictureOf(assessed({ items: without('card-1') })).from).toBe('unknown');
    // the least that starts: the picture comes from the board, so the card stays in its box
    const old: Change = { parts: { ...draws.parts, board: { shippedFirmware: '1.0' } } };
    const assessment = assessed(old);
    const laid = startOf(assessment).steps.flatMap(({ does }) => (does.do === 'lay-out' ? does.with : []));
    const kinds = laid.map((id) => assessment.facts.parts.all.find(({ item }) => item.id === id)?.part.kind);
    expect(kinds).toEqual(['board', 'processor', 'cooler', 'memory', 'supply']);
  });

  test('its steps are no parts that come off again', () => {
    let { machine } = assessed().facts;
    machine = editMachine(machine, { kind: 'assembled', step: 'start profile', done: { on: '2026-05-18' } });
    machine = editMachine(machine, {
      kind: 'assembled',
      step: 'fan gone',
      done: { on: '2026-05-18', what: 'Mount a fan' },
    });
    expect(progressOf(planOf(assessed()), machine).off).toEqual(['fan gone']);
  });
});

const leaves = (tree: Tree, depth = 0): { found: readonly Dark[]; depth: number }[] =>
  'found' in tree ? [{ found: tree.found, depth }] : [...leaves(tree.yes, depth + 1), ...leaves(tree.no, depth + 1)];

describe('no picture', () => {
  test('every reason of this machine is found once, in few questions', () => {
    const assessment = assessed();
    const all = leaves(noPicture(assessment));
    const found = all.flatMap((leaf) => leaf.found);
    expect(new Set(found)).toEqual(new Set(darkOf(assessment).keys()));
    expect(found).toHaveLength(new Set(found).size);
    // what no question tells apart is left together: a card that is not home, and nothing else here
    expect(all.filter((leaf) => leaf.found.length > 1)).toEqual([]);
    const weights = darkOf(assessment);
    const total = [...weights.values()].reduce((sum, weight) => sum + weight, 0);
    const mean =
      all.reduce((sum, { found: [cause], depth }) => sum + (weights.get(cause ?? 'display') ?? 0) * depth, 0) / total;
    // no tree of so many reasons asks fewer than their entropy in bits
    const entropy = -[...weights.values()].reduce(
      (sum, weight) => sum + (weight / total) * Math.log2(weight / total),
      0,
    );
    expect(mean).toBeGreaterThanOrEqual(entropy - 1e-9);
    expect(mean).toBeLessThan(entropy + 1.2);
    for (const cause of found) expect(DARK[cause]).toMatch(/\.$/);
    const ask = (tree: Tree): void => {
      if ('found' in tree) return;
      expect(askWords(tree.ask, assessment)).toMatch(/\?$|since\?$/);
      ask(tree.yes);
      ask(tree.no);
    };
    ask(noPicture(assessment));
  });

  test('what this machine cannot have is not asked; what it likely has comes sooner', () => {
    const reasons = (change: Change): Dark[] => [...darkOf(assessed(change)).keys()];
    expect(reasons({ items: without('card-1') })).not.toContain('card-seat');
    expect(reasons({})).not.toContain('old-firmware');
    const old: Change = { parts: { board: { shippedFirmware: '1.0' } } };
    const depthOf = (change: Change): number | undefined =>
      leaves(noPicture(assessed(change))).find(({ found }) => found.includes('old-firmware'))?.depth;
    expect(reasons(old)).toContain('old-firmware');
    expect(depthOf(old)).toBeLessThanOrEqual(3);
  });
});
