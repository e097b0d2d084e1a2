'use client';

import { Fragment, type ReactNode } from 'react';
import { PART_KINDS, type PartKind } from '@/core/parts';
import type { Margin, QuoteTerms } from '@/core/quote/terms';
import { minorOfShown, shownCoins, timesFigure, type Currency } from '@/core/units/money';
import { coins, number } from '@/core/words/format';
import { kindName } from '@/core/words/names';
import { later, opening } from '../shared/later';
import { Opener } from '../shared/Opener';
import { choice, Num } from '../shared/phrases';
import { TextButton } from '../shared/TextButton';
import { Value } from '../shared/Value';

const ClientEntry = later(() => import('./Entries').then((module) => module.PartyEntry), { meanwhile: opening });
const WorkEntry = later(() => import('./Entries').then((module) => module.WorkEntry), { meanwhile: opening });
const DiscountEntry = later(() => import('./Entries').then((module) => module.DiscountEntry), { meanwhile: opening });

export type UsualTerms = Omit<QuoteTerms, 'number' | 'revision' | 'from' | 'client' | 'discount' | 'options' | 'on'>;
export type Terms = UsualTerms & Partial<Pick<QuoteTerms, 'client' | 'discount' | 'options'>>;
export type TermsPatch = Partial<Terms>;

interface Props {
  readonly terms: Terms;
  readonly currency: Currency;
  /** Kinds of part that are in it: each may have a margin of its own. */
  readonly kinds: readonly string[];
  /** Whether it is what the workshop usually offers: without a client and without a discount. */
  readonly usual?: boolean;
  /** Without it nothing can be changed: it was sent. */
  readonly onChange?: (patch: TermsPatch) => void;
}

