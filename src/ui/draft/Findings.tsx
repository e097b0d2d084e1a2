'use client';

import { Press } from '../shared/Press';
import Box from '@mui/material/Box';
import Skeleton from '@mui/material/Skeleton';
import { TextButton } from '../shared/TextButton';
import { useCallback, useEffect, useLayoutEffect, useState } from 'react';
import { failing, type Finding } from '@/core/rules/rule';
import { mends } from '@/core/search/effect';
import { actionOf, byAction, type Action } from '@/core/rules/actions';
import type { MachineEdit } from '@/core/model/edits';
import { ACTION_WORDS } from '@/core/words/actions';
import { findingWords } from '@/core/words/findings';
import { coinsChange, percent, watts } from '@/core/words/format';
import type { FanCurve, Tuning } from '@/core/model/machine';
import { fullName } from '@/core/model/fitted';
import type { RemedyRow } from '@/workers/api';
import { LevelSign, LEVEL_WORD } from '../shared/Level';
import { Section } from '../shared/Section';
import { unitsKept } from '../shared/unitsKept';
import { TurnsAt } from '../shared/TurnsAt';
import { useBrief, useDraft, useDraftAssessment } from '../seat/moment';
import { useSeat, useCurrency } from '../seat/useSeat';
import { useWorker } from '../seat/worker';
import { identity } from '../shared/identity';
import { later } from '../shared/later';
import { RowsHeld } from '../shared/RowsHeld';
import { offeredAbove, saidAbove, withOffer, type Offered, type Told } from './offered';

// only a finding with a missing figure asks for it
const FigureField = later(() => import('./FigureField').then((module) => module.FigureField), {
  // its label and its field
  meanwhile: () => <Skeleton variant="rounded" height={47} sx={{ mt: 3 }} />,
  soon: true,
});
const MendDraft = later(() => import('./MendDraft').then((module) => module.MendDraft), {
  meanwhile: () => <Skeleton variant="rounded" height={31} width={150} />,
  soon: true,
});
/** Remedies that a finding mostly has, and how high one is: their place is held while they are tried. */
const [USUAL_REMEDIES, REMEDY_PX] = [3, 40];

/** Nothing is wrong with what these say: they open when somebody has time for them. */
const AT_LEISURE: ReadonlySet<Action> = new Set<Action>(['save', 'know']);

/** Findings worst first, each with its two figures, the mend and remedies to apply; what passed can be opened. */
export function Findings() {
  const assessment = useDraftAssessment();
  const [passedOpen, setPassedOpen] = useState(false);
  const passed = assessment.checks.filter((check) => check.level === 'passes');
  const [offered, setOffered] = useState<Offered>(new Map());
  const offer = useCallback<Offering['offer']>((key, told) => setOffered((before) => withOffer(before, key, told)), []);
  const groups = byAction(assessment.findings);
  const above = offeredAbove(
    groups.flatMap(({ findings }) => findings.map(({ key }) => key)),
    offered,
  );
  return (
    <Box sx={{ paddingBottom: '12px' }}>
      <h2>Findings</h2>
      {assessment.findings.every(({ level }) => level === 'caution' || level === 'note') && (
        <p className="quiet">Nothing blocks, all work runs, nothing is unproven. {passed.length} comparisons passed.</p>
      )}
      {assessment.findings.some(({ level }) => failing(level)) && <MendDraft />}
      {groups.map(({ action, findings }) => (
        <Section key={action} label={ACTION_WORDS[action]} gist={findings.length} open={!AT_LEISURE.has(action)}>
          {findings.map((finding) => (
            <FindingItem key={finding.key} finding={finding} above={above.get(finding.key)} offer={offer} />
          ))}
        </Section>
      ))}
      <TextButton sx={{ marginTop: '10px' }} aria-expanded={passedOpen} onClick={() => setPassedOpen(!passedOpen)}>
        {passedOpen ? 'Hide' : 'Show'} {passed.length} that passed
      </TextButton>
      {passedOpen && (
        <Box component="ul" sx={{ marginTop: '6px' }}>
          {passed.map((check, i) => (
            <Box
              component="li"
              key={`${check.key} ${i}`}
              className="small"
              sx={{ padding: '3px 0', display: 'flex', gap: '6px' }}
            >
              <LevelSign level="passes" /> <span>{unitsKept(findingWords(check).says)}</span>
            </Box>
          ))}
        </Box>
      )}
    </Box>
  );
}

