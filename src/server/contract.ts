import type { SuccessionChange } from '@/core/money/history';
import type { SaleState } from '@/core/parts/onSale';
import type { FeedProblem, PriceSource } from '@/core/formats/feed/source';
import type { DayRate, Currency } from '@/core/units/money';
import type { Watch } from '@/core/money/watch';
import type { Seen } from '@/core/versus/standing';
import type { Goods } from '@/core/model/catalogue';
import type { CatalogueData } from '@/core/model/catalogueSchema';
import type { Brief } from '@/core/model/brief';
import type { Machine } from '@/core/model/machine';
import type { Problem } from '@/core/formats/problems';
import type { Stepped, Steps } from '@/store/history';
import type { Glance } from '@/core/words/glance';
import type { Refused } from './refuse';

export type { Done, Refused } from './refuse';
export type { Trouble } from './trouble';
import type { QuoteChanges } from '@/core/quote/changes';
import type { Quote } from '@/core/quote/document';
import type { Answer, Inside, RevisionSpec, RevisionState, WayToSend } from '@/core/quote/kept';
import type { Order } from '@/core/quote/order';
import type { CostRisk } from '@/core/quote/risk';
import type { Substitute } from '@/core/quote/substitutes';
import type { Settings } from '@/core/model/settings';
import type { Mapping } from '@/core/formats/csv/mapping';
import type { Owned } from '@/core/formats/projectFile';
import type { Part, PartKind } from '@/core/parts';

/** A brief or draft with the revision that edits must name. */
export interface StoredBody<T> {
  readonly id: string;
  readonly revision: number;
  readonly body: T;
}

export type { StepOffer, Stepped, Steps } from '@/store/history';
export type { Removed } from '@/store/removed';

/** What came of taking a step back or forward, and the seat as it is then. */
export interface SteppedSeat {
  readonly stepped: Stepped;
  readonly bundle: SeatBundle | undefined;
}

/** All a seat's screens need: its documents and the part of the catalogue that they and the rivals mention. */
export interface SeatBundle {
  readonly seat: {
    readonly id: string;
    readonly name: string;
    readonly projectId: string;
    readonly projectName: string;
  };
  readonly brief: StoredBody<Brief>;
  readonly drafts: readonly StoredBody<Machine>[];
  /** Drafts of other seats whose measurements may say something of these. */
  readonly measuredElsewhere: readonly Machine[];
  readonly data: CatalogueData;
  readonly catalogueRevision: number;
  readonly today: string;
  readonly settings: Settings;
  readonly steps: Steps;
  /** How drafts stood when somebody last marked them as seen, by draft. */
  readonly seen: Readonly<Record<string, Seen>>;
  /** Parts that are there already: a search may use them at no price. */
  readonly owned: readonly OwnedRow[];
  /** Watches on its drafts and their parts that fired and that nobody has seen yet. */
  readonly news: readonly Watch[];
}

/** The seats of a project, as a search over all of them goes by them. */
export interface TeamBundle {
  readonly seats: readonly {
    readonly id: string;
    readonly name: string;
    readonly brief: Brief;
    readonly drafts: readonly Machine[];
  }[];
  /** Machines whose measurements may say something of others. */
  readonly measured: readonly Machine[];
  readonly catalogueRevision: number;
  readonly today: string;
  readonly settings: Settings;
}

/** One piece of what changed at a seat since the desk was last marked as seen. */
export interface DeskNews {
  readonly what: 'price' | 'findings' | 'watch';
  /** Draft that it is about; none for a part. */
  readonly draft: string | undefined;
  readonly text: string;
}

/** What the desk shows of what it is worked out from: its seats, and rows that cannot be read. */
export interface DeskFigures {
  readonly seats: readonly DeskSeat[];
  readonly aside: readonly AsideRow[];
  /** What a new seat pays in. */
  readonly currency?: string | undefined;
}

/** A seat as the desk shows it. */
export interface DeskSeat {
  readonly id: string;
  readonly name: string;
  readonly projectId: string;
  readonly projectName: string;
  /** Its work in a few words. */
  readonly work: string;
  readonly budgetMinor?: number | undefined;
  readonly drafts: readonly {
    readonly id: string;
    readonly name: string;
    readonly present: boolean;
    readonly glance: Glance;
  }[];
  /** Day on which somebody marked how it stood. */
  readonly seenOn?: string | undefined;
  readonly newsLine?: string | undefined;
  readonly news: readonly DeskNews[];
}

