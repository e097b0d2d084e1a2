'use client';

import { useState } from 'react';
import type { Finding } from '@/core/rules/rule';
import { findingKey } from '@/core/rules/rule';
import type { MachineEdit } from '@/core/edits';
import { findingWords } from '@/core/words/findings';
import { coinsChange } from '@/core/words/format';
import { figureMeta, isNumberField } from '@/core/parts';
import { fullName } from '@/core/fitted';
import type { RemedyRow } from '@/workers/api';
import type { MissingFigure } from '@/core/work/stage';
import { LevelSign, LEVEL_WORD } from '../shared/Level';
import { useDraft, useDraftAssessment, useSeat } from '../seat/store';
import { identity, useWorker } from '../seat/worker';

/** Findings worst first, each with its two figures, the mend and remedies to apply; what passed can be opened. */
export function Findings() {
  const assessment = useDraftAssessment();
  const [passedOpen, setPassedOpen] = useState(false);
  const passed = assessment.checks.filter((check) => check.level === 'passes');
  return (
    <div style={{ paddingBottom: 12 }}>
      <h2>Findings</h2>
      {assessment.findings.length === 0 && (
        <p className="quiet">Nothing blocks, nothing is unproven. {passed.length} comparisons passed.</p>
      )}
      {assessment.findings.map((finding) => (
        <FindingItem key={findingKey(finding)} finding={finding} />
      ))}
      <button
        type="button"
        className="link"
        style={{ marginTop: 10 }}
        aria-expanded={passedOpen}
        onClick={() => setPassedOpen(!passedOpen)}
      >
        {passedOpen ? 'Hide' : 'Show'} the {passed.length} comparisons that passed
      </button>
      {passedOpen && (
        <ul style={{ marginTop: 6 }}>
          {passed.map((check, i) => (
            <li
              key={`${findingKey(check)} ${i}`}
              className="small"
              style={{ padding: '3px 0', display: 'flex', gap: 6 }}
            >
              <LevelSign level="passes" /> <span>{findingWords(check).says}</span>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

function FindingItem({ finding }: { finding: Finding }) {
  const words = findingWords(finding);
  return (
    <article className="finding" aria-label={`${LEVEL_WORD[finding.level]}: ${words.says}`}>
      <p>
        <LevelSign level={finding.level} /> <b className={finding.level}>{LEVEL_WORD[finding.level]}</b> {words.says}
      </p>
      {words.mend && <p className="quiet small">{words.mend}</p>}
      {finding.code === 'unknown-figure' &&
        finding.missing.map((figure) => <FigureField key={`${figure.item} ${figure.field}`} figure={figure} />)}
      <Remedies finding={finding} />
    </article>
  );
}

function editLabel(edit: MachineEdit, nameOf: (item: string) => string): string {
  switch (edit.kind) {
    case 'swap':
      return `${edit.label} for ${nameOf(edit.item)}`;
    case 'add':
      return `Add ${edit.item.label ?? edit.item.part}`;
    case 'remove':
      return `Leave out ${nameOf(edit.item)}`;
    case 'pin':
      return `Move ${nameOf(edit.item)} to ${edit.slot}`;
    case 'unpin':
      return `Let ${nameOf(edit.item)} find its own slot`;
    case 'memory-profile':
      return edit.profile === 'off' ? 'Turn the memory profile off' : 'Turn the memory profile on';
    case 'roles':
      return edit.roles.includes('system')
        ? `Make ${nameOf(edit.item)} the system drive`
        : `Take the system role from ${nameOf(edit.item)}`;
    default:
      return 'Change';
  }
}

/** What a remedy does besides: findings it also mends or brings, and tasks that change sides. */
function sideEffects(row: RemedyRow): string {
  const { effect } = row;
  const words: string[] = [];
  if (effect.mended.length > 1) words.push(`mends ${effect.mended.length}`);
  if (effect.brought.length > 0) words.push(`brings ${effect.brought.length}`);
  if (effect.gain > 0.01) words.push('tasks get faster');
  if (effect.gain < -0.01) words.push('tasks get slower');
  return words.join(', ');
}

function Remedies({ finding }: { finding: Finding }) {
  const draft = useDraft();
  const brief = useSeat((state) => state.bundle.brief.body);
  const assessment = useDraftAssessment();
  const editDraft = useSeat((state) => state.editDraft);
  const know = useSeat((state) => state.know);
  const key = findingKey(finding);
  const answer = useWorker(
    finding.level === 'note' ? undefined : `remedies ${identity(draft)} ${identity(brief)} ${key}`,
    (api) => api.remedies(draft, brief, key),
  );
  if (finding.level === 'note') return null;
  const nameOf = (id: string) => {
    const fitted = assessment.facts.parts.all.find((entry) => entry.item.id === id);
    return fitted ? fullName(fitted.part) : (draft.items.find((item) => item.id === id)?.label ?? id);
  };
  if (answer.state === 'waiting') return <p className="quiet small">Trying remedies …</p>;
  if (answer.state === 'failed') return <p className="quiet small">Remedies could not be tried: {answer.message}.</p>;
  if (answer.value.length === 0)
    return <p className="quiet small">No single change mends this without bringing something as bad.</p>;
  return (
    <div aria-label="Remedies" role="group">
      {answer.value.map((row, i) => {
        const label = editLabel(row.edit, nameOf);
        const side = sideEffects(row);
        return (
          <button
            key={i}
            type="button"
            className="remedy"
            onClick={() => {
              if (row.part) know([row.part], row.offers);
              editDraft(row.edit, label);
            }}
          >
            <span>
              {label}
              {side && <span className="quiet small"> · {side}</span>}
            </span>
            <span className="num">
              {row.effect.priceMinor === undefined ? 'price unknown' : coinsChange(row.effect.priceMinor)}
            </span>
          </button>
        );
      })}
    </div>
  );
}

/** A missing figure with a field to fill it in on the spot. */
export function FigureField({ figure }: { figure: MissingFigure }) {
  const part = useSeat((state) => state.context.catalogue.part(figure.part));
  const fill = useSeat((state) => state.fill);
  const [text, setText] = useState('');
  const [message, setMessage] = useState<string>();
  const [busy, setBusy] = useState(false);
  if (!part) return null;
  const meta = figureMeta(part.kind, figure.field);
  const name = `${meta.label}${meta.unit ? ` in ${meta.unit}` : ''}`;
  if (!isNumberField(part.kind, figure.field))
    return (
      <p className="small">
        {fullName(part)}: <b>{meta.label}</b> is not stated.
      </p>
    );
  const submit = async () => {
    const value = Number(text.replace(',', '.'));
    if (text.trim() === '' || !Number.isFinite(value)) {
      setMessage(`Type a number: ${name}.`);
      return;
    }
    setBusy(true);
    const problems = await fill(figure.part, figure.field, value);
    setBusy(false);
    setMessage(
      problems.length > 0 ? `${meta.label} ${problems.map((problem) => problem.message).join('; ')}.` : undefined,
    );
  };
  return (
    <form
      className="small"
      style={{ marginTop: 4 }}
      onSubmit={(event) => {
        event.preventDefault();
        void submit();
      }}
    >
      <label>
        <span>
          {fullName(part)}: {meta.label}
        </span>
        <span className="row" style={{ gap: 6, marginTop: 2 }}>
          <input
            className="field"
            inputMode="decimal"
            value={text}
            onChange={(event) => setText(event.target.value)}
            aria-label={`${fullName(part)}: ${name}`}
            placeholder="not stated"
            style={{ width: 110 }}
          />
          {meta.unit}
          <button type="submit" className="chip" disabled={busy}>
            Fill in
          </button>
        </span>
      </label>
      {message && (
        <p className="short" role="alert">
          {message}
        </p>
      )}
    </form>
  );
}
