'use client';

import Popover from '@mui/material/Popover';
import { useId, useState, type InputHTMLAttributes, type ReactNode } from 'react';
import { number } from '@/core/words/format';

export interface NumberEditor {
  readonly kind: 'number';
  readonly value: number | undefined;
  readonly unit?: string;
  readonly min?: number;
  readonly max?: number;
  readonly whole?: boolean;
  /** One sentence on what the figure does; also the reason when a value is refused. */
  readonly explains?: string;
  /** Whether the value may be taken away. */
  readonly optional?: boolean;
  readonly onChange: (value: number | undefined) => void;
}

export interface ChoiceEditor {
  readonly kind: 'choice';
  readonly value: string;
  readonly explains?: string;
  readonly options: readonly { readonly value: string; readonly label: string }[];
  readonly onChange: (value: string) => void;
}

export interface DateEditor {
  readonly kind: 'date';
  readonly value: string | undefined;
  readonly explains?: string;
  readonly onChange: (value: string | undefined) => void;
}

export interface TextEditor {
  readonly kind: 'text';
  readonly value: string;
  readonly onChange: (value: string) => void;
}

export type AnyEditor = NumberEditor | ChoiceEditor | TextEditor | DateEditor;

/** An underlined value in a sentence that opens a small editor with its unit. Enter keeps, Escape leaves. */
export function Value({ label, children, editor }: { label: string; children: ReactNode; editor: AnyEditor }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <button
        type="button"
        className="value"
        onClick={(event) => setAnchor(event.currentTarget)}
        aria-label={`${label}: ${typeof children === 'string' || typeof children === 'number' ? children : editor.value}. Change.`}
        aria-haspopup="dialog"
      >
        {children}
      </button>
      {anchor && (
        <Popover
          open
          anchorEl={anchor}
          onClose={() => setAnchor(null)}
          anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
        >
          <div className="pane" style={{ padding: 10, minWidth: 180 }}>
            <Editor label={label} editor={editor} onDone={() => setAnchor(null)} />
          </div>
        </Popover>
      )}
    </>
  );
}

function Editor({ label, editor, onDone }: { label: string; editor: AnyEditor; onDone: () => void }) {
  switch (editor.kind) {
    case 'choice':
      return (
        <div role="group" aria-label={label} className="stack" style={{ gap: 4 }}>
          <span className="quiet small">{label}</span>
          {editor.explains && <Explains text={editor.explains} />}
          {editor.options.map((option) => (
            <button
              key={option.value}
              type="button"
              className="chip"
              autoFocus={option.value === editor.value}
              aria-pressed={option.value === editor.value}
              onClick={() => {
                if (option.value !== editor.value) editor.onChange(option.value);
                onDone();
              }}
            >
              {option.label}
            </button>
          ))}
        </div>
      );
    case 'number':
      return <NumberForm label={label} editor={editor} onDone={onDone} />;
    case 'date':
      return <DateForm label={label} editor={editor} onDone={onDone} />;
    case 'text':
      return <TextForm label={label} editor={editor} onDone={onDone} />;
  }
}

/** The range that a field takes, as a sentence. */
function rangeText({ min, max, unit }: NumberEditor): string {
  const by = unit ? ` ${unit}` : '';
  if (min !== undefined && max !== undefined) return `Between ${number(min)} and ${number(max)}${by}.`;
  return min === undefined ? `At most ${number(max ?? 0)}${by}.` : `At least ${number(min)}${by}.`;
}

const Explains = ({ text }: { text: string }) => (
  <p className="quiet small" style={{ maxWidth: 260 }}>
    {text}
  </p>
);

/** A field with its label and "Keep"; what `keep` gives back is what is wrong, and stays beneath. */
function OneField({
  label,
  input,
  width,
  unit,
  keep,
  children,
}: {
  label: string;
  input: Omit<InputHTMLAttributes<HTMLInputElement>, 'value' | 'onChange'> & { readonly start: string };
  width: number;
  unit?: string | undefined;
  keep: (text: string) => string | undefined;
  children?: ReactNode;
}) {
  const { start, ...rest } = input;
  const [text, setText] = useState(start);
  const [message, setMessage] = useState<string>();
  const id = useId();
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        setMessage(keep(text));
      }}
    >
      <label htmlFor={id} className="quiet small">
        {label}
      </label>
      <span className="row" style={{ marginTop: 2 }}>
        <input
          {...rest}
          id={id}
          className="field"
          value={text}
          autoFocus
          onFocus={(event) => event.target.select()}
          onChange={(event) => setText(event.target.value)}
          style={{ width }}
          aria-invalid={message !== undefined}
        />
        {unit !== undefined && <span className="quiet">{unit}</span>}
        <button type="submit" className="chip">
          Keep
        </button>
      </span>
      {children}
      {message && (
        <p className="short small" role="alert">
          {message}
        </p>
      )}
    </form>
  );
}

const EMPTY_FOR_NONE = <p className="quiet small">Leave empty for none.</p>;

function NumberForm({ label, editor, onDone }: { label: string; editor: NumberEditor; onDone: () => void }) {
  const keep = (text: string): string | undefined => {
    if (text.trim() === '' && editor.optional) {
      editor.onChange(undefined);
      onDone();
      return undefined;
    }
    const value = Number(text.replace(',', '.'));
    if (text.trim() === '' || !Number.isFinite(value)) return 'Type a number.';
    if (editor.whole && !Number.isInteger(value)) return 'Type a whole number.';
    if ((editor.min !== undefined && value < editor.min) || (editor.max !== undefined && value > editor.max))
      return `${rangeText(editor)} ${editor.explains ?? ''}`.trim();
    if (value !== editor.value) editor.onChange(value);
    onDone();
    return undefined;
  };
  return (
    <OneField
      label={label}
      input={{ start: editor.value === undefined ? '' : String(editor.value), inputMode: 'decimal' }}
      width={110}
      unit={editor.unit ?? ''}
      keep={keep}
    >
      {editor.explains && <Explains text={editor.explains} />}
      {editor.optional && EMPTY_FOR_NONE}
    </OneField>
  );
}

function DateForm({ label, editor, onDone }: { label: string; editor: DateEditor; onDone: () => void }) {
  const keep = (text: string): undefined => {
    const value = text === '' ? undefined : text;
    if (value !== editor.value) editor.onChange(value);
    onDone();
  };
  return (
    <OneField label={label} input={{ start: editor.value ?? '', type: 'date' }} width={150} keep={keep}>
      {editor.explains && <Explains text={editor.explains} />}
      {EMPTY_FOR_NONE}
    </OneField>
  );
}

function TextForm({ label, editor, onDone }: { label: string; editor: TextEditor; onDone: () => void }) {
  const keep = (text: string): string | undefined => {
    const value = text.trim();
    if (value === '') return 'Type a name.';
    if (/[<>]/.test(value)) return 'Leave out < and >.';
    if (value !== editor.value) editor.onChange(value);
    onDone();
    return undefined;
  };
  return <OneField label={label} input={{ start: editor.value, maxLength: 80 }} width={220} keep={keep} />;
}
