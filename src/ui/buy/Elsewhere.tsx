'use client';

import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { ChoiceButton } from '../shared/ChoiceButton';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import type { ElsewhereResult } from '@/core/versus/elsewhere';
import { converted } from '@/core/units/money';

import { findingWords } from '@/core/words/findings';
import { coins, listed, number } from '@/core/words/format';
import type { PriceState } from '@/server/contract';
import { useBrief, useDraft } from '../seat/moment';
import { useSeat } from '../seat/useSeat';
import { useWorker } from '../seat/worker';
import { identity } from '../shared/identity';
import { Section } from '../shared/Section';

/** The same work bought in another region: its sellers, currency and tax, with substitutes for what is not sold there. */
export function Elsewhere({ assessment, rates }: { assessment: Assessment; rates: PriceState['rates'] }) {
  const regions = useSeat((state) => state.bundle.data.regions).filter((region) => region.id !== assessment.region.id);
  const [asked, setAsked] = useState<string>();
  if (regions.length === 0) return null;
  return (
    <Section
      label="In another region"
      title="The same work in another region"
      gist={regions.map((region) => region.name).join(', ')}
    >
      <span className="row wrap">
        {regions.map((region) => (
          <ChoiceButton
            key={region.id}
            chosen={asked === region.id}
            onClick={() => setAsked(asked === region.id ? undefined : region.id)}
          >
            {region.name}, {region.currency}, {region.taxName} {number(region.taxRate * 100)} %{' '}
            {region.pricesIncludeTax ? 'in the price' : 'on top'}
          </ChoiceButton>
        ))}
      </span>
      {asked !== undefined && <There region={asked} assessment={assessment} rates={rates} />}
    </Section>
  );
}

function There({ region, assessment, rates }: { region: string; assessment: Assessment; rates: PriceState['rates'] }) {
  const draft = useDraft();
  const brief = useBrief();
  const answer = useWorker(`elsewhere ${identity(draft)} ${identity(brief)} ${region}`, (api) =>
    api.elsewhere(draft, brief, region),
  );
  if (answer.state === 'waiting')
    return <p className="quiet small">Looking for parts that are sold there and are as good …</p>;
  if (answer.state === 'failed') return <p className="short small">It could not be tried: {answer.message}.</p>;
  return <Result result={answer.value} assessment={assessment} rates={rates} />;
}

function Result({
  result,
  assessment,
  rates,
}: {
  result: ElsewhereResult;
  assessment: Assessment;
  rates: PriceState['rates'];
}) {
  const here = assessment.region.currency;
  const { currency } = result.region;
  const rate = rates.find(({ base, quote }) => [base, quote].includes(currency) && [base, quote].includes(here));
  const total = result.basket.total.landedMinor;
  const bound = result.basket.lowerBound ? 'at least ' : '';
  return (
    <Box sx={{ marginTop: '6px' }}>
      <p>
        <b>
          {bound}
          {coins(total, currency)}
        </b>{' '}
        landed in {result.region.name}, {result.region.taxName} and shipping in
        {result.basket.best
          ? `, in ${result.basket.best.orders.length} ${result.basket.best.orders.length === 1 ? 'order' : 'orders'}`
          : ''}
        {currency === here
          ? '.'
          : !rate
            ? `. There is no rate from ${currency} to ${here} yet.`
            : `: about ${bound}${coins(converted(total, currency, here, rate), here)} at ${rate.rate} ${rate.quote} for one ${rate.base}, the rate of ${rate.day}.`}
      </p>
      {result.substitutes.length === 0 ? (
        <p className="quiet small">Every part of the draft is sold there.</p>
      ) : (
        <Table sx={{ marginTop: '4px' }}>
          <TableHead>
            <TableRow>
              <TableCell scope="col">not sold there</TableCell>
              <TableCell scope="col">in its place, at least as good</TableCell>
              <TableCell scope="col">differs in</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {result.substitutes.map((entry) => (
              <TableRow key={entry.item}>
                <TableCell>{entry.from}</TableCell>
                <TableCell>{entry.to ?? <span className="unproven">○ nothing there is as good</span>}</TableCell>
                <TableCell className="small quiet">
                  {entry.differs.length === 0
                    ? entry.to
                      ? 'nothing that is stated'
                      : ''
                    : `${listed(entry.differs.slice(0, 6).map((field) => `${field.label} ${plain(field.from)} → ${plain(field.to)}${field.unit ? ` ${field.unit}` : ''}`))}${entry.differs.length > 6 ? ` and ${entry.differs.length - 6} more` : ''}`}
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      )}
      {result.brought.length > 0 && (
        <div className="short small">
          {result.brought.map((finding) => (
            <p key={finding.key}>▼ There it blocks: {findingWords(finding).says}</p>
          ))}
        </div>
      )}
      {(result.basket.best?.orders ?? []).map((order) => (
        <p key={order.invoice.seller.id} className="small quiet">
          {order.invoice.seller.name}: {order.items.length} parts, {coins(order.invoice.landedMinor, currency)}
          {order.arrives ? `, there by ${order.arrives}` : ''}
        </p>
      ))}
    </Box>
  );
}

const plain = (value: unknown): string =>
  value === undefined || value === null ? 'not stated' : typeof value === 'number' ? number(value, 4) : String(value);
