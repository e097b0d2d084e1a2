'use client';

import { Fragment, type ReactNode } from 'react';
import { PART_KINDS, type PartKind } from '@/core/parts';
import type { Margin, QuoteTerms } from '@/core/quote/terms';
import { minorOfShown, shownCoins, timesFigure, type Currency } from '@/core/units/money';
import { coins, number } from '@/core/words/format';
import { kindName } from '@/core/words/names';
import { later, opening } from '../shared/later';
import { Opener } from '../shared/Opener';
import { TextButton } from '../shared/TextButton';
import { Value } from '../shared/Value';
import { Figure, OneOf, Words } from './Changeable';

const ClientEntry = later(() => import('./Entries').then((module) => module.PartyEntry), { meanwhile: opening });
const WorkEntry = later(() => import('./Entries').then((module) => module.WorkEntry), { meanwhile: opening });
const DiscountEntry = later(() => import('./Entries').then((module) => module.DiscountEntry), { meanwhile: opening });

export type UsualTerms = Omit<QuoteTerms, 'number' | 'revision' | 'from' | 'client' | 'discount' | 'options' | 'on'>;
export type Terms = UsualTerms & Partial<Pick<QuoteTerms, 'client' | 'discount' | 'options'>>;
export type TermsPatch = Partial<Terms>;

interface Props {
  readonly terms: Terms;
  readonly currency: Currency;
  /** Kinds of part that may have a margin of their own: those that are in it. */
  readonly kinds?: readonly PartKind[];
  /** Whether it is what the workshop usually offers: without a client and without a discount. */
  readonly usual?: boolean;
  /** Without it nothing can be changed: it was sent. */
  readonly onChange?: (patch: TermsPatch) => void;
}

