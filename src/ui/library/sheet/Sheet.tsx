'use client';

import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import { applies, fieldsOf, figuresOf } from '@/core/parts/fields';
import { kindName } from '@/core/words/names';
import type { PartSheet } from '@/server/contract';
import { NotThere } from '../../shared/asking';
import { Panel } from '../../shared/Panel';
import { TextButton } from '../../shared/TextButton';
import { sheetQuery } from './sheetQuery';
import type { SheetProps } from './props';
import { SheetActions } from './SheetActions';
import { SheetEvidence, SheetFigures } from './SheetFigures';
import { SheetLookalikes } from './SheetLookalikes';
import { SheetPrices } from './SheetPrices';
import { PageLink } from '../../shared/PageLink';

const NAMES = ['maker', 'name', 'partNumber', 'gtin', 'announced', 'onSale', 'withdrawn', 'warrantyMonths', 'massG'];

/** All that is known of a part, where it came from, and what is not known with a place to fill it in. */
export function Sheet({ id, version, ...rest }: SheetProps) {
  const { data: sheet, error } = useQuery({
    ...sheetQuery(id, version),
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
        <TextButton onClick={rest.onClose}>Close</TextButton>
      </div>
    ) : (
      <p className="pane quiet">Opening …</p>
    );
  return <SheetBody key={id} sheet={sheet} {...rest} />;
}

function SheetBody({
  sheet,
  lengthUnit,
  beside,
  onChanged,
  onBeside,
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
  const figuresFor = { sheet, lengthUnit, onChanged };
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
          <TextButton onClick={() => onShow(part.figuresFrom ?? '')}>
            {sheet.names[part.figuresFrom] ?? part.figuresFrom}
          </TextButton>
          , because its own are not published.
        </Box>
      )}
      <SheetActions
        sheet={sheet}
        beside={beside}
        onChanged={onChanged}
        onStart={onStart}
        onClose={onClose}
        onBeside={onBeside}
      />
      {unknown.length > 0 && (
        <Panel title={`Unknown (${unknown.length})`}>
          <SheetFigures list={unknown} {...figuresFor} />
        </Panel>
      )}
      <Panel title="Figures">
        <SheetFigures list={known} {...figuresFor} />
      </Panel>
      <Panel title="Price">
        <SheetPrices sheet={sheet} onChanged={onChanged} />
      </Panel>
      {sheet.lookalikes.length > 0 && <SheetLookalikes sheet={sheet} onShow={onShow} />}
      {sheet.uses.length > 0 && (
        <Panel title="Used by">
          <ul className="small">
            {sheet.uses.map((use, i) => (
              <li key={i}>
                {use.href ? <PageLink href={use.href}>{use.label}</PageLink> : use.label}
                {use.standsInFor && <span className="caution"> stands in for {use.standsInFor}</span>}
              </li>
            ))}
          </ul>
        </Panel>
      )}
      <Panel title="Evidence">
        <SheetEvidence sheet={sheet} onChanged={onChanged} />
      </Panel>
      <Panel title="Names and dates">
        <SheetFigures list={fields.filter((field) => NAMES.includes(field.path))} {...figuresFor} />
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
