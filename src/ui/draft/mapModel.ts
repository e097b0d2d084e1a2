import type { Position } from '@/core/search/candidates';
import type { Level } from '@/core/rules/rule';

/** A box on the map, in px from the map's top left. */
export interface MapNode {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly title: string;
  readonly sub: string;
  readonly sub2?: string | undefined;
  readonly kind: 'spine' | 'device' | 'empty' | 'off' | 'fixed';
  readonly level: Level | undefined;
  readonly position: Position | undefined;
  readonly item: string | undefined;
  readonly watts: { readonly now: number; readonly max: number } | undefined;
}

/** A link on the map: thickness by bandwidth, filled by what a sitting uses in each direction. */
export interface MapWire {
  readonly id: string;
  readonly x1: number;
  readonly y1: number;
  readonly x2: number;
  readonly y2: number;
  readonly gbytePerS: number | undefined;
  /** Share of the link in use towards the processor and away from it; above 1 is more than it carries. */
  readonly up: number;
  readonly down: number;
  readonly label: string;
  readonly title: string;
  readonly of: 'link' | 'memory';
}

export interface MapLayout {
  readonly width: number;
  readonly height: number;
  readonly nodes: readonly MapNode[];
  readonly wires: readonly MapWire[];
  readonly frameTop: number;
}

export interface Leaf {
  readonly id: string;
  readonly node: Omit<MapNode, 'x' | 'y' | 'width' | 'height'>;
  readonly wire: Pick<MapWire, 'gbytePerS' | 'up' | 'down' | 'label' | 'title' | 'of'> | undefined;
}

export interface Tier {
  readonly id: string;
  readonly label: string;
  readonly left: readonly Leaf[];
  readonly right: readonly Leaf[];
}