/** What a quote is made on, as sentences whose values are changed in place. */
export function TermsSentence({ terms, currency, kinds, usual = false, onChange }: Props) {
  const amount = (minor: number | undefined) => (minor === undefined ? undefined : shownCoins(minor, currency));
  /** A figure that may be none, or only said where it cannot be changed. */
  const figure = (
    label: string,
    value: number | undefined,
    unit: string,
    change: (value: number | undefined) => void,
    { none, said, max }: { none: string; said?: string; max?: number },
  ): ReactNode =>
    onChange ? (
      <Num label={label} value={value} unit={unit} optional onChange={change} {...(max === undefined ? {} : { max })}>
        {value === undefined ? none : (said ?? `${value} ${unit}`)}
      </Num>
    ) : (
      <b>{value === undefined ? none : (said ?? `${value} ${unit}`)}</b>
    );
  const pick = (
    label: string,
    value: string,
    options: readonly (readonly [string, string])[],
    change: (value: string) => void,
  ): ReactNode => {
    const said = options.find(([id]) => id === value)?.[1] ?? value;
    return onChange ? (
      <Value
        label={label}
        editor={{
          kind: 'choice',
          value,
          options: options.map(([id, words]) => ({ value: id, label: words })),
          onChange: change,
        }}
      >
        {said}
      </Value>
    ) : (
      <b>{said}</b>
    );
  };
  const { labour, notIncluded, discount } = terms;
  return (
    <div className="sentence" aria-label="Terms" role="group">
      {!usual && (
        <p>
          For <b>{terms.client?.name ?? 'nobody yet'}</b>
          {terms.client && terms.client.address.length > 0 ? `, ${terms.client.address.join(', ')}` : ''}
          {onChange && (
            <>
              {' '}
              <Opener label="Client">
                {(close) => (
                  <ClientEntry
                    label="Client"
                    party={terms.client}
                    onKeep={(client) => onChange({ client })}
                    onDone={close}
                  />
                )}
              </Opener>
            </>
          )}
        </p>
      )}
      <p>
        <MarginSentence {...{ terms, currency, kinds, usual, pick, figure }} onChange={onChange} /> Sending costs the
        client{' '}
        {figure(
          'Sending',
          amount(terms.shippingMinor),
          currency,
          (value) => onChange?.({ shippingMinor: value === undefined ? undefined : minorOfShown(value, currency) }),
          {
            none: 'nothing extra',
            ...(terms.shippingMinor === undefined ? {} : { said: coins(terms.shippingMinor, currency) }),
          },
        )}
        . Work: {labour.length === 0 && 'none'}
        {labour.map((work, i) => (
          <Fragment key={i}>
            {i > 0 ? '; ' : ''}
            <b>{work.name}</b>
            {work.hours !== undefined && work.hourMinor !== undefined
              ? `, ${number(work.hours)} h at ${coins(work.hourMinor, currency)}`
              : ''}{' '}
            {coins(work.flatMinor ?? timesFigure(work.hourMinor ?? 0, work.hours ?? 0), currency)}
            {onChange && (
              <>
                {' '}
                <TextButton
                  aria-label={`Take ${work.name} away`}
                  onClick={() => onChange({ labour: labour.filter((_, at) => at !== i) })}
                >
                  take away
                </TextButton>
              </>
            )}
          </Fragment>
        ))}
        .
        {onChange && (
          <>
            {' '}
            <Opener label="Add work">
              {(close) => (
                <WorkEntry
                  currency={currency}
                  onKeep={(work) => onChange({ labour: [...labour, work] })}
                  onDone={close}
                />
              )}
            </Opener>
          </>
        )}
        {!usual && (
          <>
            {' '}
            Discount:{' '}
            <b>
              {discount
                ? `${discount.name}, ${'percent' in discount ? `${discount.percent} %` : coins(discount.amountMinor, currency)}`
                : 'none'}
            </b>
            .{' '}
            {onChange &&
              (discount ? (
                <TextButton onClick={() => onChange({ discount: undefined })}>no discount</TextButton>
              ) : (
                <Opener label="Discount">
                  {(close) => (
                    <DiscountEntry currency={currency} onKeep={(next) => onChange({ discount: next })} onDone={close} />
                  )}
                </Opener>
              ))}
          </>
        )}
      </p>
      <p>
        It holds{' '}
        {onChange ? (
          <Num
            label="Days a quote holds"
            value={terms.validDays}
            unit="days"
            min={1}
            max={365}
            whole
            onChange={(value) => value !== undefined && onChange({ validDays: value })}
          >
            {`${terms.validDays} days`}
          </Num>
        ) : (
          <b>{terms.validDays} days</b>
        )}
        . With the order{' '}
        {figure(
          'Paid with the order',
          terms.depositPercent === undefined ? undefined : Number(terms.depositPercent),
          '%',
          (value) => onChange?.({ depositPercent: value === undefined ? undefined : String(value) }),
          { none: 'nothing', max: 100 },
        )}{' '}
        is paid, the rest{' '}
        {figure(
          'Days to pay',
          terms.paymentDays,
          'days after delivery',
          (value) => onChange?.({ paymentDays: value }),
          { none: 'on delivery', max: 365 },
        )}
        . Warranty:{' '}
        {figure('Warranty', terms.warrantyMonths, 'months', (value) => onChange?.({ warrantyMonths: value }), {
          none: 'as the law has it',
          max: 240,
        })}
        {terms.warrantyMonths === undefined ? '' : ' on '}
        {terms.warrantyMonths !== undefined &&
          (onChange ? (
            <Value
              label="What the warranty covers"
              editor={{
                kind: 'text',
                value: terms.covers ?? 'parts and work',
                onChange: (covers) => onChange({ covers }),
              }}
            >
              {terms.covers ?? 'what is agreed'}
            </Value>
          ) : (
            <b>{terms.covers ?? 'what is agreed'}</b>
          ))}
        ; sent back within{' '}
        {figure('Days to send it back', terms.returnDays, 'days', (value) => onChange?.({ returnDays: value }), {
          none: 'no agreed time',
          max: 365,
        })}
        . Said to be outside the price: {notIncluded.length === 0 && 'nothing'}
        {notIncluded.map((what, i) => (
          <Fragment key={what}>
            {i > 0 ? ', ' : ''}
            <b>{what}</b>
            {onChange && (
              <>
                {' '}
                <TextButton
                  aria-label={`Say nothing of ${what}`}
                  onClick={() => onChange({ notIncluded: notIncluded.filter((_, at) => at !== i) })}
                >
                  take away
                </TextButton>
              </>
            )}
          </Fragment>
        ))}
        {onChange && (
          <>
            {' '}
            <Value
              label="Not included"
              editor={{
                kind: 'text',
                value: '',
                onChange: (what) => onChange({ notIncluded: [...notIncluded, what] }),
              }}
            >
              add
            </Value>
          </>
        )}
        .
      </p>
      <p>
        On paper:{' '}
        {pick('Language of the paper', terms.locale, LANGUAGES, (locale) =>
          onChange?.({ locale: locale as Terms['locale'] }),
        )}
        , {pick('Sheet', terms.sheet, SHEETS, (sheet) => onChange?.({ sheet: sheet as Terms['sheet'] }))},{' '}
        {pick('What has a price', terms.show, SHOWN, (show) => onChange?.({ show: show as Terms['show'] }))}.
      </p>
    </div>
  );
}