export type SaveResult<T> =
  | { readonly state: 'saved'; readonly revision: number; readonly steps: Steps }
  | { readonly state: 'stale'; readonly revision: number; readonly body: T }
  | Refused
  /** The database cannot be used; the change is not lost, whoever sent it keeps it. */
  | { readonly state: 'trouble'; readonly message: string }
  | { readonly state: 'gone' };

/** One row of the library's grid. */
export interface LibraryRow {
  readonly id: string;
  readonly kind: PartKind;
  readonly maker: string;
  readonly name: string;
  readonly state: SaleState;
  /** Null is unknown. */
  readonly cells: Readonly<Record<string, number | string | null>>;
}

/** A window of the grid with how much there is around it. */
export interface LibraryPage {
  readonly total: number;
  readonly all: number;
  readonly ofKind: Readonly<Partial<Record<PartKind, number>>>;
  /** Figures that the bounds of the question were taken for, by kind. */
  readonly readAs: Readonly<Partial<Record<PartKind, readonly string[]>>>;
  readonly rows: readonly LibraryRow[];
  readonly offset: number;
  readonly currency: string;
  readonly regionName: string;
}

export interface SheetField {
  readonly path: string;
  readonly value: unknown;
  /** Set by hand over what the file said. */
  readonly hand: { readonly at: string } | null;
}

/** All that is known of one part. */
export interface PartSheet {
  readonly part: Part;
  /** Other parts that it tells of by their id, with their names. */
  readonly names: Readonly<Record<string, string>>;
  readonly fields: readonly SheetField[];
  readonly origin: { readonly label: string; readonly origin: string; readonly at: string } | null;
  readonly rating: {
    readonly ratings: number;
    readonly mean: number;
    readonly shrunk: number;
    readonly kindMean: number;
  } | null;
  readonly state: LibraryRow['state'];
  readonly lookalikes: readonly {
    readonly id: string;
    readonly name: string;
    readonly because: 'variant' | 'name';
    readonly differences: readonly { readonly path: string; readonly here: unknown; readonly there: unknown }[];
  }[];
  readonly uses: readonly {
    readonly label: string;
    readonly href: string | undefined;
    readonly standsInFor: string | undefined;
  }[];
  readonly offers: readonly {
    readonly id: string;
    readonly seller: string;
    readonly condition: string;
    readonly asOf: string;
    readonly landedMinor: number;
    readonly byHand: boolean;
  }[];
  /** The cheapest that the desk would buy, landed; null is unknown. */
  readonly landedMinor: number | null;
  /** The part and what rules read beside it, with offers in all regions: what a page needs to judge a machine with it. */
  readonly goods: Goods;
  readonly region: {
    readonly id: string;
    readonly name: string;
    readonly currency: Currency;
    readonly pricesIncludeTax: boolean;
  } | null;
}

/** A backup that was made. */
export interface BackupRow {
  readonly name: string;
  readonly at: string;
  readonly bytes: number;
}

/** A row that cannot be read, for whoever mends it. */
export interface AsideRow {
  readonly place: string;
  readonly id: string;
  /** What it is, in words. */
  readonly what: string;
  readonly text: string;
  readonly problems: readonly Problem[];
}

/** Something owned with its part's name; no kind when the part is gone from the library. */
export type OwnedRow = Owned & { readonly label: string; readonly kind: PartKind | undefined };

/** A change of the library as the list of changes shows it. */
export interface StepRow {
  readonly seq: number;
  readonly label: string;
  readonly origin: string;
  readonly at: string;
  readonly undone: boolean;
  readonly entries: number;
}

/** A file that was given and waits. */
export interface UploadView {
  readonly id: string;
  readonly name: string;
  readonly bytes: number;
  readonly format: string;
}

/** First rows of a table with the best guess at its columns. */
export interface TableView {
  readonly encoding: string;
  readonly separator: string;
  readonly headers: readonly string[];
  readonly rows: readonly (readonly string[])[];
  readonly remembered: readonly string[];
  readonly mapping: Mapping | undefined;
}

/** What an inventory or bill of materials holds. */
export interface MachineView {
  readonly name: string;
  readonly items: readonly { readonly id: string; readonly label: string; readonly known: boolean }[];
  readonly notes: readonly string[];
}