interface Offering {
  readonly finding: Finding;
  /** What findings above this one offer; undefined as long as that is not known. */
  readonly above: ReadonlySet<string> | undefined;
  /** Tells what a finding, by its key, offers; undefined once it is not shown any more. */
  readonly offer: (key: string, told: Told | undefined) => void;
}

function FindingItem({ finding, above, offer }: Offering) {
  const words = findingWords(finding);
  const draft = useDraft();
  const open = useSeat((state) => state.open);
  return (
    <article className="finding" aria-label={`${LEVEL_WORD[finding.level]}: ${words.says}`}>
      <p>
        <LevelSign level={finding.level} /> <b className={finding.level}>{LEVEL_WORD[finding.level]}</b>{' '}
        {unitsKept(words.says)}
      </p>
      {'missing' in finding && <TurnsAt machine={draft} finding={finding} />}
      {'missing' in finding &&
        finding.missing.map((figure) => <FigureField key={`${figure.item} ${figure.field}`} figure={figure} />)}
      {finding.code === 'firmware' && <TextButton onClick={() => open('firmware')}>Steps and versions</TextButton>}
      {finding.rule.startsWith('memory-') || finding.rule === 'tested-memory' ? (
        <TextButton onClick={() => open('memory')}>Kits that fit</TextButton>
      ) : null}
      <Remedies finding={finding} above={above} offer={offer} mend={words.mend} />
    </article>
  );
}

function editLabel(edit: MachineEdit, nameOf: (item: string) => string, slotName: (slot: string) => string): string {
  switch (edit.kind) {
    case 'swap':
      return `${edit.label} for ${nameOf(edit.item)}`;
    case 'add':
      return `Add ${edit.item.label ?? edit.item.part}`;
    case 'remove':
      return `Leave out ${nameOf(edit.item)}`;
    case 'pin':
      return `Move ${nameOf(edit.item)} to ${slotName(edit.slot)}`;
    case 'unpin':
      return `Let ${nameOf(edit.item)} find its own slot`;
    case 'memory-profile':
      return edit.profile === 'off' ? 'Turn the memory profile off' : 'Turn the memory profile on';
    case 'several': {
      const [first] = edit.edits;
      return `${first ? editLabel(first, nameOf, slotName) : 'Change'}${edit.edits.length > 1 ? `, ${edit.edits.length} times` : ''}`;
    }
    case 'firmware':
      return `Plan to flash firmware ${edit.version ?? ''} first`;
    case 'stand':
      return edit.upright ? `Stand ${nameOf(edit.item)} upright` : `Put ${nameOf(edit.item)} into its slot`;
    case 'seat-modules':
      return 'Seat the modules in the fill order';
    case 'side':
      return edit.side === undefined
        ? `Let ${nameOf(edit.item)} find its own side`
        : `Move ${nameOf(edit.item)}: ${edit.side}`;
    case 'tune':
      return tuningLabel(edit.tuning);
    case 'roles':
      return edit.roles.includes('system')
        ? `Make ${nameOf(edit.item)} the system drive`
        : `Take the system role from ${nameOf(edit.item)}`;
    default:
      return 'Change';
  }
}

/** The setting that a tuning differs by, in the order it is looked for. */
function tuningLabel(tuning: Tuning): string {
  if (tuning.packageW !== undefined) return `Limit the processor to ${watts(tuning.packageW)}`;
  if (tuning.cardShare !== undefined && tuning.cardShare < 1) return `Limit the card to ${percent(tuning.cardShare)}`;
  if (tuning.clock !== undefined) return `Raise the clock by ${percent(tuning.clock - 1)}`;
  const full = (curve: FanCurve | undefined) => curve?.length === 1 && curve[0]?.percent === 100;
  if (full(tuning.coolerCurve))
    return full(tuning.caseCurve) ? 'Run all fans at full speed' : 'Run the cooler’s fan at full speed';
  return tuning.coolerCurve || tuning.caseCurve
    ? 'Set the quietest fan curves that hold the clock'
    : 'Set fans and limits as shipped';
}

