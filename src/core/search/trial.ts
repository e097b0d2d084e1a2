import { assess, type Assessment, type Context } from '../assess';
import type { Brief } from '../brief';
import type { MachineEdit } from '../edits';
import { fitParts, fullName } from '../fitted';
import type { Machine } from '../machine';
import { priceMachine } from '../money/landed';
import type { Part } from '../parts';
import { NOT_FIGURES } from '../parts/fields';
import { rules } from '../rules';
import { isFinding, levelRank, type Finding } from '../rules/rule';
import type { Outcome } from './effect';

/** Fields that say which part it is, not what it is like; what a rule reads of them it reads by identity. */
const IDENTITY: ReadonlySet<string> = new Set([
  ...NOT_FIGURES,
  'warrantyMonths',
  'massG',
  'listPrices',
  'dieKind',
  'testedBoards',
  'testedMemory',
]);

const keys = new WeakMap<Part, number>();
/** Figures → number, so that comparing and storing keys does not handle kilobytes of text. */
const interned = new Map<string, number>();

/** All figures of a part as a key: parts with equal keys are the same thing to every prediction and most rules. */
export function figureKey(part: Part): number {
  const known = keys.get(part);
  if (known !== undefined) return known;
  const text = JSON.stringify(Object.entries(part).filter(([field]) => !IDENTITY.has(field)));
  let key = interned.get(text);
  if (key === undefined) interned.set(text, (key = interned.size));
  keys.set(part, key);
  return key;
}

const byIdentity = rules.filter((rule) => rule.byIdentity);
const identityIds = new Set(byIdentity.map((rule) => rule.id));

/** A value with a part's name and id said of another part; the same object when it names neither. */
function said(value: unknown, names: ReadonlyMap<string, string>): unknown {
  if (typeof value === 'string') return names.get(value) ?? value;
  if (Array.isArray(value)) {
    const swapped = value.map((entry) => said(entry, names));
    return swapped.every((entry, i) => entry === value[i]) ? value : swapped;
  }
  if (value === null || typeof value !== 'object') return value;
  let copy: Record<string, unknown> | undefined;
  for (const [key, inner] of Object.entries(value)) {
    const swapped = said(inner, names);
    if (swapped !== inner) (copy ??= { ...value })[key] = swapped;
  }
  return copy ?? value;
}

interface Leader {
  readonly part: Part;
  readonly outcome: Outcome;
}

export interface TrialBench {
  readonly before: Assessment;
  /** What the machine would be after an edit that puts `part` in; without a part any edit. */
  readonly outcomeOf: (edit: MachineEdit, changed: Machine, part: Part | undefined) => Outcome;
}

const benches = new WeakMap<Assessment, TrialBench>();

/**
 * Tries edits on one machine. Of parts whose figures are all equal (colours, marks, sellers' names) one is assessed in
 * full; the others take its result, with their own name, price and what else is read by identity. The answer is that of
 * a full assessment, which the tests hold it to.
 */
export function trialBench(before: Assessment, brief: Brief, context: Context): TrialBench {
  const known = benches.get(before);
  if (known) return known;
  const leaders = new Map<string, Leader>();
  const full = (machine: Machine): Outcome => {
    const { findings, tasks, facts } = assess(machine, brief, context);
    return { findings, tasks, price: facts.price, brief };
  };
  const bench: TrialBench = {
    before,
    outcomeOf: (edit, changed, part) => {
      if (!part) return full(changed);
      const key = `${groupOf(edit, changed, part, context)} ${figureKey(part)}`;
      const leader = leaders.get(key);
      if (leader) return member(leader, changed, part);
      const outcome = full(changed);
      leaders.set(key, { part, outcome });
      return outcome;
    },
  };
  benches.set(before, bench);
  return bench;

  function member({ part: from, outcome }: Leader, machine: Machine, part: Part): Outcome {
    const parts = fitParts(machine, context.catalogue);
    const price = priceMachine(parts, context.catalogue, before.region, before.facts.policy);
    // rules that read identity read nothing that is derived, so the facts before the change do for the rest
    const facts = { ...before.facts, machine, parts, price };
    const names = new Map([
      [fullName(from), fullName(part)],
      [from.id as string, part.id as string],
    ]);
    const findings: Finding[] = [];
    for (const finding of outcome.findings)
      if (!identityIds.has(finding.rule)) findings.push(said(finding, names) as Finding);
    for (const rule of byIdentity) for (const check of rule.check(facts)) if (isFinding(check)) findings.push(check);
    findings.sort((a, b) => levelRank(a.level) - levelRank(b.level));
    return { findings, tasks: outcome.tasks, price, brief };
  }
}

/**
 * What else than its figures decides what a part does here: the edit, and its rank by id among the parts of its kind,
 * because the first of several equal ones serves first.
 */
function groupOf(edit: MachineEdit, machine: Machine, part: Part, context: Context): string {
  const item = edit.kind === 'swap' ? edit.item : edit.kind === 'add' ? edit.item.id : '';
  const roles = edit.kind === 'add' ? (edit.item.roles ?? []).join() : '';
  let rank = 0;
  let same = '';
  for (const other of machine.items) {
    if (other.id === item) continue;
    if (other.part === part.id) same += ` ${other.id}`;
    else if (other.part < part.id && context.catalogue.part(other.part)?.kind === part.kind) rank++;
  }
  return `${edit.kind} ${item} ${roles} ${machine.pins?.[item] ?? ''} ${rank}${same}`;
}
