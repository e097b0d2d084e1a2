'use client';

import { Entry } from '../shared/Entry';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { TextButton } from '../shared/TextButton';
import { minorOfShown } from '@/core/units/money';
import Link from 'next/link';
import { useQuery } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { cellText } from '@/core/formats/csv/cells';
import { applies, fieldsOf, figuresOf, type Field } from '@/core/parts/fields';
import type { PartKind } from '@/core/parts';
import { convert } from '@/core/units/convert';
import { coins, number } from '@/core/words/format';
import { kindName } from '@/core/words/names';
import { removePart, resetPartField, setPartPrice } from '@/server/actions';
import type { PartSheet } from '@/server/contract';
import { structureSize } from '@/core/words/structure';
import { Panel } from '../shared/Panel';
import { NotThere, readJson, sheetUrl } from '../shared/asking';
import { FieldValue } from './FieldValue';
import { IntoDraft } from './IntoDraft';
import { StructureRows } from './StructureRows';

/** A value in words: plain ones with their unit, structures by what they hold. */
export function valueWords(field: Field, value: unknown, lengthUnit: 'mm' | 'inch' = 'mm'): string {
  if (value === null || value === undefined) return 'unknown';
  if (typeof value === 'number') {
    const inch = field.unit === 'mm' && lengthUnit === 'inch' ? convert(value, 'mm', 'inch') : undefined;
    const shown = value !== 0 && Math.abs(value) < 1e-4 ? value.toExponential(0) : number(inch ?? value, 5);
    return field.unit ? `${shown} ${inch === undefined ? field.unit : 'in'}` : shown;
  }
  if (Array.isArray(value)) {
    if (value.length === 0) return 'none';
    return field.type === 'list' ? value.join(', ') : `${value.length} ${value.length === 1 ? 'entry' : 'entries'}`;
  }
  if (typeof value === 'object') {
    const entries = Object.entries(value);
    if (entries.every(([, member]) => typeof member !== 'object'))
      return (
        entries
          .map(([name, member]) => (typeof member === 'number' ? `${member} × ${name}` : String(member)))
          .join(', ') || 'none'
      );
    return structureSize(value) ?? 'described';
  }
  return cellText(field, value);
}

const NAMES = ['maker', 'name', 'partNumber', 'gtin', 'announced', 'onSale', 'withdrawn', 'warrantyMonths', 'massG'];

interface SheetProps {
  readonly id: string;
  readonly version: number;
  readonly lengthUnit: 'mm' | 'inch';
  readonly onChanged: () => void;
  readonly onShow: (id: string) => void;
  readonly onClose: () => void;
  readonly onStart: (as: 'copy' | 'stand-in', sheet: PartSheet) => void;
}

/** All that is known of a part, where it came from, and what is not known with a place to fill it in. */
export function Sheet({ id, version, lengthUnit, onChanged, onShow, onClose, onStart }: SheetProps) {
  const { data: sheet, error } = useQuery({
    queryKey: [sheetUrl(id), version],
    queryFn: ({ signal }) => readJson<PartSheet>(sheetUrl(id), signal),
    // what was changed elsewhere shows when it is opened; a part that is gone is not asked for twice
    staleTime: 0,
    retry: (failures, problem) => failures < 1 && !(problem instanceof NotThere),
    // while a change is read the sheet stays
    placeholderData: (before) => (before?.part.id === id ? before : undefined),
  });
  if (!sheet)
    return error ? (
      <div className="pane">
        <p>
          {error instanceof NotThere
            ? 'This part is not in the library any more.'
            : `This part could not be read: ${error.message}. Open it again.`}
        </p>
        <TextButton onClick={onClose}>Close</TextButton>
      </div>
    ) : (
      <p className="pane quiet">Opening …</p>
    );
  return (
    <SheetBody
      key={id}
      sheet={sheet}
      lengthUnit={lengthUnit}
      onChanged={onChanged}
      onShow={onShow}
      onClose={onClose}
      onStart={onStart}
    />
  );
}

