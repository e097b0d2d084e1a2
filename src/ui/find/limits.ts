'use client';

import { create } from 'zustand';
import type { Item } from '@/core/model/machine';
import type { End } from '@/core/search/exact/question';
import type { Share } from '@/core/search/exact/shares';
import type { LibraryRow } from '@/server/contract';

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

/** What is asked for within the limits. */
export interface Aim {
  /** Where on a prediction's band targets are met. */
  readonly at: End;
  /** The part whose case is asked for. */
  readonly part: LibraryRow | null;
}

/** What somebody has said of a seat's searches of one kind: it outlives the screen, as the answers do. */
function keptBy<T extends object>(usual: T) {
  const useStore = create<{ readonly by: Readonly<Record<string, T>> }>(() => ({ by: {} }));
  return (key: string): readonly [T, (change: Partial<T>) => void] => {
    const said = useStore((state) => state.by[key]) ?? usual;
    const change = (next: Partial<T>): void =>
      useStore.setState(({ by }) => ({ by: { ...by, [key]: { ...(by[key] ?? usual), ...next } } }));
    return [said, change];
  };
}

/** The limits of a seat's searches of one kind, and how they are changed. */
export const useLimits = keptBy(NO_LIMITS);

/** What is asked for within them, and how that is changed. */
export const useAim = keptBy<Aim>({ at: 'likely', part: null });
