import { quickly, subjectOf, type Assessment, type Context } from '../assess';
import type { Brief } from '../model/brief';
import type { MachineEdit } from '../model/edits';
import { spokenOf } from '../evidence/comparable';
import { fitParts, fullName } from '../model/fitted';
import type { Machine } from '../model/machine';
import { priceMachine } from '../money/landed';
import { boughtApart, spentOf } from '../money/spent';
import type { Part } from '../parts';
import { compareParts, figuresText } from '../parts/order';
import { rules } from '../rules';
import { ask, factsBut, isFinding, levelRank, severity, type Finding, type Level, type Rule } from '../rules/rule';
import { lazy } from '../units/lazy';
import {
  bringsAlready,
  byTask,
  dearerMinor,
  mendsBy,
  outcomeOf,
  workOf,
  type Outcome,
  type WorkEffect,
} from './effect';

const keys = new WeakMap<Part, number>();
/** Figures → number, so that comparing and storing keys does not handle kilobytes of text. */
const interned = new Map<string, number>();

/** All figures of a part as a key: parts with equal keys are the same thing to every prediction and most rules. */
export function figureKey(part: Part): number {
  const known = keys.get(part);
  if (known !== undefined) return known;
  const text = figuresText(part);
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

/** What decides whether an edit betters a machine at all. */
export interface Glance {
  readonly work: WorkEffect;
  readonly mends: () => boolean;
}

/** What is asked about an edit that puts a part in. */
type OfEdit<T> = (edit: MachineEdit, changed: Machine, part: Part | undefined) => T;

export interface TrialBench {
  readonly before: Assessment;
  /** What the machine is now, on the same price basis as what it would be. */
  readonly now: Outcome;
  /** Whether an edit is known to bring something as bad as a level before anything is predicted; else it has to be tried. */
  readonly turnedDown: (changed: Machine, level: Level) => boolean;
  /** What an edit adds to the price, landed, in minor units, with nothing predicted; undefined when it is only bounded. */
  readonly dearerMinor: (changed: Machine) => number | undefined;
  /** Whether an edit leaves a finding as it is, by the finding's own rule alone; what is worked out for others is not. */
  readonly leaves: (finding: Finding, edit: MachineEdit, changed: Machine, part: Part | undefined) => boolean;
  /** What an edit that puts `part` in does to the work, and whether it mends what counts; all else is not worked out. */
  readonly glance: OfEdit<Glance>;
  /** What the machine would be after an edit that puts `part` in; without a part any edit. */
  readonly outcomeOf: OfEdit<Outcome>;
}

const benches = new WeakMap<Assessment, TrialBench>();

/**
 * Tries edits on one machine. Of parts whose figures are all equal (colours, marks, sellers' names) one is assessed in
 * full; the others take its result, with their own name, price and what else is read by identity. The answer is that of
 * a full assessment, which the tests hold it to. A part that was measured is assessed itself.
 */
export function trialBench(before: Assessment, brief: Brief, context: Context): TrialBench {
  const known = benches.get(before);
  if (known) return known;
  const isSpokenOf = spokenOf(before.facts.machine, context);
  const subject = subjectOf(brief, quickly(context));
  // a trial is asked about several times in a row
  let last: { readonly changed: Machine; readonly part: Part; readonly key: string } | undefined;
  const keyOf = (edit: MachineEdit, changed: Machine, part: Part): string => {
    if (last?.changed !== changed || last.part !== part)
      last = { changed, part, key: `${groupOf(edit, changed, part, context)} ${figureKey(part)}` };
    return last.key;
  };
  /** Works something out once for all parts of equal figures. What was measured was measured on a part, not on its figures. */
  const perFigures = <T>(workOut: (changed: Machine, part: Part | undefined) => T): OfEdit<T> => {
    const known = new Map<string, T>();
    return (edit, changed, part) => {
      if (!part || isSpokenOf(part)) return workOut(changed, part);
      const key = keyOf(edit, changed, part);
      let answer = known.get(key);
      if (answer === undefined) known.set(key, (answer = workOut(changed, part)));
      return answer;
    };
  };
  const full = (machine: Machine): Outcome => outcomeOf(subject.assess(machine));
  const now = full(before.facts.machine);
  /** The rules that found something to mend: no other can say that it is mended. */
  const finders = rules.filter(({ id }) => now.findings.some(({ rule, level }) => rule === id && level !== 'note'));
  const [itself, figures] = [finders.filter((rule) => rule.byIdentity), finders.filter((rule) => !rule.byIdentity)];
  const mendsAny = (asked: readonly Rule[], changed: Machine): boolean =>
    asked.length > 0 && mendsBy(now, asked, subject.findingsBy(asked, changed));
  const leader = perFigures((changed, part) => ({ part, outcome: full(changed) }));
  const glance = perFigures((changed): Glance => ({
    work: workOf(now, byTask(subject.tasksOf(changed))),
    mends: lazy(() => mendsAny(figures, changed)),
  }));
  const left = new Map<string, OfEdit<boolean>>();
  const leftBy = ({ rule, key, level }: Finding): OfEdit<boolean> => {
    const stays = (changed: Machine): boolean =>
      subject.findingsOf(rule, changed).some((other) => other.key === key && severity(other.level) <= severity(level));
    if (identityIds.has(rule)) return (_, changed) => stays(changed);
    let known = left.get(key);
    if (!known) left.set(key, (known = perFigures(stays)));
    return known;
  };
  const bench: TrialBench = {
    before,
    now,
    glance: (edit, changed, part) => {
      const { work, mends } = glance(edit, changed, part);
      return { work, mends: () => mends() || mendsAny(itself, changed) };
    },
    leaves: (finding, edit, changed, part) => leftBy(finding)(edit, changed, part),
    dearerMinor: (changed) => dearerMinor(now.price, subject.factsOf(changed).price),
    turnedDown: (changed, level) => bringsAlready(now, subject.screen(changed), level),
    outcomeOf: (edit, changed, part) => {
      const { part: from, outcome } = leader(edit, changed, part);
      return part && from && from !== part ? member(from, outcome, changed, part) : outcome;
    },
  };
  benches.set(before, bench);
  return bench;

  function member(from: Part, outcome: Outcome, machine: Machine, part: Part): Outcome {
    const parts = fitParts(machine, context.catalogue);
    const price = priceMachine(parts, context.catalogue, before.region, before.facts.policy);
    // rules that read identity read nothing that is derived, so the facts before the change do for the rest
    const spent = () => spentOf(boughtApart(price), { machine, parts, brief });
    const facts = factsBut(before.facts, { machine, parts, price, spent });
    const names = new Map([
      [fullName(from), fullName(part)],
      [from.id as string, part.id as string],
    ]);
    const findings: Finding[] = [];
    for (const finding of outcome.findings)
      if (!identityIds.has(finding.rule)) findings.push(said(finding, names) as Finding);
    for (const rule of byIdentity) for (const check of ask(rule, facts)) if (isFinding(check)) findings.push(check);
    findings.sort((a, b) => levelRank(a.level) - levelRank(b.level));
    return { findings, tasks: outcome.tasks, price, brief };
  }
}

/**
 * What else than its figures decides what a part does here: the edit, and its rank among the parts of its kind, because
 * the first of several serves first.
 */
function groupOf(edit: MachineEdit, machine: Machine, part: Part, context: Context): string {
  const [first, ...rest] = edit.kind === 'several' ? edit.edits : [edit];
  const item = first?.kind === 'swap' ? first.item : first?.kind === 'add' ? first.item.id : '';
  const roles = first?.kind === 'add' ? (first.item.roles ?? []).join() : '';
  const how = `${first?.kind ?? ''} ${item} ${roles} ${rest.length > 0 ? JSON.stringify(rest) : ''}`;
  let rank = 0;
  let same = '';
  for (const other of machine.items) {
    if (other.id === item) continue;
    if (other.part === part.id) same += ` ${other.id}`;
    else {
      const its = context.catalogue.part(other.part);
      if (its?.kind === part.kind && compareParts(its, part) < 0) rank++;
    }
  }
  return `${how} ${machine.pins?.[item] ?? ''} ${rank}${same}`;
}