export type { SpokenView } from './spoken';
export type { WaitingWorth } from '@/core/money/history';

/** What pages show of prices: sources, the refresh that runs, the last one, watches and exchange rates. */
export interface PriceState {
  readonly sources: readonly PriceSource[];
  readonly running: RefreshReport | undefined;
  readonly last: RefreshReport | undefined;
  readonly watches: readonly Watch[];
  readonly rates: readonly DayRate[];
}

/** How one source fared. */
export interface SourceReport {
  readonly id: string;
  readonly name: string;
  readonly simulated: boolean;
  readonly state: 'waiting' | 'asking' | 'done' | 'failed';
  readonly attempts: number;
  /** Why it failed, or why it is asked again. */
  readonly message?: string | undefined;
  readonly read: number;
  /** Offers whose price is another than before, and offers that are new. */
  readonly moved: number;
  readonly points: number;
  readonly unmatched: number;
  readonly problems: readonly FeedProblem[];
  readonly problemCount: number;
}

export interface RefreshReport {
  readonly started: string;
  readonly ended: string | undefined;
  readonly by: string;
  readonly day: string;
  readonly sources: readonly SourceReport[];
  /** Watches that fired. */
  readonly fired: readonly string[];
  /** Why nothing was asked. */
  readonly message?: string | undefined;
}

/** Prices by day as a page gets them; null where nobody knows. */
export interface HistoryView {
  readonly first: string;
  readonly minors: readonly (number | null)[];
  /** Parts of a machine without any price in that time. */
  readonly unknown: readonly string[];
}

/** A draft that a part may be put into. */
export interface DraftPlace {
  readonly seatId: string;
  readonly draftId: string;
  /** "Film desk, Draft A" */
  readonly label: string;
  readonly href: string;
}

/** What a maker's next parts of this kind have done to the prices of those before them, new and used. */
export interface Successions {
  readonly anew: SuccessionChange | undefined;
  readonly used: SuccessionChange | undefined;
  /** What is announced of the kind and not sold yet. */
  readonly announced: readonly Pick<Part, 'id' | 'maker' | 'name' | 'onSale'>[];
}

/** A quote with its revisions, as lists show it. */
export interface QuoteView {
  readonly id: string;
  readonly number: string;
  readonly madeOn: string;
  readonly team: boolean;
  readonly revisions: readonly RevisionView[];
}

export interface RevisionView {
  readonly revision: number;
  readonly version: number;
  readonly state: RevisionState;
  readonly spec: RevisionSpec;
  /** Of what went out. */
  readonly sent?: {
    readonly on: string;
    readonly how: WayToSend;
    readonly to?: string;
    readonly title: string;
    readonly validUntil: string;
    readonly totalMinor: number;
    readonly currency: Currency;
  };
  readonly answer?: Answer;
  /** Address of its page, as long as that is not withdrawn. */
  readonly page?: string;
  readonly order?: Order;
}

/** A seat of a quote with the drafts that may be sold to it. */
export interface SeatDrafts {
  readonly seat: string;
  readonly name: string;
  readonly budgetMinor?: number;
  readonly drafts: readonly { readonly id: string; readonly name: string }[];
}

/** A revision in full. */
export interface QuoteDetail {
  readonly state: 'made';
  readonly quote: Quote;
  readonly inside: Inside;
  /** What the workshop should know of it: options that are left out, and why. */
  readonly notes: readonly string[];
  /** Since the revision that was sent before it. */
  readonly since?: QuoteChanges;
  /** What the same would cost the client and the workshop today, of what was sent. */
  readonly today?: { readonly changes: QuoteChanges; readonly costMinor: number };
  /** Why that cannot be told. */
  readonly todayNot?: string;
  /** Of several machines as they stand: what each seat may have, and what they cost in baskets of their own, landed. */
  readonly team?: {
    readonly seats: readonly SeatDrafts[];
    readonly apartMinor: number;
    readonly togetherMinor: number;
    readonly joint: boolean;
  };
}

/** What prices may do to a quote while it holds, and parts that nobody sells with what may stand in for them. */
export interface QuoteRisk {
  readonly state: 'told';
  readonly days: number;
  readonly risk: CostRisk | undefined;
  readonly gone: readonly {
    readonly name: string;
    readonly seat: string | undefined;
    readonly instead: readonly Substitute[];
  }[];
}
