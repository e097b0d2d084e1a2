'use client';

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
      <button
        type="button"
        className={`figure${unknown ? ' unproven' : ''}`}
        aria-haspopup="dialog"
        aria-label={`${field.label}: ${unknown ? 'unknown' : words}. Change.`}
        onClick={(event) => (field.type === 'structure' ? setOpen(true) : setAnchor(event.currentTarget))}
      >
        {unknown ? 'unknown' : words}
      </button>
      {anchor && (
        <Popover
          open
          anchorEl={anchor}
          onClose={close}
          anchorOrigin={{ vertical: 'bottom', horizontal: 'right' }}
          transformOrigin={{ vertical: 'top', horizontal: 'right' }}
        >
          <div className="pane" style={{ padding: 10, minWidth: 210, maxWidth: 320 }}>
            {field.type === 'choice' || field.type === 'flag' ? (
              <Chips field={field} value={value} onPick={(text) => void keep({ text })} />
            ) : (
              <Typed field={field} value={value} busy={busy} onKeep={(text) => void keep({ text })} />
            )}
            <Refusals problems={problems} />
          </div>
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
    <ul className="short small" role="alert" style={{ marginTop: 6 }}>
      {problems.map((problem, i) => (
        <li key={i}>
          {problem.path} {problem.message}
        </li>
      ))}
    </ul>
  );
}

function Chips({ field, value, onPick }: { field: Field; value: unknown; onPick: (text: string) => void }) {
  const options = field.type === 'flag' ? ['yes', 'no'] : field.choices;
  const now = cellText(field, value ?? undefined);
  return (
    <div role="group" aria-label={field.label} className="stack" style={{ gap: 4 }}>
      <span className="quiet small">{field.label}</span>
      {[...options, ''].map((option) => (
        <button
          key={option}
          type="button"
          className="chip"
          autoFocus={option === now}
          aria-pressed={option === now}
          onClick={() => onPick(option)}
        >
          {option === '' ? 'unknown' : option}
        </button>
      ))}
    </div>
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
      <span className="row" style={{ marginTop: 2 }}>
        <input
          id={id}
          className="field"
          value={text}
          autoFocus
          onFocus={(event) => event.target.select()}
          onChange={(event) => setText(event.target.value)}
          placeholder={field.type === 'date' ? '2026-05-18' : 'unknown'}
        />
        <span className="quiet">{field.unit}</span>
        <button type="submit" className="chip" disabled={busy}>
          Keep
        </button>
      </span>
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
      <div className="pane" style={{ padding: 16 }}>
        <div className="panehead">
          <h1 id="structure-title">{field.label}</h1>
        </div>
        <div style={{ maxHeight: '62vh', overflow: 'auto' }}>
          <StructureEditor schema={field.schema} label={field.label} value={draft} onChange={setDraft} />
        </div>
        <Refusals problems={problems} />
        <div className="row" style={{ marginTop: 12 }}>
          <Button variant="contained" disabled={busy} onClick={() => onKeep(draft ?? null)}>
            Keep
          </Button>
          <Button onClick={onClose}>Leave as it was</Button>
        </div>
      </div>
    </Dialog>
  );
}
