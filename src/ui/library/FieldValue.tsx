'use client';

import { Press } from '../shared/Press';
import Box from '@mui/material/Box';
import { ChoiceButton } from '../shared/ChoiceButton';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import Popover from '@mui/material/Popover';
import { useState } from 'react';
import { z } from 'zod';
import { cellText } from '@/core/formats/csv/cells';
import type { Problem } from '@/core/formats/problems';
import type { Field } from '@/core/parts/fields';
import { setPartField } from '@/server/actions';
import { FormDay, FormField, FormLine, SchemaForm, type Against } from '../shared/form';
import { later, opening } from '../shared/later';

// only structures have an editor of their own
const StructureEditor = later(() => import('./StructureEditor').then((module) => module.StructureEditor), {
  meanwhile: opening,
});

type Change = { text: string } | { structure: unknown };

/** A value of a part that opens an editor of its kind; what is typed is read with its unit and checked whole. */
export function FieldValue({
  partId,
  field,
  value,
  words,
  onKept,
}: {
  partId: string;
  field: Field;
  value: unknown;
  words: string;
  onKept: () => void;
}) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [open, setOpen] = useState(false);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const unknown = value === null || value === undefined;

  const close = () => {
    setAnchor(null);
    setOpen(false);
    setProblems([]);
  };
  const keep = async (change: Change): Promise<Against> => {
    setBusy(true);
    const result = await setPartField(partId, field.path, change);
    setBusy(false);
    if (result.state === 'refused') return result.problems;
    close();
    onKept();
    return undefined;
  };
  const pick = async (change: Change) => setProblems((await keep(change)) ?? []);
  return (
    <>
      <Press
        className={`figure${unknown ? ' unproven' : ''}`}
        aria-haspopup="dialog"
        aria-label={`${field.label}: ${unknown ? 'unknown' : words}. Change.`}
        onClick={(event) => (field.type === 'structure' ? setOpen(true) : setAnchor(event.currentTarget))}
      >
        {unknown ? 'unknown' : words}
      </Press>
      {anchor && (
        <Popover
          open
          anchorEl={anchor}
          onClose={close}
          anchorOrigin={{ vertical: 'bottom', horizontal: 'right' }}
          transformOrigin={{ vertical: 'top', horizontal: 'right' }}
        >
          <Box className="pane" sx={{ padding: '10px', minWidth: 210, maxWidth: 320 }}>
            {field.type === 'choice' || field.type === 'flag' ? (
              <Chips field={field} value={value} onPick={(text) => void pick({ text })} />
            ) : (
              <Typed field={field} value={value} onKeep={(text) => keep({ text })} />
            )}
            <Refusals problems={problems} />
          </Box>
        </Popover>
      )}
      {open && (
        <StructureDialog
          field={field}
          value={value}
          busy={busy}
          problems={problems}
          onClose={close}
          onKeep={(structure) => void pick({ structure })}
        />
      )}
    </>
  );
}

function Refusals({ problems }: { problems: readonly Problem[] }) {
  return problems.length === 0 ? null : (
    <Box component="ul" className="short small" role="alert" sx={{ marginTop: '6px' }}>
      {problems.map((problem, i) => (
        <li key={i}>
          {problem.path} {problem.message}
        </li>
      ))}
    </Box>
  );
}

function Chips({ field, value, onPick }: { field: Field; value: unknown; onPick: (text: string) => void }) {
  const options = field.type === 'flag' ? ['yes', 'no'] : field.choices;
  const now = cellText(field, value ?? undefined);
  return (
    <Box role="group" aria-label={field.label} className="stack" sx={{ gap: '4px' }}>
      <span className="quiet small">{field.label}</span>
      {[...options, ''].map((option) => (
        <ChoiceButton key={option} autoFocus={option === now} chosen={option === now} onClick={() => onPick(option)}>
          {option === '' ? 'unknown' : option}
        </ChoiceButton>
      ))}
    </Box>
  );
}

const typedForm = z.object({ text: z.string() });

/** What is typed is read by the server with its unit; what is wrong stands at the field. */
function Typed({ field, value, onKeep }: { field: Field; value: unknown; onKeep: (text: string) => Promise<Against> }) {
  const start = cellText(field, value ?? undefined);
  return (
    <SchemaForm
      schema={typedForm}
      start={{ text: start }}
      onKeep={async ({ text }) => {
        const against = await onKeep(text);
        // there is one field here: what is said is said of it
        return against?.map(({ path, message }) => ({ path: 'text', message: `${path} ${message}` }));
      }}
    >
      {({ busy }) => (
        <FormLine busy={busy}>
          {field.type === 'date' ? (
            <FormDay name="text" label={field.label} />
          ) : (
            <FormField
              name="text"
              label={`${field.label}${field.type === 'list' ? ', with | between' : ''}`}
              unit={field.unit}
              autoFocus
              onFocus={(event) => event.target.select()}
              placeholder="unknown"
              hint={
                field.required
                  ? ''
                  : `${field.unit ? 'Another unit may stand behind the number. ' : ''}Empty means unknown.`
              }
            />
          )}
        </FormLine>
      )}
    </SchemaForm>
  );
}

function StructureDialog({
  field,
  value,
  busy,
  problems,
  onClose,
  onKeep,
}: {
  field: Field;
  value: unknown;
  busy: boolean;
  problems: readonly Problem[];
  onClose: () => void;
  onKeep: (value: unknown) => void;
}) {
  const [draft, setDraft] = useState<unknown>(value ?? undefined);
  return (
    <Dialog open onClose={onClose} maxWidth="lg" fullWidth aria-labelledby="structure-title">
      <Box className="pane" sx={{ padding: '16px' }}>
        <div className="panehead">
          <h1 id="structure-title">{field.label}</h1>
        </div>
        <Box sx={{ maxHeight: '62vh', overflow: 'auto' }}>
          <StructureEditor schema={field.schema} label={field.label} value={draft} onChange={setDraft} />
        </Box>
        <Refusals problems={problems} />
        <Box className="row" sx={{ marginTop: '12px' }}>
          <Button variant="contained" disabled={busy} onClick={() => onKeep(draft ?? null)}>
            Keep
          </Button>
          <Button onClick={onClose}>Leave as it was</Button>
        </Box>
      </Box>
    </Dialog>
  );
}