/** What a quote is made on, as sentences whose values are changed in place. */
export function TermsSentence({ terms, currency, kinds = PART_KINDS, usual = false, onChange }: Props) {
  const { labour, notIncluded, discount } = terms;
  /** Changes one of the terms, where they can be changed. */
  const set = <K extends keyof Terms>(key: K): ((value: Terms[K]) => void) | undefined =>
    onChange && ((value) => onChange({ [key]: value }));
  const { shippingMinor } = terms;
  return (
    <div className="sentence" aria-label="Terms" role="group">
      {!usual && (
        <p>
          For <b>{terms.client?.name ?? 'nobody yet'}</b>
          {terms.client && terms.client.address.length > 0 ? `, ${terms.client.address.join(', ')}` : ''}{' '}
          {onChange && (
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
          )}
        </p>
      )}
      <p>
        <MarginSentence margin={terms.margin} {...{ currency, kinds, usual }} onChange={set('margin')} /> Sending costs
        the client{' '}
        <Figure
          label="Sending"
          value={shippingMinor === undefined ? undefined : shownCoins(shippingMinor, currency)}
          unit={currency}
          none="nothing extra"
          said={coins(shippingMinor ?? 0, currency)}
          onChange={
            onChange &&
            ((value) => onChange({ shippingMinor: value === undefined ? undefined : minorOfShown(value, currency) }))
          }
        />
        . Work:{' '}
        <Removable
          list={labour}
          said={(work) => (
            <>
              <b>{work.name}</b>,{' '}
              {work.hours !== undefined && work.hourMinor !== undefined
                ? `${number(work.hours)} h at ${coins(work.hourMinor, currency)}: `
                : ''}
              {coins(work.flatMinor ?? timesFigure(work.hourMinor ?? 0, work.hours ?? 0), currency)}
            </>
          )}
          away={({ name }) => `Take ${name} away`}
          onChange={set('labour')}
        />
        .{' '}
        {onChange && (
          <Opener label="Add work">
            {(close) => (
              <WorkEntry
                currency={currency}
                onKeep={(work) => onChange({ labour: [...labour, work] })}
                onDone={close}
              />
            )}
          </Opener>
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
        <Figure
          label="Days a quote holds"
          value={terms.validDays}
          unit="days"
          min={1}
          max={365}
          whole
          onChange={onChange && ((validDays) => validDays !== undefined && onChange({ validDays }))}
        />
        . With the order{' '}
        <Figure
          label="Paid with the order"
          value={terms.depositPercent === undefined ? undefined : Number(terms.depositPercent)}
          unit="%"
          max={100}
          none="nothing"
          onChange={
            onChange && ((value) => onChange({ depositPercent: value === undefined ? undefined : percentText(value) }))
          }
        />{' '}
        is paid, the rest{' '}
        <Figure
          label="Days to pay"
          value={terms.paymentDays}
          unit="days after delivery"
          max={365}
          whole
          none="on delivery"
          onChange={set('paymentDays')}
        />
        . Warranty:{' '}
        <Figure
          label="Warranty"
          value={terms.warrantyMonths}
          unit="months"
          max={240}
          whole
          none="as the law has it"
          onChange={set('warrantyMonths')}
        />
        {terms.warrantyMonths !== undefined && (
          <>
            {' '}
            on{' '}
            <Words label="What the warranty covers" value={terms.covers ?? 'what is agreed'} onChange={set('covers')} />
          </>
        )}
        ; sent back within{' '}
        <Figure
          label="Days to send it back"
          value={terms.returnDays}
          unit="days"
          max={365}
          whole
          none="no agreed time"
          onChange={set('returnDays')}
        />
        . Said to be outside the price:{' '}
        <Removable
          list={notIncluded}
          said={(what) => <b>{what}</b>}
          away={(what) => `Say nothing of ${what}`}
          onChange={set('notIncluded')}
        />{' '}
        {onChange && (
          <Value
            label="Not included"
            editor={{ kind: 'text', value: '', onChange: (what) => onChange({ notIncluded: [...notIncluded, what] }) }}
          >
            add
          </Value>
        )}
        .
      </p>
      <p>
        On paper:{' '}
        <OneOf label="Language of the paper" value={terms.locale} options={LANGUAGES} onChange={set('locale')} />,{' '}
        <OneOf label="Sheet" value={terms.sheet} options={SHEETS} onChange={set('sheet')} />,{' '}
        <OneOf label="What has a price" value={terms.show} options={SHOWN} onChange={set('show')} />.
      </p>
    </div>
  );
}

const LANGUAGES = { en: 'English', de: 'German' } as const;
const SHEETS = { A4: 'A4', letter: 'letter' } as const;
const SHOWN = { lines: 'every part with its price', 'one price': 'one price for the machine' } as const;
const WAYS: Readonly<Record<Margin['by'], string>> = {
  percent: 'the same share above cost',
  kind: 'a share by kind above cost',
  part: 'a share by line above cost',
  total: 'so much that the total is reached',
};
/** Without a machine there is neither a line nor a total. */
const USUAL_WAYS = { percent: WAYS.percent, kind: WAYS.kind } as const;

/** A percentage as terms keep it. */
const percentText = (value: number): string => String(Math.round(value * 1e4) / 1e4);

interface RemovableProps<T> {
  readonly list: readonly T[];
  readonly said: (entry: T) => ReactNode;
  /** How a screen reader names taking it away. */
  readonly away: (entry: T) => string;
  readonly onChange: ((list: T[]) => void) | undefined;
}

/** Entries in a sentence, each of which can be taken away. */
function Removable<T>({ list, said, away, onChange }: RemovableProps<T>) {
  if (list.length === 0) return 'nothing';
  return list.map((entry, i) => (
    <Fragment key={i}>
      {i > 0 ? '; ' : ''}
      {said(entry)}
      {onChange && (
        <>
          {' '}
          <TextButton aria-label={away(entry)} onClick={() => onChange(list.filter((other) => other !== entry))}>
            take away
          </TextButton>
        </>
      )}
    </Fragment>
  ));
}

interface MarginProps {
  readonly margin: Margin;
  readonly currency: Currency;
  readonly kinds: readonly PartKind[];
  readonly usual: boolean;
  readonly onChange: ((margin: Margin) => void) | undefined;
}

/** What parts cost the client above what they cost. */
function MarginSentence({ margin, currency, kinds, usual, onChange }: MarginProps) {
  const percent = margin.by === 'total' ? '0' : margin.percent;
  const anew = (by: Margin['by']): Margin => {
    switch (by) {
      case 'percent':
        return { by, percent };
      case 'kind':
        return { by, percent, kinds: {} };
      case 'part':
        return { by, percent, parts: {} };
      case 'total':
        return { by, totalMinor: minorOfShown(1000, currency) };
    }
  };
  return (
    <>
      Parts cost the client{' '}
      <OneOf<Margin['by']>
        label="How parts are priced"
        value={margin.by}
        options={(usual ? USUAL_WAYS : WAYS) as typeof WAYS}
        onChange={onChange && ((by) => onChange(anew(by)))}
      />
      :{' '}
      {margin.by === 'total' ? (
        <Figure
          label="Total of the quote"
          value={shownCoins(margin.totalMinor, currency)}
          unit={`${currency}, tax in`}
          min={0.01}
          said={coins(margin.totalMinor, currency)}
          onChange={
            onChange &&
            ((value) => value !== undefined && onChange({ by: 'total', totalMinor: minorOfShown(value, currency) }))
          }
        />
      ) : (
        <Figure
          label="Share above cost"
          value={Number(margin.percent)}
          unit="%"
          max={999}
          onChange={
            onChange && ((value) => value !== undefined && onChange({ ...margin, percent: percentText(value) }))
          }
        />
      )}
      {margin.by === 'kind' && <ByKind margin={margin} kinds={kinds} onChange={onChange} />}
      {margin.by === 'part' && ' unless its line says otherwise'}.
    </>
  );
}

/** Kinds that have a share of their own; the others have the usual one. */
function ByKind({
  margin,
  kinds,
  onChange,
}: Pick<MarginProps, 'kinds' | 'onChange'> & { readonly margin: Extract<Margin, { by: 'kind' }> }) {
  const own = PART_KINDS.filter((kind) => margin.kinds[kind] !== undefined);
  const others = kinds.filter((kind) => !own.includes(kind));
  const set = (kind: PartKind, value: number | undefined): void => {
    const { [kind]: _before, ...rest } = margin.kinds;
    onChange?.({ ...margin, kinds: value === undefined ? rest : { ...rest, [kind]: percentText(value) } });
  };
  return (
    <>
      {own.map((kind) => (
        <Fragment key={kind}>
          , for {kindName(kind)}{' '}
          <Figure
            label={`Share above cost, ${kindName(kind)}`}
            value={Number(margin.kinds[kind])}
            unit="%"
            max={999}
            none="as usual"
            onChange={onChange && ((value) => set(kind, value))}
          />
        </Fragment>
      ))}
      {onChange && others.length > 0 && (
        <>
          , for{' '}
          <Value
            label="Kind with a share of its own"
            editor={{
              kind: 'choice',
              value: '',
              options: others.map((kind) => ({ value: kind, label: kindName(kind) })),
              onChange: (kind) => set(kind as PartKind, Number(margin.percent)),
            }}
          >
            another kind
          </Value>
        </>
      )}
    </>
  );
}
