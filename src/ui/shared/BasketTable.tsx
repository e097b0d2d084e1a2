'use client';

import type { Assessment } from '@/core/assess';
import { fullName } from '@/core/model/fitted';
import type { Basket, Order } from '@/core/money/basket';
import { trustOf } from '@/core/money/trust';
import { coins, coinsOnly, number } from '@/core/words/format';
import { GRADE } from '@/core/words/findings/prices';
import type { Lacking } from '@/core/money/spent';
import { lackingWords, whyNotWords } from '@/core/words/money';

interface Props {
  readonly assessment: Assessment;
  readonly basket: Basket;
  readonly chosen?: string | undefined;
  /** Without it the parts are only named. */
  readonly onChoose?: ((item: string) => void) | undefined;
}

/** What is still to be added, so that the total is a lower bound. */
export const StillLacking = ({ lacking }: { lacking: readonly Lacking[] }) =>
  lacking.length > 0 && <p className="caution small">◆ {lackingWords(lacking)}</p>;

/** A basket order by order; every column adds up to its total. */
export function BasketTable({ assessment, basket, chosen, onChoose }: Props) {
  const { currency } = assessment.facts.price;
  const { region } = assessment;
  const { best } = basket;
  return (
    <table style={{ marginTop: 6, maxWidth: 980 }}>
      <thead>
        <tr>
          <th scope="col">{currency}</th>
          <th scope="col" className="num">
            before tax
          </th>
          <th scope="col" className="num">
            shipping
          </th>
          <th scope="col" className="num">
            {region.taxName}, {number(region.taxRate * 100)} %
          </th>
          <th scope="col" className="num">
            landed
          </th>
        </tr>
      </thead>
      {best?.orders.map((order) => (
        <OrderRows key={order.invoice.seller.id} order={order} {...{ assessment, basket, chosen, onChoose }} />
      ))}
      {basket.byHand.length > 0 && (
        <tbody>
          <tr>
            <th scope="rowgroup" colSpan={5} style={{ paddingTop: 10, color: 'var(--ink)' }}>
              Prices by hand
            </th>
          </tr>
          {basket.byHand.map(({ item, landed }) => {
            const fitted = assessment.facts.parts.all.find((entry) => entry.item.id === item);
            return (
              <tr key={item}>
                <td>
                  <PartButton
                    name={fitted ? fullName(fitted.part) : item}
                    on={chosen === item}
                    onClick={onChoose && (() => onChoose(item))}
                  />
                  <span className="caution small"> ◆ by hand: {fitted?.item.handPrice?.reason}</span>
                </td>
                {(['netMinor', 'shippingMinor', 'taxMinor', 'landedMinor'] as const).map((key) => (
                  <td key={key} className="num">
                    {coinsOnly(landed[key], currency)}
                  </td>
                ))}
              </tr>
            );
          })}
        </tbody>
      )}
      <tfoot>
        <tr>
          <th scope="row">{basket.lowerBound ? 'At least' : 'In all'}</th>
          {(['netMinor', 'shippingMinor', 'taxMinor', 'landedMinor'] as const).map((key) => (
            <th key={key} className="num" style={{ color: 'var(--ink)' }}>
              {coinsOnly(basket.total[key], currency)}
            </th>
          ))}
        </tr>
      </tfoot>
    </table>
  );
}

/** The day of the newest price in a basket: older ones are marked, because their seller did not answer since. */
const newestDay = ({ best }: Basket): string =>
  (best?.orders ?? []).reduce(
    (day, order) => order.items.reduce((last, { offer }) => (offer.asOf > last ? offer.asOf : last), day),
    '',
  );

function PartButton({ name, on, onClick }: { name: string; on: boolean; onClick: (() => void) | undefined }) {
  if (!onClick) return <>{name}</>;
  return (
    <button type="button" className="link" aria-pressed={on} style={on ? { fontWeight: 650 } : {}} onClick={onClick}>
      {name}
    </button>
  );
}

