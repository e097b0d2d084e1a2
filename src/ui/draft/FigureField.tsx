'use client';

import Box from '@mui/material/Box';
import { z } from 'zod';
import type { MissingFigure } from '@/core/figures/missing';
import { fullName } from '@/core/model/fitted';
import { figureMeta, isNumberField } from '@/core/parts';
import { fieldsOf, valueAt } from '@/core/parts/fields';
import { typedNumber } from '@/core/units/typed';
import { useSeat } from '../seat/useSeat';
import { FormField, FormLine, SchemaForm } from '../shared/form';
import { later, opening } from '../shared/later';

// a number has a field of its own
const FieldValue = later(() => import('../library/FieldValue').then((module) => module.FieldValue), {
  meanwhile: opening,
  soon: true,
});

const FIGURE_FORM = z.object({ figure: typedNumber({}) });

/** A missing figure with a field to fill it in on the spot. */
export function FigureField({ figure }: { figure: MissingFigure }) {
  const part = useSeat((state) => state.context.catalogue.part(figure.part));
  const fill = useSeat((state) => state.fill);
  const refresh = useSeat((state) => state.refresh);
  if (!part) return null;
  const meta = figureMeta(part.kind, figure.field);
  const name = `${meta.label}${meta.unit ? ` in ${meta.unit}` : ''}`;
  if (!isNumberField(part.kind, figure.field)) {
    // a yes or no, a choice, a list or a structure opens the editor that the library has for it
    const field = fieldsOf(part.kind).find((entry) => entry.path === figure.field);
    return (
      <p className="small">
        {fullName(part)}: {meta.label} is{' '}
        {field ? (
          <FieldValue
            partId={part.id}
            field={field}
            value={valueAt(part, field.path)}
            words="not stated"
            onKept={() => void refresh()}
          />
        ) : (
          'not stated'
        )}
        .
      </p>
    );
  }
  const called = `${fullName(part)}: ${name}`;
  return (
    <Box sx={{ mt: 3, maxWidth: 420 }}>
      <SchemaForm
        schema={FIGURE_FORM}
        start={{ figure: '' }}
        onKeep={async ({ figure: typed }) => {
          const against = await fill(figure.part, figure.field, typed);
          return against.map(({ message }) => ({ path: 'figure', message: `${meta.label} ${message}` }));
        }}
      >
        {({ busy }) => (
          <FormLine send="Fill in" busy={busy} below>
            <FormField name="figure" label={called} above inputMode="decimal" placeholder="not stated" />
          </FormLine>
        )}
      </SchemaForm>
    </Box>
  );
}
