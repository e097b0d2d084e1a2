'use client';

import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableFooter from '@mui/material/TableFooter';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { TextButton } from './TextButton';
import type { Assessment } from '@/core/assess';
import { fullName } from '@/core/model/fitted';
import type { Basket, Order } from '@/core/money/basket';
import { trustOf } from '@/core/money/trust';
import { coins, coinsOnly, number } from '@/core/words/format';
import { GRADE } from '@/core/words/findings/prices';
import type { Lacking } from '@/core/money/spent';
import { lackingWords, whyNotWords } from '@/core/words/money';
import { Term } from './Term';

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
    <Table sx={{ marginTop: '6px', maxWidth: 980 }}>
      <TableHead>
        <TableRow>
          <TableCell scope="col">{currency}</TableCell>
          <TableCell align="right" scope="col">
            before tax
          </TableCell>
          <TableCell align="right" scope="col">
            shipping
          </TableCell>
          <TableCell align="right" scope="col">
            {region.taxName}, {number(region.taxRate * 100)} %
          </TableCell>
          <TableCell align="right" scope="col">
            <Term word="landed" />
          </TableCell>
        </TableRow>
      </TableHead>
      {best?.orders.map((order) => (
        <OrderRows key={order.invoice.seller.id} order={order} {...{ assessment, basket, chosen, onChoose }} />
      ))}
      {basket.byHand.length > 0 && (
        <TableBody>
          <TableRow>
            <TableCell component="th" scope="rowgroup" colSpan={5} sx={{ paddingTop: '10px', color: 'var(--ink)' }}>
              Prices by hand
            </TableCell>
          </TableRow>
          {basket.byHand.map(({ item, landed }) => {
            const fitted = assessment.facts.parts.all.find((entry) => entry.item.id === item);
            return (
              <TableRow key={item}>
                <TableCell>
                  <PartButton
                    name={fitted ? fullName(fitted.part) : item}
                    on={chosen === item}
                    onClick={onChoose && (() => onChoose(item))}
                  />
                  <span className="caution small"> ◆ by hand: {fitted?.item.handPrice?.reason}</span>
                </TableCell>
                {(['netMinor', 'shippingMinor', 'taxMinor', 'landedMinor'] as const).map((key) => (
                  <TableCell align="right" key={key}>
                    {coinsOnly(landed[key], currency)}
                  </TableCell>
                ))}
              </TableRow>
            );
          })}
        </TableBody>
      )}
      <TableFooter>
        <TableRow>
          <TableCell component="th" scope="row">
            {basket.lowerBound ? 'At least' : 'In all'}
          </TableCell>
          {(['netMinor', 'shippingMinor', 'taxMinor', 'landedMinor'] as const).map((key) => (
            <TableCell align="right" key={key} sx={{ color: 'var(--ink)' }}>
              {coinsOnly(basket.total[key], currency)}
            </TableCell>
          ))}
        </TableRow>
      </TableFooter>
    </Table>
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
    <TextButton aria-pressed={on} sx={{ fontWeight: on ? 650 : 400 }} onClick={onClick}>
      {name}
    </TextButton>
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
    <TableBody>
      <TableRow>
        <TableCell component="th" scope="rowgroup" sx={{ paddingTop: '10px', color: 'var(--ink)' }}>
          {invoice.seller.name}
          <Box component="span" className="quiet" sx={{ fontWeight: 400 }}>
            {' '}
            · {GRADE[trust.grade]}
            {order.arrives ? `, there by ${order.arrives}` : ', delivery not stated'}
            {invoice.free ? ', sent free of charge' : ''}
            {invoice.parcels > 1 ? `, ${invoice.parcels} parcels` : ''}
          </Box>
        </TableCell>
        {(['netMinor', 'shippingMinor', 'taxMinor', 'landedMinor'] as const).map((key) => (
          <TableCell align="right" key={key} sx={{ paddingTop: '10px', color: 'var(--ink)' }}>
            {coinsOnly(invoice[key], currency)}
          </TableCell>
        ))}
      </TableRow>
      {invoice.lines.map((line) => {
        const items = order.items.filter(({ offer }) => offer.id === line.line.offer.id).map(({ item }) => item);
        const [item = ''] = items;
        const despite = basket.despite.find((entry) => items.includes(entry.item));
        const { condition, warrantyLeftMonths, wornPercent } = line.line.offer;
        return (
          <TableRow key={line.line.offer.id}>
            <TableCell>
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
            </TableCell>
            {(['netMinor', 'shippingMinor', 'taxMinor', 'landedMinor'] as const).map((key) => (
              <TableCell align="right" key={key}>
                {coinsOnly(line[key], currency)}
              </TableCell>
            ))}
          </TableRow>
        );
      })}
      {(invoice.coupon || invoice.bundles.length > 0 || invoice.rebates.length > 0 || invoice.shippingUnknown) && (
        <TableRow>
          <TableCell colSpan={5} className="quiet small">
            {invoice.bundles.map((bundle) => `Together: ${bundle.name}, ${coins(bundle.minor, currency)} off. `)}
            {invoice.coupon &&
              `Coupon ${invoice.coupon.id}: ${coins(invoice.coupon.minor, currency)} off${invoice.coupon.lowersTax ? ', and what is taxed falls with it' : ', taxed all the same'}. `}
            {invoice.rebates.map((rebate) =>
              rebate.state === 'due'
                ? `Mailed rebate ${coins(rebate.minor, currency)} when bought by ${rebate.until} (${rebate.conditions}): paid first, so it is not in the price. `
                : `A mailed rebate ended on ${rebate.until}. `,
            )}
            {invoice.shippingUnknown && 'This seller does not say what shipping costs: a lower bound. '}
          </TableCell>
        </TableRow>
      )}
    </TableBody>
  );
}
