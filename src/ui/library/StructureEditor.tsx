'use client';

import { Entry, EntryChoice } from '../shared/Entry';
import Box from '@mui/material/Box';
import { ChoiceButton } from '../shared/ChoiceButton';
import { ChoiceRow } from '../shared/ChoiceRow';
import { TextButton } from '../shared/TextButton';
import { fieldTypeOf, type JsonSchema } from '@/core/parts/fields';

type Json = unknown;
interface NodeProps {
  readonly schema: JsonSchema;
  readonly label: string;
  readonly value: Json;
  readonly onChange: (value: Json) => void;
}

const asObject = (value: Json): Readonly<Record<string, Json>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Record<string, Json>) : {};

/** "mechanicalLanes" → "mechanical lanes". */
const spelled = (name: string): string => name.replace(/([a-z0-9])([A-Z])/g, '$1 $2').toLowerCase();

/** What the schema of a field asks for, whatever its depth: values, lists with entries to add and take away, choices. */
export function StructureEditor(props: NodeProps) {
  const { schema } = props;
  if (fieldTypeOf(schema) !== 'structure' && fieldTypeOf(schema) !== 'list') return <Scalar {...props} />;
  if (schema.anyOf) return <OneOf {...props} options={schema.anyOf} />;
  if (schema.type === 'array')
    return fieldTypeOf(schema) === 'list' ? <PlainList {...props} /> : <Entries {...props} />;
  if (schema.propertyNames?.enum) {
    const member = typeof schema.additionalProperties === 'object' ? schema.additionalProperties : {};
    return <Members {...props} members={schema.propertyNames.enum.map((name) => [String(name), member])} />;
  }
  return <Members {...props} members={Object.entries(schema.properties ?? {})} />;
}

function Scalar({ schema, label, value, onChange }: NodeProps) {
  const choices = schema.enum ?? schema.anyOf?.flatMap((option) => (option.const === undefined ? [] : [option.const]));
  const flags = schema.type === 'boolean' ? [true, false] : undefined;
  const options = flags ?? choices;
  return (
    <Box
      component="label"
      className="small"
      sx={{ display: 'inline-flex', flexDirection: 'column', gap: '1px', minWidth: 86, flex: '0 1 auto' }}
    >
      <span className="quiet">
        {label}
        {schema.unit ? `, ${schema.unit}` : ''}
      </span>
      {options ? (
        <EntryChoice
          value={value === undefined ? '' : String(value)}
          onChange={(event) => onChange(options.find((option) => String(option) === event.target.value))}
        >
          <option value="">not stated</option>
          {options.map((option) => (
            <option key={String(option)} value={String(option)}>
              {option === true ? 'yes' : option === false ? 'no' : String(option)}
            </option>
          ))}
        </EntryChoice>
      ) : (
        <Entry
          width={schema.type === 'string' ? 130 : 86}
          value={value === undefined || value === null ? '' : String(value as string | number)}
          onChange={(event) => onChange(typed(schema, event.target.value))}
        />
      )}
    </Box>
  );
}

/** A number where a number is wanted; what is no number yet stays as typed, and the check names it. */
function typed(schema: JsonSchema, text: string): Json {
  if (text === '') return undefined;
  if (schema.type === 'string') return text;
  const value = Number(text.replace(',', '.'));
  return Number.isFinite(value) && !/[.,]$/.test(text) ? value : text;
}

function PlainList({ schema, label, value, onChange }: NodeProps) {
  const entries = Array.isArray(value) ? (value as (string | number)[]) : [];
  const choices = schema.items?.enum;
  if (choices)
    return (
      <fieldset className="small" style={{ border: 0, padding: 0, margin: 0 }}>
        <legend className="quiet">{label}</legend>
        <Box component="span" className="row wrap" sx={{ gap: '4px' }}>
          {choices.map((choice) => {
            const has = entries.includes(choice);
            return (
              <ChoiceButton
                key={String(choice)}
                chosen={has}
                onClick={() => onChange(choices.filter((other) => (other === choice ? !has : entries.includes(other))))}
              >
                {String(choice)}
              </ChoiceButton>
            );
          })}
        </Box>
      </fieldset>
    );
  return (
    <Box component="label" className="small" sx={{ display: 'inline-flex', flexDirection: 'column', gap: '1px' }}>
      <span className="quiet">{label}, one a line</span>
      <Entry
        rows={2}
        width={160}
        value={entries.join('\n')}
        onChange={(event) =>
          onChange(
            event.target.value === ''
              ? undefined
              : event.target.value.split('\n').map((line) => typed(schema.items ?? {}, line) ?? ''),
          )
        }
      />
    </Box>
  );
}