function SheetBody({
  sheet,
  lengthUnit,
  onChanged,
  onShow,
  onClose,
  onStart,
}: Omit<SheetProps, 'id' | 'version'> & { sheet: PartSheet }) {
  const { part } = sheet;
  const fields = fieldsOf(part.kind).filter((field) => !field.path.includes('.'));
  const figures = new Set(figuresOf(part.kind).map((field) => field.path));
  const value = (path: string) => sheet.fields.find((entry) => entry.path === path)?.value;
  const known = fields.filter(
    (field) => figures.has(field.path) && !NAMES.includes(field.path) && value(field.path) !== null,
  );
  const unknown = fields.filter(
    (field) =>
      figures.has(field.path) && !NAMES.includes(field.path) && value(field.path) === null && applies(part, field.path),
  );
  const rows = (list: readonly Field[]) =>
    list.map((field) => (
      <FieldRow key={field.path} field={field} sheet={sheet} lengthUnit={lengthUnit} onChanged={onChanged} />
    ));
  return (
    <Box className="pane" sx={{ padding: '10px 14px 20px', '& > section': { marginTop: '14px' } }}>
      <Box className="panehead" sx={{ marginBottom: '2px' }}>
        <Box component="h1" sx={{ fontSize: 16, lineHeight: '21px' }}>
          {part.maker} {part.name}
        </Box>
        <TextButton onClick={onClose}>Close</TextButton>
      </Box>
      <p className="quiet small">
        {kindName(part.kind)}
        {sheet.state === 'on sale'
          ? ''
          : `, ${sheet.state}${part.withdrawn ? ` ${part.withdrawn}` : part.onSale ? ` for ${part.onSale}` : ''}`}
        {' · '}
        {originWords(sheet)}
      </p>
      {part.figuresFrom && (
        <Box component="p" className="small caution" sx={{ marginTop: '4px' }}>
          ◆ Its figures are borrowed from{' '}
          <TextButton onClick={() => onShow(part.figuresFrom ?? '')}>{part.figuresFrom}</TextButton>, because its own
          are not published.
        </Box>
      )}
      <Actions sheet={sheet} onChanged={onChanged} onStart={onStart} onClose={onClose} />
      {unknown.length > 0 && (
        <Panel title={`Unknown (${unknown.length})`}>
          <dl className="facts small">{rows(unknown)}</dl>
        </Panel>
      )}
      <Panel title="Figures">
        <dl className="facts small">{rows(known)}</dl>
      </Panel>
      <Panel title="Price">
        <Prices sheet={sheet} onChanged={onChanged} />
      </Panel>
      {sheet.lookalikes.length > 0 && <Lookalikes sheet={sheet} onShow={onShow} />}
      {sheet.uses.length > 0 && (
        <Panel title="Used by">
          <ul className="small">
            {sheet.uses.map((use, i) => (
              <li key={i}>
                {use.href ? <Link href={use.href}>{use.label}</Link> : use.label}
                {use.standsInFor && <span className="caution"> stands in for {use.standsInFor}</span>}
              </li>
            ))}
          </ul>
        </Panel>
      )}
      <Panel title="Evidence">
        <Evidence sheet={sheet} onChanged={onChanged} />
      </Panel>
      <Panel title="Names and dates">
        <dl className="facts small">{rows(fields.filter((field) => NAMES.includes(field.path)))}</dl>
      </Panel>
    </Box>
  );
}

const originWords = ({ origin, part }: PartSheet): string => {
  const from = origin
    ? origin.origin === 'by hand'
      ? `by hand on ${origin.at.slice(0, 10)}`
      : `from ${origin.origin}, ${origin.at.slice(0, 10)}`
    : 'origin not recorded';
  return part.source && part.source !== 'by hand' ? `${from}; source: ${part.source}` : from;
};

function FieldRow({
  field,
  sheet,
  lengthUnit,
  onChanged,
}: {
  field: Field;
  sheet: PartSheet;
  lengthUnit: 'mm' | 'inch';
  onChanged: () => void;
}) {
  const entry = sheet.fields.find((candidate) => candidate.path === field.path);
  const value = entry?.value ?? null;
  return (
    <>
      <dt>
        {field.label}
        {entry?.hand && (
          <span className="unproven">
            {' '}
            by hand {entry.hand.at.slice(0, 10)}{' '}
            <TextButton
              onClick={() => void resetPartField(sheet.part.id, field.path).then(onChanged)}
              aria-label={`Take back ${field.label} set by hand`}
            >
              take back
            </TextButton>
          </span>
        )}
      </dt>
      <dd>
        <FieldValue
          partId={sheet.part.id}
          field={field}
          value={value}
          words={valueWords(field, value, lengthUnit)}
          onKept={onChanged}
        />
      </dd>
      {field.path !== 'listPrices' && <StructureRows value={value} />}
    </>
  );
}

function Actions({
  sheet,
  onChanged,
  onStart,
  onClose,
}: Pick<SheetProps, 'onChanged' | 'onStart' | 'onClose'> & { sheet: PartSheet }) {
  const [refused, setRefused] = useState<string>();
  const remove = async () => {
    const result = await removePart(sheet.part.id);
    if (result.state === 'refused') return setRefused(result.problems.map((problem) => problem.message).join(' '));
    onChanged();
    onClose();
  };
  return (
    <>
      <Box component="span" className="row wrap small" sx={{ gap: '10px', marginTop: '6px' }}>
        <IntoDraft key={sheet.part.id} part={sheet.part.id} />
        <TextButton onClick={() => onStart('copy', sheet)}>Copy as a start</TextButton>
        <TextButton onClick={() => onStart('stand-in', sheet)}>Let it stand in</TextButton>
        <TextButton onClick={() => void remove()}>Remove</TextButton>
      </Box>
      {refused && (
        <Box component="p" className="short small" role="alert" sx={{ marginTop: '4px' }}>
          Not removed: it {refused}.
        </Box>
      )}
    </>
  );
}

