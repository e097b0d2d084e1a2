'use client';

import { create } from 'zustand';
import type { Item } from '@/core/model/machine';
import type { Share } from '@/core/search/exact/shares';

/** What a search may use, as somebody has said it on seeing what was found. */
export interface Limits {
  /** Items of found machines that stay. */
  readonly keep: readonly Item[];
  readonly withoutParts: readonly { readonly id: string; readonly name: string }[];
  readonly withoutMakers: readonly string[];
  /** What is owned and lies unused may be used at no price. */
  readonly owned: boolean;
  /** Mailed rebates count as money that is not spent. */
  readonly rebates: boolean;
  /** Drives have to do for all years of service. */
  readonly lasting: boolean;
  /** The most for the parts of a share of the budget, landed, minor units. */
  readonly mostFor: Readonly<Partial<Record<Share, number>>>;
}

export const NO_LIMITS: Limits = {
  keep: [],
  withoutParts: [],
  withoutMakers: [],
  owned: true,
  rebates: false,
  lasting: false,
  mostFor: {},
};

// they outlive the screen, as the answers do
const useStore = create<{ readonly by: Readonly<Record<string, Limits>> }>(() => ({ by: {} }));

/** The limits of a seat's searches of one kind, and how they are changed. */
export function useLimits(key: string): readonly [Limits, (change: Partial<Limits>) => void] {
  const limits = useStore((state) => state.by[key]) ?? NO_LIMITS;
  const change = (next: Partial<Limits>): void =>
    useStore.setState(({ by }) => ({ by: { ...by, [key]: { ...(by[key] ?? NO_LIMITS), ...next } } }));
  return [limits, change];
}