const LANGUAGES = [
  ['en', 'English'],
  ['de', 'German'],
] as const;
const SHEETS = [
  ['A4', 'A4'],
  ['letter', 'letter'],
] as const;
const SHOWN = [
  ['lines', 'every part with its price'],
  ['one price', 'one price for the machine'],
] as const;
const WAYS: Readonly<Record<Margin['by'], string>> = {
  percent: 'the same share above cost',
  kind: 'a share by kind above cost',
  part: 'a share by line above cost',
  total: 'so much that the total is reached',
};

interface MarginProps extends Pick<Props, 'terms' | 'currency' | 'kinds' | 'usual'> {
  readonly onChange: Props['onChange'] | undefined;
  readonly pick: (
    label: string,
    value: string,
    options: readonly (readonly [string, string])[],
    change: (value: string) => void,
  ) => ReactNode;
}

function MarginSentence({ terms: { margin }, currency, kinds, usual, pick, onChange }: MarginProps) {
  const keep = (next: Margin) => onChange?.({ margin: next });
  const plain = margin.by === 'total' ? '0' : margin.percent;
  const change = (by: string) => {
    switch (by as Margin['by']) {
      case 'percent':
        return keep({ by: 'percent', percent: plain });
      case 'kind':
        return keep({ by: 'kind', percent: plain, kinds: {} });
      case 'part':
        return keep({ by: 'part', percent: plain, parts: {} });
      case 'total':
        return keep({
          by: 'total',
          totalMinor: margin.by === 'total' ? margin.totalMinor : minorOfShown(1000, currency),
        });
    }
  };
  const ways = (Object.keys(WAYS) as Margin['by'][]).filter((by) => !usual || by === 'percent' || by === 'kind');
  const share = (label: string, value: string, kept: (percent: string) => void): ReactNode =>
    onChange ? (
      <Num
        label={label}
        value={Number(value)}
        unit="%"
        max={999}
        onChange={(next) => next !== undefined && kept(String(Math.round(next * 1e4) / 1e4))}
      >
        {`${value} %`}
      </Num>
    ) : (
      <b>{value} %</b>
    );
  return (
    <>
      Parts cost the client{' '}
      {pick(
        'How parts are priced',
        margin.by,
        ways.map((by) => [by, WAYS[by]] as const),
        change,
      )}
      :{' '}
      {margin.by === 'total' ? (
        onChange ? (
          <Num
            label="Total of the quote"
            value={shownCoins(margin.totalMinor, currency)}
            unit={`${currency}, tax in`}
            onChange={(value) =>
              value !== undefined && value > 0 && keep({ by: 'total', totalMinor: minorOfShown(value, currency) })
            }
          >
            {coins(margin.totalMinor, currency)}
          </Num>
        ) : (
          <b>{coins(margin.totalMinor, currency)}</b>
        )
      ) : (
        share('Share above cost', margin.percent, (percent) => keep({ ...margin, percent }))
      )}
      {margin.by === 'kind' && (usual || kinds.length > 0) && (
        <>
          {' '}
          and for{' '}
          {(usual ? choice(PART_KINDS).map(({ value }) => value) : kinds)
            .filter((kind) => !usual || USUAL_KINDS.includes(kind))
            // what was sent says only what differs
            .filter((kind) => onChange !== undefined || margin.kinds[kind as PartKind] !== undefined)
            .map((kind, i) => (
              <Fragment key={kind}>
                {i > 0 ? ', ' : ''}
                {kindName(kind as PartKind)}{' '}
                {share(`Share above cost, ${kind}`, margin.kinds[kind as PartKind] ?? margin.percent, (percent) =>
                  keep({ ...margin, kinds: { ...margin.kinds, [kind]: percent } }),
                )}
              </Fragment>
            ))}
        </>
      )}
      {margin.by === 'part' && ' unless its line says otherwise'}.
    </>
  );
}

const USUAL_KINDS: readonly string[] = [
  'processor',
  'board',
  'memory',
  'graphics',
  'drive',
  'supply',
  'case',
  'cooler',
  'display',
];
