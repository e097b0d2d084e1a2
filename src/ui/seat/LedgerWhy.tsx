'use client';

import { inPhase } from '@/core/model/phases';
import type { Policy } from '@/core/model/settings';
import { EXCURSION_SHARE, policiesOf } from '@/core/power/policies';
import Dialog from '@mui/material/Dialog';
import { useId, type ReactNode } from 'react';
import type { Assessment } from '@/core/assess';
import { fullName } from '@/core/model/fitted';
import { heaviestOf } from '@/core/power/draw';
import { supplyWallW, tierEfficiency } from '@/core/power/efficiency';
import { yearlyEnergy } from '@/core/power/energy';
import { coins, listed, number, percent, watts } from '@/core/words/format';
import { basketFor } from '@/core/versus/basketFor';
import Link from 'next/link';
import { BasketTable, StillLacking } from '../shared/BasketTable';
import { stationPath } from './stations';
import { Sign } from '../shared/Beam';
import { assessmentOf, useSeat, useWholeDraft } from './store';

function Sheet({ title, onClose, children }: { title: string; onClose: () => void; children: ReactNode }) {
  const id = useId();
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby={id}>
      <div className="pane" style={{ padding: 18 }}>
        <div className="panehead">
          <h1 id={id}>{title}</h1>
          <button type="button" className="link" onClick={onClose} autoFocus>
            Close
          </button>
        </div>
        {children}
      </div>
    </Dialog>
  );
}

/** The landed price as its best basket: each order's lines, shipping, tax. */
export function PriceWhy({ assessment, onClose }: { assessment: Assessment; onClose: () => void }) {
  const seat = useSeat((state) => state.bundle.seat);
  const { price, machine } = assessment.facts;
  const basket = basketFor(assessment);
  const owned = assessment.facts.parts.all.filter(({ item }) => item.owned);
  return (
    <Sheet title={`What ${machine.name} costs, ${price.currency}`} onClose={onClose}>
      <BasketTable assessment={assessment} basket={basket} />
      <StillLacking lacking={basket.lacking} />
      {owned.length > 0 && (
        <p className="quiet small" style={{ marginTop: 8 }}>
          Owned already, nothing to pay: {listed(owned.map(({ part }) => fullName(part)))}.
        </p>
      )}
      <p className="quiet small" style={{ marginTop: 8 }}>
        The cheapest way to buy everything in {assessment.region.name} from sellers that the desk trusts, with shipping,
        coupons and bundles. <Link href={stationPath(seat.projectId, seat.id, 'buy')}>Buy</Link> has the offers of each
        part. Bought one by one, each from its cheapest seller: {coins(price.total.landedMinor, price.currency)}.
      </p>
    </Sheet>
  );
}

/** The draw part by part, in the heaviest sitting and at the limit, and what the wall sees. */
export function PowerWhy({ assessment, onClose }: { assessment: Assessment; onClose: () => void }) {
  const { power, parts, brief, region } = assessment.facts;
  const heaviest = heaviestOf(power);
  const sitting = brief.sittings.find((entry) => entry.id === heaviest?.sitting);
  const supply = parts.one('supply')?.part;
  const load = supply?.ratedW === undefined ? undefined : power.sustainedW / supply.ratedW;
  const efficiency = supply?.tier && load !== undefined ? tierEfficiency(supply.tier, load, region.mainsV) : undefined;
  const bound = power.missing.length > 0 ? 'at least ' : '';
  const open = power.sustainedOpen;
  const { settings } = assessment.facts;
  const energy = yearlyEnergy(power, brief, supply, settings.tariffMinorPerKWh, region.mainsV);
  return (
    <Sheet title={`What ${assessment.facts.machine.name} draws`} onClose={onClose}>
      <table>
        <thead>
          <tr>
            <th scope="col">Part</th>
            <th scope="col" className="num">
              {sitting ? sitting.name : 'sustained'}
            </th>
            <th scope="col" className="num">
              limit
            </th>
            <th scope="col" className="num">
              excursion
            </th>
          </tr>
        </thead>
        <tbody>
          {power.parts.map((part) => {
            const fitted = parts.all.find((entry) => entry.item.id === part.item);
            const unknown = power.missing.some((figure) => figure.item === part.item);
            return (
              <tr key={part.item}>
                <td>
                  {fitted ? fullName(fitted.part) : part.item}
                  {unknown && <span className="unproven"> ○ a figure is unknown</span>}
                </td>
                <td className="num">{watts(heaviest?.byItem.get(part.item) ?? part.maxW)}</td>
                <td className="num">{watts(part.maxW)}</td>
                <td className="num">{watts(part.excursionW)}</td>
              </tr>
            );
          })}
          <tr>
            <th scope="row">{bound ? 'At least' : 'In all'}</th>
            <th className="num">
              {open ? 'at least ' : ''}
              {watts(power.sustainedW)}
            </th>
            <th className="num">{watts(power.peakW)}</th>
            <th className="num">{watts(power.excursionW)}</th>
          </tr>
        </tbody>
      </table>
      <Policies assessment={assessment} />
      {supply?.ratedW !== undefined && supply.tier && efficiency !== undefined && load !== undefined && (
        <p style={{ marginTop: 8 }}>
          {fullName(supply)} delivers up to {watts(supply.ratedW)} whatever its efficiency. At {percent(load)} load its{' '}
          {supply.tier} tier reaches {percent(efficiency)} at least ({region.mainsV} V), so the wall sees{' '}
          {open ? 'at least ' : ''}
          {watts(supplyWallW(power.sustainedW, supply.ratedW, supply.tier, region.mainsV))}
          {open ? '' : ' at most'}.
        </p>
      )}
      {energy && brief.sittings.length > 0 && (
        <p style={{ marginTop: 4 }}>
          {(brief.idleHoursPerWeek ?? 0) > 0 ? 'The sittings and hours at rest' : 'The sittings'} of a year take{' '}
          {energy.lowerBound ? 'at least ' : 'at most '}
          {number(energy.kWh)} kWh from the wall
          {energy.costMinor === undefined
            ? '; the desk has no electricity tariff, so no cost is named'
            : `: ${coins(energy.costMinor, assessment.facts.price.currency)} a year at the desk's tariff`}
          .
        </p>
      )}
      <p className="quiet small" style={{ marginTop: 4 }}>
        {open && power.missing.length === 0 ? 'A run whose speed is unknown is not counted in the sitting. ' : ''}
        Idle and limit of each part, weighed by how busy the sitting keeps it, at the clocks that heat and power limits
        leave.
      </p>
    </Sheet>
  );
}