function Prices({ sheet, onChanged }: { sheet: PartSheet; onChanged: () => void }) {
  const { region, offers, part } = sheet;
  const [text, setText] = useState('');
  const [message, setMessage] = useState<string>();
  if (!region) return <p className="quiet small">The catalogue has no region yet, so no price can be named.</p>;
  const keep = async () => {
    const value = Number(text.replace(',', '.'));
    if (text.trim() === '' || !(value > 0)) return setMessage('Type a price above 0.');
    const result = await setPartPrice(part.id, minorOfShown(value, region.currency));
    if (result.state === 'refused') return setMessage(result.problems.map((problem) => problem.message).join(' '));
    setText('');
    setMessage(undefined);
    onChanged();
  };
  return (
    <>
      <ul className="small">
        {offers.map((offer) => (
          <Box component="li" key={offer.id} className="spread" sx={{ padding: '2px 0' }}>
            <span>
              {offer.seller}, {offer.condition}, {offer.asOf}
              {offer.byHand && (
                <TextButton
                  sx={{ marginLeft: '6px' }}
                  onClick={() => void setPartPrice(part.id, undefined).then(onChanged)}
                >
                  take away
                </TextButton>
              )}
            </span>
            <span className="num">{coins(offer.landedMinor, region.currency)}</span>
          </Box>
        ))}
      </ul>
      <p className="quiet small">
        {offers.length === 0 ? `No offer in ${region.name}. ` : ''}Landed in {region.name}: tax and shipping in.
      </p>
      <Box
        component="form"
        className="row small"
        sx={{ marginTop: '4px' }}
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <label htmlFor="hand-price" className="quiet">
          Own price, tax {region.pricesIncludeTax ? 'in' : 'not in'}
        </label>
        <Entry
          id="hand-price"
          width={86}
          inputMode="decimal"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        <span className="quiet">{region.currency}</span>
        <Button variant="outlined" type="submit">
          Keep
        </Button>
      </Box>
      {message && (
        <p className="short small" role="alert">
          {message}
        </p>
      )}
    </>
  );
}

function Lookalikes({ sheet, onShow }: { sheet: PartSheet; onShow: (id: string) => void }) {
  const { kind } = sheet.part;
  return (
    <Panel title={`Easily taken for it (${sheet.lookalikes.length})`}>
      <ul className="small">
        {sheet.lookalikes.map((other) => (
          <Box component="li" key={other.id} sx={{ padding: '4px 0', borderBottom: '1px solid var(--hair)' }}>
            <TextButton onClick={() => onShow(other.id)}>{other.name}</TextButton>{' '}
            <span className="quiet">{other.because === 'variant' ? 'stated variant' : 'nearly the same name'}</span>
            {other.differences.length === 0 ? (
              <Box component="span" className="carries" sx={{ display: 'block' }}>
                no figure differs
              </Box>
            ) : (
              other.differences.map((difference) => (
                <Difference key={difference.path} kind={kind} difference={difference} />
              ))
            )}
          </Box>
        ))}
      </ul>
    </Panel>
  );
}

function Difference({
  kind,
  difference,
}: {
  kind: PartKind;
  difference: PartSheet['lookalikes'][number]['differences'][number];
}) {
  const field = fieldsOf(kind).find((candidate) => candidate.path === difference.path);
  if (!field) return null;
  return (
    <Box component="span" className="caution" sx={{ display: 'block' }}>
      ◆ {field.label}: {valueWords(field, difference.here)} here, {valueWords(field, difference.there)} there
    </Box>
  );
}

function Evidence({ sheet, onChanged }: { sheet: PartSheet; onChanged: () => void }) {
  const { rating, part } = sheet;
  const members = fieldsOf(part.kind).filter((field) => field.path.startsWith('evidence.'));
  return (
    <>
      {rating && (
        <p className="small">
          {number(rating.mean, 2)} of 5 from {number(rating.ratings)} ratings counts as{' '}
          <b>{number(rating.shrunk, 3)}</b>: few ratings count little, so it is drawn towards{' '}
          {number(rating.kindMean, 3)}, the mean of all {kindName(part.kind)} ratings.
        </p>
      )}
      <dl className="facts small">
        {members.map((field) => {
          const value = sheet.fields.find((entry) => entry.path === field.path)?.value ?? null;
          const share = field.path === 'evidence.returnRate' && typeof value === 'number';
          return (
            <FieldRowPlain key={field.path} label={field.label.replace(/^evidence: /, '')}>
              <FieldValue
                partId={part.id}
                field={field}
                value={value}
                words={share ? `${number(value * 100, 2)} %` : valueWords(field, value)}
                onKept={onChanged}
              />
            </FieldRowPlain>
          );
        })}
      </dl>
    </>
  );
}

const FieldRowPlain = ({ label, children }: { label: string; children: ReactNode }) => (
  <>
    <dt>{label}</dt>
    <dd>{children}</dd>
  </>
);
