'use client';

import { createContext, useContext } from 'react';
import { useStore } from 'zustand';
import { subjectOf, type Assessment, type Context } from '@/core/assess';
import type { Brief } from '@/core/model/brief';
import type { Machine } from '@/core/model/machine';
import type { Currency } from '@/core/units/money';
import type { SeatState, SeatStore } from './state';

export const SeatContext = createContext<SeatStore | undefined>(undefined);

export function useSeatStore(): SeatStore {
  const store = useContext(SeatContext);
  if (!store) throw new Error('this component needs a seat around it');
  return store;
}

export const useSeat = <T>(selector: (state: SeatState) => T): T => useStore(useSeatStore(), selector);

const assessed = new WeakMap<Context, WeakMap<Brief, WeakMap<Machine, Assessment>>>();

/** Assessment of a machine, computed once for each machine, brief and catalogue: an unchanged object is a free key. */
export function assessmentOf(machine: Machine, brief: Brief, context: Context): Assessment {
  let briefs = assessed.get(context);
  if (!briefs) assessed.set(context, (briefs = new WeakMap()));
  let machines = briefs.get(brief);
  if (!machines) briefs.set(brief, (machines = new WeakMap()));
  let found = machines.get(machine);
  if (!found) machines.set(machine, (found = subjectOf(brief, context).assess(machine)));
  return found;
}

/** The currency that this seat pays in. */
export const useCurrency = (): Currency =>
  useSeat((state) => state.context.catalogue.region(state.bundle.brief.body.region)?.currency ?? 'USD');