const POLICY: Readonly<Record<Policy, (assessment: Assessment) => string>> = {
  sustained: ({ facts }) => `Heaviest sitting at ${percent(facts.settings.supplyShare)} of the rating`,
  peak: () => 'Everything at its limit, 100 % of the rating',
  excursion: ({ facts }) => {
    const standard = facts.parts.one('supply')?.part.standard ?? 'ATX 3.1';
    return `Excursions of the cards, at ${percent(EXCURSION_SHARE[standard])} for a moment (${standard})`;
  },
  maker: () => 'What the card’s maker recommends',
  multiple: ({ facts }) => `Heaviest sitting × ${number(facts.settings.drawMultiple)}`,
};

/** What each way of sizing asks of the supply, side by side; the desk says which of them count. */
function Policies({ assessment }: { assessment: Assessment }) {
  const whole = useWholeDraft();
  const brief = useSeat((state) => state.bundle.brief.body);
  const context = useSeat((state) => state.context);
  const { parts, power, settings } = assessment.facts;
  const supply = parts.one('supply');
  const later =
    whole.later && whole.id === assessment.facts.machine.id
      ? assessmentOf(inPhase(whole, 'later'), brief, context).facts
      : undefined;
  const after = later && policiesOf(later.parts, later.power, settings);
  const grade = supply?.part.evidence?.testedGrade;
  return (
    <>
      <h3 style={{ marginTop: 10 }}>What the supply should be rated at</h3>
      <table>
        <thead>
          <tr>
            <th scope="col">By</th>
            <th scope="col" className="num">
              asks for
            </th>
            {whole.later && (
              <th scope="col" className="num">
                {whole.later.name}
              </th>
            )}
            <th scope="col">{supply?.part.ratedW === undefined ? '' : `${watts(supply.part.ratedW)} there`}</th>
          </tr>
        </thead>
        <tbody>
          {policiesOf(parts, power, settings).map((answer, i) => (
            <tr key={answer.policy}>
              <td>
                {POLICY[answer.policy](assessment)}
                {!answer.counts && <span className="quiet small"> · does not count here</span>}
              </td>
              <td className="num">
                {answer.asksW === undefined
                  ? 'unknown'
                  : `${answer.lowerBound ? 'at least ' : ''}${watts(answer.asksW)}`}
              </td>
              {whole.later && (
                <td className="num">{after?.[i]?.asksW === undefined ? 'unknown' : watts(after[i].asksW)}</td>
              )}
              <td>
                <Sign verdict={answer.holds === undefined ? 'unproven' : answer.holds ? 'carries' : 'short'} />{' '}
                {answer.holds === undefined ? 'unproven' : answer.holds ? 'carries' : 'too small'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {supply && (
        <p className="small" style={{ marginTop: 4 }}>
          Label: {supply.part.tier ?? 'no tier stated'}.{' '}
          {grade === undefined ? 'Nobody is known to have tested it.' : `Tested grade: ${grade}.`} A better tier draws
          less from the wall; it does not deliver more.
        </p>
      )}
    </>
  );
}
