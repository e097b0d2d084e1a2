'use client';

import Dialog from '@mui/material/Dialog';
import { useId, type ReactNode } from 'react';
import type { Assessment } from '@/core/assess';
import { fullName } from '@/core/fitted';
import { wallDrawW, tierEfficiency } from '@/core/power/efficiency';
import { yearlyEnergy } from '@/core/power/energy';
import { coins, coinsOnly, number, percent, watts } from '@/core/words/format';
import { useSeat } from './store';

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

/** The landed price part by part: offer, seller, shipping, tax. */
export function PriceWhy({ assessment, onClose }: { assessment: Assessment; onClose: () => void }) {
  const catalogue = useSeat((state) => state.context.catalogue);
  const { price, parts, machine } = assessment.facts;
  const nameOf = (id: string) => {
    const fitted = parts.all.find((entry) => entry.item.id === id);
    return fitted ? fullName(fitted.part) : (machine.items.find((item) => item.id === id)?.label ?? id);
  };
  const lost = price.unpriced.filter((id) => !price.items.some((item) => item.item === id));
  return (
    <Sheet title={`What ${machine.name} costs, ${price.currency}`} onClose={onClose}>
      <table>
        <thead>
          <tr>
            <th scope="col">Part</th>
            <th scope="col">Seller</th>
            <th scope="col" className="num">
              before tax
            </th>
            <th scope="col" className="num">
              shipping
            </th>
            <th scope="col" className="num">
              {assessment.region.taxName}, {number(assessment.region.taxRate * 100)} %
            </th>
            <th scope="col" className="num">
              landed
            </th>
          </tr>
        </thead>
        <tbody>
          {price.items.map((item) => (
            <tr key={item.item}>
              <td>{nameOf(item.item)}</td>
              <td className="quiet">
                {item.state === 'owned'
                  ? 'owned already'
                  : item.offer
                    ? (catalogue.seller(item.offer.seller)?.name ?? item.offer.seller)
                    : 'no offer here'}
              </td>
              {item.landed && item.state === 'offered' ? (
                (['netMinor', 'shippingMinor', 'taxMinor', 'landedMinor'] as const).map((key) => (
                  <td key={key} className="num">
                    {coinsOnly(item.landed?.[key] ?? 0)}
                  </td>
                ))
              ) : (
                <td className="num quiet" colSpan={4}>
                  {item.state === 'owned' ? 'nothing to pay' : 'unknown'}
                </td>
              )}
            </tr>
          ))}
          {lost.map((id) => (
            <tr key={id}>
              <td>{nameOf(id)}</td>
              <td className="quiet">no longer in the catalogue</td>
              <td className="num quiet" colSpan={4}>
                unknown
              </td>
            </tr>
          ))}
          <tr>
            <th scope="row" colSpan={2}>
              {price.unpriced.length > 0 ? 'At least' : 'In all'}
            </th>
            {(['netMinor', 'shippingMinor', 'taxMinor', 'landedMinor'] as const).map((key) => (
              <th key={key} className="num">
                {coinsOnly(price.total[key])}
              </th>
            ))}
          </tr>
        </tbody>
      </table>
      <p className="quiet small" style={{ marginTop: 8 }}>
        The cheapest landed offer of each part, new, in {assessment.region.name}. Shipping counts once a part: baskets
        come later.
      </p>
    </Sheet>
  );
}

/** The draw part by part, in the heaviest sitting and at the limit, and what the wall sees. */
export function PowerWhy({ assessment, onClose }: { assessment: Assessment; onClose: () => void }) {
  const { power, parts, brief } = assessment.facts;
  const heaviest = [...power.sittings].sort((a, b) => b.sustainedW - a.sustainedW)[0];
  const sitting = brief.sittings.find((entry) => entry.id === heaviest?.sitting);
  const supply = parts.one('supply')?.part;
  const load = supply?.ratedW === undefined ? undefined : power.sustainedW / supply.ratedW;
  const efficiency = supply?.tier && load !== undefined ? tierEfficiency(supply.tier, load) : undefined;
  const bound = power.missing.length > 0 ? 'at least ' : '';
  const open = power.sustainedOpen;
  const { settings } = assessment.facts;
  const energy = yearlyEnergy(power, brief, supply, settings.tariffMinorPerKWh);
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
      {supply && efficiency !== undefined && load !== undefined && (
        <p style={{ marginTop: 8 }}>
          {fullName(supply)} delivers up to {watts(supply.ratedW ?? 0)} whatever its efficiency. At {percent(load)} load
          its {supply.tier} tier reaches {percent(efficiency)} at least (115 V), so the wall sees{' '}
          {open ? 'at least ' : ''}
          {watts(wallDrawW(power.sustainedW, efficiency))}
          {open ? '' : ' at most'}.
        </p>
      )}
      {energy && brief.sittings.length > 0 && (
        <p style={{ marginTop: 4 }}>
          The sittings of a year take {energy.lowerBound ? 'at least ' : 'at most '}
          {number(energy.kWh)} kWh from the wall
          {energy.costMinor === undefined
            ? '; the desk has no electricity tariff, so no cost is named'
            : `: ${coins(energy.costMinor, assessment.facts.price.currency)} a year at the desk's tariff`}
          .
        </p>
      )}
      <p className="quiet small" style={{ marginTop: 4 }}>
        {open && power.missing.length === 0 ? 'A run whose speed is unknown is not counted in the sitting. ' : ''}
        Idle and limit of each part, weighed by how busy the sitting keeps it. Full-power clocks: heat is not yet taken
        into account.
      </p>
    </Sheet>
  );
}
