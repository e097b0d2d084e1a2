'use client';

import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import InputAdornment from '@mui/material/InputAdornment';
import Popover from '@mui/material/Popover';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import Typography from '@mui/material/Typography';
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
      <ButtonBase
        component="button"
        type="button"
        onClick={(event) => setAnchor(event.currentTarget)}
        aria-label={`${label}: ${typeof children === 'string' || typeof children === 'number' ? children : editor.value}. Change.`}
        aria-haspopup="dialog"
        sx={VALUE}
      >
        {children}
      </ButtonBase>
      {anchor && (
        <Popover
          open
          anchorEl={anchor}
          onClose={() => setAnchor(null)}
          anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
          slotProps={{ paper: { sx: { p: 3, minWidth: 190, maxWidth: 360 } } }}
        >
          <Editor label={label} editor={editor} onDone={() => setAnchor(null)} />
        </Popover>
      )}
    </>
  );
}

/** In normal weight with a thin line under it, which strengthens under the pointer and the focus. */
const VALUE = {
  display: 'inline',
  font: 'inherit',
  verticalAlign: 'baseline',
  lineHeight: '20px',
  borderBottom: '1px solid var(--carries-soft)',
  textAlign: 'inherit',
  '&:hover, &.Mui-focusVisible': { borderBottomColor: 'var(--carries)', boxShadow: '0 1px 0 var(--carries)' },
} as const;

function Editor({ label, editor, onDone }: { label: string; editor: AnyEditor; onDone: () => void }) {
  switch (editor.kind) {
    case 'choice':
      return <Choices label={label} editor={editor} onDone={onDone} />;
    case 'number':
      return <NumberForm label={label} editor={editor} onDone={onDone} />;
    case 'date':
      return <DateForm label={label} editor={editor} onDone={onDone} />;
    case 'text':
      return <TextForm label={label} editor={editor} onDone={onDone} />;
  }
}

function Choices({ label, editor, onDone }: { label: string; editor: ChoiceEditor; onDone: () => void }) {
  return (
    <Stack role="group" aria-label={label} sx={{ gap: 1, alignItems: 'flex-start' }}>
      <Typography variant="body2" color="text.secondary">
        {label}
      </Typography>
      {editor.explains && <Explains text={editor.explains} />}
      {editor.options.map((option) => (
        <ToggleButton
          key={option.value}
          value={option.value}
          size="small"
          selected={option.value === editor.value}
          autoFocus={option.value === editor.value}
          onClick={() => {
            if (option.value !== editor.value) editor.onChange(option.value);
            onDone();
          }}
          sx={{ textAlign: 'left', justifyContent: 'flex-start' }}
        >
          {option.label}
        </ToggleButton>
      ))}
    </Stack>
  );
}

/** The range that a field takes, as a sentence. */
function rangeText({ min, max, unit }: NumberEditor): string {
  const by = unit ? ` ${unit}` : '';
  if (min !== undefined && max !== undefined) return `Between ${number(min)} and ${number(max)}${by}.`;
  return min === undefined ? `At most ${number(max ?? 0)}${by}.` : `At least ${number(min)}${by}.`;
}

const Explains = ({ text }: { text: string }) => (
  <Typography variant="body2" color="text.secondary" sx={{ maxWidth: 280, mt: 1 }}>
    {text}
  </Typography>
);

interface OneFieldProps {
  readonly label: string;
  readonly start: string;
  readonly input?: InputHTMLAttributes<HTMLInputElement>;
  readonly width: number;
  readonly unit?: string | undefined;
  /** What it gives back is what is wrong, and stays beneath. */
  readonly keep: (text: string) => string | undefined;
  readonly children?: ReactNode;
}

/** A field with its label, its unit and "Keep". */
function OneField({ label, start, input, width, unit, keep, children }: OneFieldProps) {
  const [text, setText] = useState(start);
  const [message, setMessage] = useState<string>();
  const id = useId();
  return (
    <form
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        setMessage(keep(text));
      }}
    >
      <Typography component="label" htmlFor={id} variant="body2" color="text.secondary">
        {label}
      </Typography>
      <Stack direction="row" sx={{ gap: 2, mt: 1, alignItems: 'center' }}>
        <TextField
          id={id}
          value={text}
          autoFocus
          type={input?.type ?? 'text'}
          error={message !== undefined}
          onFocus={(event) => event.target.select()}
          onChange={(event) => setText(event.target.value)}
          sx={{ width }}
          slotProps={{
            htmlInput: input ?? {},
            input: {
              endAdornment: unit ? <InputAdornment position="end">{unit}</InputAdornment> : undefined,
            },
          }}
        />
        <Button type="submit" variant="outlined">
          Keep
        </Button>
      </Stack>
      {children}
      {message && (
        <Typography variant="body2" color="error" role="alert" sx={{ mt: 1, maxWidth: 280 }}>
          {message}
        </Typography>
      )}
    </form>
  );
}

const EMPTY_FOR_NONE = <Explains text="Leave empty for none." />;

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
      start={editor.value === undefined ? '' : String(editor.value)}
      input={{ inputMode: 'decimal' }}
      width={130 + 7 * (editor.unit ?? '').length}
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
    <OneField label={label} start={editor.value ?? ''} input={{ type: 'date' }} width={160} keep={keep}>
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
  return <OneField label={label} start={editor.value} input={{ maxLength: 80 }} width={230} keep={keep} />;
}