function OrderRows({ order, assessment, basket, chosen, onChoose }: Props & { order: Order }) {
  const { invoice } = order;
  const { currency } = assessment.facts.price;
  const { today, catalogue } = assessment.facts;
  const newest = newestDay(basket);
  const trust = trustOf(catalogue.seller(invoice.seller.id), today);
  const fittedOf = (item: string) => assessment.facts.parts.all.find((entry) => entry.item.id === item);
  return (
    <tbody>
      <tr>
        <th scope="rowgroup" style={{ paddingTop: 10, color: 'var(--ink)' }}>
          {invoice.seller.name}
          <span className="quiet" style={{ fontWeight: 400 }}>
            {' '}
            · {GRADE[trust.grade]}
            {order.arrives ? `, there by ${order.arrives}` : ', delivery not stated'}
            {invoice.free ? ', sent free of charge' : ''}
            {invoice.parcels > 1 ? `, ${invoice.parcels} parcels` : ''}
          </span>
        </th>
        {(['netMinor', 'shippingMinor', 'taxMinor', 'landedMinor'] as const).map((key) => (
          <th key={key} className="num" style={{ paddingTop: 10, color: 'var(--ink)' }}>
            {coinsOnly(invoice[key], currency)}
          </th>
        ))}
      </tr>
      {invoice.lines.map((line) => {
        const items = order.items.filter(({ offer }) => offer.id === line.line.offer.id).map(({ item }) => item);
        const [item = ''] = items;
        const despite = basket.despite.find((entry) => items.includes(entry.item));
        const { condition, warrantyLeftMonths, wornPercent } = line.line.offer;
        return (
          <tr key={line.line.offer.id}>
            <td>
              {line.line.count > 1 && `${line.line.count} × `}
              <PartButton
                name={fullName(fittedOf(item)?.part ?? line.line.part)}
                on={items.includes(chosen ?? '')}
                onClick={onChoose && (() => onChoose(item))}
              />
              {line.line.offer.asOf < newest && <span className="quiet small"> · price of {line.line.offer.asOf}</span>}
              {condition !== 'new' && (
                <span className="caution small">
                  {' '}
                  ◆ {condition}
                  {warrantyLeftMonths === undefined ? '' : `, ${warrantyLeftMonths} months of warranty left`}
                  {wornPercent === undefined ? '' : `, ${wornPercent} % of its life used`}
                </span>
              )}
              {line.reductionMinor > 0 && (
                <span className="carries small"> · {coins(line.reductionMinor, currency)} taken off</span>
              )}
              {despite && <span className="caution small"> ◆ {whyNotWords(despite.whyNot, currency)}</span>}
            </td>
            {(['netMinor', 'shippingMinor', 'taxMinor', 'landedMinor'] as const).map((key) => (
              <td key={key} className="num">
                {coinsOnly(line[key], currency)}
              </td>
            ))}
          </tr>
        );
      })}
      {(invoice.coupon || invoice.bundles.length > 0 || invoice.rebates.length > 0 || invoice.shippingUnknown) && (
        <tr>
          <td colSpan={5} className="quiet small">
            {invoice.bundles.map((bundle) => `Together: ${bundle.name}, ${coins(bundle.minor, currency)} off. `)}
            {invoice.coupon &&
              `Coupon ${invoice.coupon.id}: ${coins(invoice.coupon.minor, currency)} off${invoice.coupon.lowersTax ? ', and what is taxed falls with it' : ', taxed all the same'}. `}
            {invoice.rebates.map((rebate) =>
              rebate.state === 'due'
                ? `Mailed rebate ${coins(rebate.minor, currency)} when bought by ${rebate.until} (${rebate.conditions}): paid first, so it is not in the price. `
                : `A mailed rebate ended on ${rebate.until}. `,
            )}
            {invoice.shippingUnknown && 'This seller does not say what shipping costs: a lower bound. '}
          </td>
        </tr>
      )}
    </tbody>
  );
}
