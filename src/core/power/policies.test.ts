import { describe, expect, test } from 'vitest';
import { usualSettings, POLICIES, type Policy } from '../model/settings';
import { assessed, BUSY, plus, without, type Change } from '../tests/world';
import { excursionReserveW } from './draw';
import { EXCURSION_SHARE, policiesOf } from './policies';

const answers = (change: Change = {}, settings = usualSettings) => {
  const { parts, power } = assessed(change).facts;
  return new Map(policiesOf(parts, power, settings).map((answer) => [answer.policy, answer]));
};
const asks = (policy: Policy, change: Change = {}) => answers(change).get(policy)?.asksW;

describe('policies side by side', () => {
  test('a card of 300 W at ratio 1.8 asks for a reserve of 240 W', () => {
    expect(excursionReserveW(300, 1.8)).toBeCloseTo(240, 9);
  });

  test('each asks for its own: 378 W peak, 478 W for a moment, which a standard lets a supply of 239 W bear', () => {
    expect(asks('peak')).toBe(378);
    // 378 + half of the card's 200 W, at twice the rating
    expect(asks('excursion')).toBe(239);
    expect(asks('excursion', { parts: { psu: { standard: 'ATX 2.x' } } })).toBeCloseTo(
      478 / EXCURSION_SHARE['ATX 2.x'],
      9,
    );
    const { power } = assessed().facts;
    expect(asks('sustained')).toBeCloseTo(power.sustainedW / 0.8, 9);
    expect(asks('multiple')).toBeCloseTo(power.sustainedW * 1.5, 9);
  });

  test('the maker’s advice is for one card; the others come on top', () => {
    expect(asks('maker')).toBeUndefined();
    const one = { parts: { card: { recommendedSupplyW: 650 } } };
    expect(asks('maker', one)).toBe(650);
    expect(asks('maker', { ...one, items: plus({ id: 'card-2', part: 'card' }) })).toBe(850);
  });

  test('what is unknown never keeps a policy, but a lower bound can break it', () => {
    const unknown = { parts: { disk: { activePowerW: undefined } } };
    expect(answers(unknown).get('peak')).toMatchObject({ asksW: 370, holds: undefined });
    expect(answers({ parts: { ...unknown.parts, psu: { ratedW: 300 } } }).get('peak')?.holds).toBe(false);
    expect(answers({ parts: { psu: { standard: undefined } } }).get('excursion')).toMatchObject({
      asksW: undefined,
      holds: undefined,
    });
    expect(answers({ items: without('psu-1') }).get('peak')?.holds).toBeUndefined();
  });

  test('a run of unknown speed leaves the ways that go by a sitting unproven, not those by limits', () => {
    const slow = { brief: BUSY, parts: { cpu: { coreGroups: undefined } } };
    const open = answers(slow);
    expect(assessed(slow).facts.power.sustainedOpen).toBe(true);
    for (const policy of ['sustained', 'multiple'] as const)
      expect(open.get(policy)).toMatchObject({ lowerBound: true, holds: undefined });
    expect(answers({ brief: BUSY }).get('sustained')).toMatchObject({ lowerBound: false, holds: true });
  });

  test('the desk says which of them count, and only those bring findings', () => {
    const change = { parts: { card: { recommendedSupplyW: 900 } } };
    const found = (policies: Policy[]) =>
      assessed(change, { ...usualSettings, policies }).findings.filter((finding) => finding.code === 'supply-policy');
    expect(found([...usualSettings.policies])).toEqual([]);
    expect(found(['maker'])).toEqual([
      expect.objectContaining({ level: 'caution', policy: 'maker', asksW: 900, ratedW: 750 }),
    ]);
    expect([...answers().keys()]).toEqual([...POLICIES]);
  });

  test('efficiency plays no part: a better tier asks for the same supply', () => {
    const list = (tier: string) => [...answers({ parts: { psu: { tier } } }).values()].map((answer) => answer.asksW);
    expect(list('titanium')).toEqual(list('white'));
  });

  test('limits set by hand lower the peak, a raised clock raises it by its cube', () => {
    expect(asks('peak', { machine: { tuning: { packageW: 65 } } })).toBe(378 - 55);
    expect(asks('peak', { machine: { tuning: { cardShare: 0.8 } } })).toBeCloseTo(378 - 40, 9);
    expect(asks('peak', { machine: { tuning: { clock: 1.1 } } })).toBeCloseTo(378 + 110 * (1.331 - 1), 9);
  });
});