/** What a remedy does besides: findings it also mends or brings, and tasks that change sides. */
function sideEffects(row: RemedyRow): string {
  const { effect } = row;
  const words: string[] = row.nearer ? ['nearer, not enough'] : [];
  const brings = effect.brought.filter((finding) => finding.level !== 'note').length;
  if (mends(effect) > 1) words.push(`mends ${mends(effect)}`);
  if (brings > 0) words.push(`brings ${brings}`);
  if (effect.gain > 0.01) words.push('tasks get faster');
  if (effect.gain < -0.01) words.push('tasks get slower');
  return words.join(', ');
}

const saves = (finding: Finding): boolean => actionOf(finding) === 'save' || finding.code === 'budget';
/** A note is only told; what is more than needed is worth money, so it is tried. */
const asksRemedies = (finding: Finding): boolean => finding.level !== 'note' || saves(finding);

/** Remedies to take, and what would mend it in words as long as there are none. */
function Remedies({ finding, above, offer, mend }: Offering & { readonly mend: string | undefined }) {
  const draft = useDraft();
  const brief = useBrief();
  const assessment = useDraftAssessment();
  const editDraft = useSeat((state) => state.editDraft);
  const know = useSeat((state) => state.know);
  const key = finding.key;
  const currency = useCurrency();
  const answer = useWorker(
    !asksRemedies(finding) ? undefined : `remedies ${identity(draft)} ${identity(brief)} ${key}`,
    (api) => api.remedies(draft, brief, key),
  );
  const nameOf = (id: string) => {
    const fitted = assessment.facts.parts.all.find((entry) => entry.item.id === id);
    return fitted ? fullName(fitted.part) : (draft.items.find((item) => item.id === id)?.label ?? id);
  };
  const slotName = (id: string) => assessment.facts.board?.slotById.get(id)?.label ?? id;
  const rows = (answer.state === 'ready' ? answer.value : []).map((row) => ({
    row,
    label: editLabel(row.edit, nameOf, slotName),
  }));
  const labels = rows.map(({ label }) => label);
  const waiting = asksRemedies(finding) && answer.state === 'waiting';
  // told after each answer, before it is drawn; what is as before changes nothing
  useLayoutEffect(() => offer(key, waiting ? 'waiting' : labels));
  // what a folded section holds is not offered above
  useEffect(() => () => offer(key, undefined), [offer, key]);
  const inWords = mend && <p className="quiet small">{mend}</p>;
  if (!asksRemedies(finding)) return inWords;
  if (answer.state === 'waiting' || above === undefined)
    return <RowsHeld what="Trying remedies …" rows={USUAL_REMEDIES} heightPx={REMEDY_PX} />;
  if (answer.state === 'failed' || answer.value.length === 0)
    return (
      <>
        {inWords}
        <p className="quiet small">
          {answer.state === 'failed'
            ? `Remedies could not be tried: ${answer.message}.`
            : saves(finding)
              ? 'No single change frees money here without a loss elsewhere.'
              : 'No single change mends this without bringing something as bad.'}
        </p>
      </>
    );
  const repeated = labels.filter((label) => above.has(label)).length;
  return (
    <div aria-label="Remedies: prices are landed, tax and shipping in" role="group">
      {repeated > 0 && <p className="quiet small">{saidAbove(repeated)}</p>}
      {rows.map(({ row, label }, i) => {
        if (above.has(label)) return null;
        const side = sideEffects(row);
        return (
          <Press
            key={i}
            className="remedy"
            onClick={() => {
              know(row.goods);
              editDraft(row.edit, label);
            }}
          >
            <span>
              {label}
              {side && <span className="quiet small"> · {side}</span>}
            </span>
            <span className="num">
              {row.effect.priceMinor === undefined ? 'price unknown' : coinsChange(row.effect.priceMinor, currency)}
            </span>
          </Press>
        );
      })}
    </div>
  );
}
