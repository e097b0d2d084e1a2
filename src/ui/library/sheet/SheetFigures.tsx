'use client';

import { fieldsOf, type Field } from '@/core/parts/fields';
import { number } from '@/core/words/format';
import { kindName } from '@/core/words/names';
import { valueWords } from '@/core/words/values';
import { resetPartField } from '@/server/actions';
import type { PartSheet } from '@/server/contract';
import type { ReactNode } from 'react';
import { TextButton } from '../../shared/TextButton';
import { FieldValue } from '../FieldValue';
import { StructureRows } from '../StructureRows';

interface SheetFiguresProps {
  readonly list: readonly Field[];
  readonly sheet: PartSheet;
  readonly lengthUnit: 'mm' | 'inch';
  readonly onChanged: () => void;
}

/** Figures of a part, each with its value to change and whether it was set by hand. */
export function SheetFigures({ list, ...rest }: SheetFiguresProps) {
  return (
    <dl className="facts small">
      {list.map((field) => (
        <FieldRow key={field.path} field={field} {...rest} />
      ))}
    </dl>
  );
}

function FieldRow({
  field,
  sheet,
  lengthUnit,
  onChanged,
}: Omit<SheetFiguresProps, 'list'> & { readonly field: Field }) {
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
          words={valueWords(field, value, { lengthUnit, names: sheet.names })}
          onKept={onChanged}
        />
      </dd>
      {field.path !== 'listPrices' && <StructureRows value={value} />}
    </>
  );
}

/** What its users and their tests say of a part. */
export function SheetEvidence({ sheet, onChanged }: { sheet: PartSheet; onChanged: () => void }) {
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
