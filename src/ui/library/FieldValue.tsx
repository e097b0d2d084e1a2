'use client';

import { Press } from '../shared/Press';
import { Entry } from '../shared/Entry';
import Box from '@mui/material/Box';
import { ChoiceButton } from '../shared/ChoiceButton';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import Popover from '@mui/material/Popover';
import { useId, useState } from 'react';
import { cellText } from '@/core/formats/csv/cells';
import type { Problem } from '@/core/formats/problems';
import type { Field } from '@/core/parts/fields';
import { setPartField } from '@/server/actions';
import { StructureEditor } from './StructureEditor';

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
  const keep = async (change: Change) => {
    setBusy(true);
    const result = await setPartField(partId, field.path, change);
    setBusy(false);
    if (result.state === 'refused') return setProblems(result.problems);
    close();
    onKept();
  };
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
              <Chips field={field} value={value} onPick={(text) => void keep({ text })} />
            ) : (
              <Typed field={field} value={value} busy={busy} onKeep={(text) => void keep({ text })} />
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
          onKeep={(structure) => void keep({ structure })}
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

function Typed({
  field,
  value,
  busy,
  onKeep,
}: {
  field: Field;
  value: unknown;
  busy: boolean;
  onKeep: (text: string) => void;
}) {
  const [text, setText] = useState(cellText(field, value ?? undefined));
  const id = useId();
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onKeep(text);
      }}
    >
      <label htmlFor={id} className="quiet small">
        {field.label}
        {field.type === 'list' ? ', with | between' : ''}
      </label>
      <Box component="span" className="row" sx={{ marginTop: '2px' }}>
        <Entry
          id={id}
          value={text}
          autoFocus
          onFocus={(event) => event.target.select()}
          onChange={(event) => setText(event.target.value)}
          placeholder={field.type === 'date' ? '2026-05-18' : 'unknown'}
        />
        <span className="quiet">{field.unit}</span>
        <Button variant="outlined" type="submit" disabled={busy}>
          Keep
        </Button>
      </Box>
      {!field.required && (
        <p className="quiet small">
          {field.unit ? 'Another unit may stand behind the number. ' : ''}Empty means unknown.
        </p>
      )}
    </form>
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