function Entries({ schema, label, value, onChange }: NodeProps) {
  const entries = Array.isArray(value) ? (value as Json[]) : [];
  const { items } = schema;
  if (!items) return null;
  return (
    <fieldset
      style={{ border: 0, borderLeft: '2px solid var(--hair)', padding: '0 0 0 10px', margin: '4px 0', width: '100%' }}
    >
      <legend className="small" style={{ fontWeight: 650 }}>
        {label}{' '}
        {value === undefined ? (
          <span className="unproven">unknown</span>
        ) : (
          <span className="quiet">({entries.length === 0 ? 'none' : entries.length})</span>
        )}
      </legend>
      {entries.map((entry, i) => (
        <Box
          key={i}
          className="row wrap"
          sx={{ alignItems: 'flex-end', padding: '4px 0', borderBottom: '1px solid var(--hair)' }}
        >
          <StructureEditor
            schema={items}
            label={`${i + 1}`}
            value={entry}
            onChange={(next) => onChange(entries.map((other, k) => (k === i ? next : other)))}
          />
          <TextButton onClick={() => onChange(entries.filter((_, k) => k !== i))}>Take out</TextButton>
        </Box>
      ))}
      <Box component="span" className="row small" sx={{ gap: '12px', marginTop: '4px' }}>
        <TextButton
          onClick={() => onChange([...entries, entries.at(-1) === undefined ? {} : structuredClone(entries.at(-1))])}
        >
          Add an entry
        </TextButton>
        {entries.length === 0 && value === undefined && (
          <TextButton onClick={() => onChange([])}>There is none</TextButton>
        )}
        {value !== undefined && <TextButton onClick={() => onChange(undefined)}>Unknown</TextButton>}
      </Box>
    </fieldset>
  );
}

function Members({
  label,
  value,
  onChange,
  members,
}: NodeProps & { readonly members: readonly (readonly [string, JsonSchema])[] }) {
  const object = asObject(value);
  const set = (name: string, next: Json) => {
    const { [name]: _before, ...rest } = object;
    onChange(next === undefined ? rest : { ...rest, [name]: next });
  };
  return (
    <Box role="group" aria-label={label} className="row wrap" sx={{ gap: '8px', alignItems: 'flex-end' }}>
      {members.map(([name, member]) => (
        <StructureEditor
          key={name}
          schema={member}
          label={member.label ?? spelled(name)}
          value={object[name]}
          onChange={(next) => set(name, next)}
        />
      ))}
    </Box>
  );
}

/** Either a word such as "none" or a description. */
function OneOf({ label, value, onChange, options }: NodeProps & { readonly options: readonly JsonSchema[] }) {
  const word = options.find((option) => option.const !== undefined)?.const;
  const described = options.find((option) => option.const === undefined);
  const state = value === undefined ? 'unknown' : value === word ? 'word' : 'described';
  return (
    <Box sx={{ width: '100%' }}>
      <Box sx={{ marginBottom: '4px' }}>
        <ChoiceRow
          aria-label={label}
          value={state}
          options={[
            { id: 'unknown', label: 'unknown' },
            ...(word === undefined ? [] : [{ id: 'word', label: String(word) } as const]),
            { id: 'described', label: 'described' },
          ]}
          onPick={(next) => onChange(next === 'unknown' ? undefined : next === 'word' ? word : {})}
        />
      </Box>
      {state === 'described' && described && (
        <StructureEditor schema={described} label={label} value={value} onChange={onChange} />
      )}
    </Box>
  );
}
