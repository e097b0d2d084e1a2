import * as Comlink from 'comlink';
import { assess, contextOf, type Context } from '@/core/assess';
import { compileCatalogue } from '@/core/catalogue';
import { catalogueSchema } from '@/core/formats/catalogueSchema';
import { fullName } from '@/core/fitted';
import type { Machine } from '@/core/machine';
import type { Brief } from '@/core/brief';
import type { Part } from '@/core/parts';
import { findingKey } from '@/core/rules/rule';
import { rankCandidates } from '@/core/search/candidates';
import { coinSteps, type Step } from '@/core/search/coinSteps';
import { remediesFor } from '@/core/search/remedies';
import type { WorkerApi } from './api';

const dataSchema = catalogueSchema.omit({ format: true, version: true, name: true });
let context: Context | undefined;

function ready(): Context {
  if (!context) throw new Error('the catalogue is not loaded yet');
  return context;
}

const offersOf = (part: Part | undefined, brief: Brief) =>
  part ? [...ready().catalogue.offers(part.id, brief.region)] : [];
const SHOWN = 12;

const api: WorkerApi = {
  async load(url, today, settings) {
    const response = await fetch(url);
    if (!response.ok) throw new Error(`the catalogue could not be read (${response.status})`);
    context = contextOf(compileCatalogue(dataSchema.parse(await response.json())), today, settings);
    return context.catalogue.parts.length;
  },
  candidates: (machine, brief, position) =>
    rankCandidates(machine, brief, position, ready()).map((candidate) => ({
      ...candidate,
      offers: offersOf(candidate.part, brief),
    })),
  remedies: (machine, brief, key) => {
    const before = assess(machine, brief, ready());
    const finding = before.findings.find((candidate) => findingKey(candidate) === key);
    return finding
      ? remediesFor(machine, brief, finding, ready(), 3, before).map((remedy) => ({
          ...remedy,
          offers: offersOf(remedy.part, brief),
        }))
      : [];
  },
  coinSteps: (machine: Machine, brief: Brief) => {
    const { up, savings, tried } = coinSteps(machine, brief, ready());
    const row = (step: Step) => ({ ...step, offers: offersOf(step.part, brief) });
    return { up: up.slice(0, SHOWN).map(row), savings: savings.slice(0, SHOWN).map(row), tried };
  },
  findParts: (text, limit) => {
    const words = text.toLowerCase().split(/\s+/).filter(Boolean);
    return ready()
      .catalogue.parts.filter((part) => {
        const name = `${part.kind} ${fullName(part)}`.toLowerCase();
        return words.every((word) => name.includes(word));
      })
      .slice(0, limit);
  },
};

Comlink.expose(api);
