import type { Generated } from 'kysely';

/** Lists of a catalogue that are small and read whole. */
export type SmallList = 'regions' | 'sellers' | 'applications' | 'rivals';

/** Tables as SQLite keeps them; JSON columns are text that the core's schemas validate when read and written. */
export interface Tables {
  meta: { key: string; value: string };
  parts: { id: string; kind: string; maker: string; name: string; spec: string };
  part_figures: { part_id: string; field: string; value: string; at: string };
  offers: { id: string; part_id: string; region: string; price_minor: number; spec: string };
  small_lists: { list: SmallList; id: string; spec: string };
  /** Changes of the library that can be taken back: imports, parts and figures by hand. */
  steps: { seq: Generated<number>; label: string; origin: string; at: string; undone: number };
  /** What a step changed: `other` is how the entry was before it (or, undone, after it); null where there was none. */
  changes: { step: number; list: string; id: string; other: string | null };
  /** Where columns of foreign tables went last time. */
  column_choices: { kind: string; header: string; target: string; at: string };
  owned: { id: string; spec: string };
  /** Offers that have prices by day; an offer keeps its history also when it is gone. */
  price_keys: { key: Generated<number>; offer_id: string };
  /** `day` counts from 1970-01-01; no price is a day on which the offer could not be bought. */
  price_points: { key: number; day: number; price_minor: number | null };
  /** Coins of `quote` for one of `base`, as exact decimals. */
  rates: { base: string; quote: string; day: string; rate: string };
  sources: { id: string; position: number; spec: string };
  refreshes: { id: Generated<number>; started: string; ended: string | null; spec: string };
  watches: { id: string; spec: string };
  /** What a draft cost and found when somebody last looked at the desk. */
  seen: { seat_id: string; draft_id: string; spec: string };
  projects: { id: string; name: string; position: number };
  seats: { id: string; project_id: string; name: string; position: number };
  documents: { id: string; seat_id: string; kind: 'brief' | 'draft'; body: string; revision: number; position: number };
  history: {
    seq: Generated<number>;
    seat_id: string;
    /** `document ID` or `figure PART FIELD` */
    target: string;
    label: string;
    before: string | null;
    after: string | null;
    undone: number;
    at: string;
    /** Window that made the step or took it over; empty when nobody knows. */
    window: string;
  };
  /** A quote by its number. It outlives the seats that it was made for: it is a paper that somebody has. */
  quotes: { id: string; project_id: string; number: string; made_on: string };
  /** `sent` is what went out, frozen; `token` is the address of its page as long as that is not withdrawn. */
  quote_revisions: {
    quote_id: string;
    revision: number;
    /** Moves with each edit, so that two windows do not write over each other. */
    version: number;
    spec: string;
    sent: string | null;
    answer: string | null;
    token: string | null;
    purchase: string | null;
  };
  /** What was taken away and can be brought back: rows of its tables, as they stood. */
  removed: { id: Generated<number>; at: string; label: string; spec: string };
}

/** Migrations run forward only, each once, in one transaction; `PRAGMA user_version` counts them. */
export const MIGRATIONS: readonly string[] = [
  `
  CREATE TABLE meta (key TEXT PRIMARY KEY, value TEXT NOT NULL) STRICT;
  CREATE TABLE parts (id TEXT PRIMARY KEY, kind TEXT NOT NULL, maker TEXT NOT NULL, name TEXT NOT NULL, spec TEXT NOT NULL) STRICT;
  CREATE INDEX parts_by_kind ON parts (kind, maker, name);
  CREATE TABLE part_figures (part_id TEXT NOT NULL, field TEXT NOT NULL, value TEXT NOT NULL, at TEXT NOT NULL, PRIMARY KEY (part_id, field)) STRICT;
  CREATE TABLE offers (id TEXT PRIMARY KEY, part_id TEXT NOT NULL REFERENCES parts (id), region TEXT NOT NULL, price_minor INTEGER NOT NULL CHECK (price_minor > 0), spec TEXT NOT NULL) STRICT;
  CREATE INDEX offers_by_part ON offers (part_id, region);
  CREATE TABLE small_lists (list TEXT NOT NULL, id TEXT NOT NULL, spec TEXT NOT NULL, PRIMARY KEY (list, id)) STRICT;
  CREATE TABLE projects (id TEXT PRIMARY KEY, name TEXT NOT NULL, position INTEGER NOT NULL) STRICT;
  CREATE TABLE seats (id TEXT PRIMARY KEY, project_id TEXT NOT NULL REFERENCES projects (id), name TEXT NOT NULL, position INTEGER NOT NULL) STRICT;
  CREATE TABLE documents (id TEXT PRIMARY KEY, seat_id TEXT NOT NULL REFERENCES seats (id), kind TEXT NOT NULL CHECK (kind IN ('brief', 'draft')), body TEXT NOT NULL, revision INTEGER NOT NULL, position INTEGER NOT NULL) STRICT;
  CREATE INDEX documents_by_seat ON documents (seat_id, position);
  CREATE TABLE history (seq INTEGER PRIMARY KEY AUTOINCREMENT, seat_id TEXT NOT NULL REFERENCES seats (id), target TEXT NOT NULL, label TEXT NOT NULL, before TEXT, after TEXT, undone INTEGER NOT NULL DEFAULT 0, at TEXT NOT NULL) STRICT;
  CREATE INDEX history_by_seat ON history (seat_id, seq);
  `,
  `
  CREATE TABLE steps (seq INTEGER PRIMARY KEY AUTOINCREMENT, label TEXT NOT NULL, origin TEXT NOT NULL, at TEXT NOT NULL, undone INTEGER NOT NULL DEFAULT 0) STRICT;
  CREATE TABLE changes (step INTEGER NOT NULL REFERENCES steps (seq) ON DELETE CASCADE, list TEXT NOT NULL, id TEXT NOT NULL, other TEXT, PRIMARY KEY (list, id, step)) STRICT, WITHOUT ROWID;
  CREATE TABLE column_choices (kind TEXT NOT NULL, header TEXT NOT NULL, target TEXT NOT NULL, at TEXT NOT NULL, PRIMARY KEY (kind, header)) STRICT;
  CREATE TABLE owned (id TEXT PRIMARY KEY, spec TEXT NOT NULL) STRICT;
  `,
  `
  CREATE TABLE price_keys (key INTEGER PRIMARY KEY, offer_id TEXT NOT NULL UNIQUE) STRICT;
  CREATE TABLE price_points (key INTEGER NOT NULL REFERENCES price_keys (key), day INTEGER NOT NULL, price_minor INTEGER CHECK (price_minor > 0), PRIMARY KEY (key, day)) STRICT, WITHOUT ROWID;
  CREATE TABLE rates (base TEXT NOT NULL, quote TEXT NOT NULL, day TEXT NOT NULL, rate TEXT NOT NULL, PRIMARY KEY (base, quote, day)) STRICT, WITHOUT ROWID;
  CREATE TABLE sources (id TEXT PRIMARY KEY, position INTEGER NOT NULL, spec TEXT NOT NULL) STRICT;
  CREATE TABLE refreshes (id INTEGER PRIMARY KEY AUTOINCREMENT, started TEXT NOT NULL, ended TEXT, spec TEXT NOT NULL) STRICT;
  CREATE TABLE watches (id TEXT PRIMARY KEY, spec TEXT NOT NULL) STRICT;
  CREATE TABLE seen (seat_id TEXT NOT NULL, draft_id TEXT NOT NULL, spec TEXT NOT NULL, PRIMARY KEY (seat_id, draft_id)) STRICT, WITHOUT ROWID;
  `,
  // what is given away has a price of 0 and says so in its spec
  `
  CREATE TABLE offers_with_free (id TEXT PRIMARY KEY, part_id TEXT NOT NULL REFERENCES parts (id), region TEXT NOT NULL, price_minor INTEGER NOT NULL CHECK (price_minor >= 0), spec TEXT NOT NULL) STRICT;
  INSERT INTO offers_with_free SELECT id, part_id, region, price_minor, spec FROM offers;
  DROP TABLE offers;
  ALTER TABLE offers_with_free RENAME TO offers;
  CREATE INDEX offers_by_part ON offers (part_id, region);
  `,
  `
  ALTER TABLE history ADD COLUMN window TEXT NOT NULL DEFAULT '';
  CREATE TABLE removed (id INTEGER PRIMARY KEY AUTOINCREMENT, at TEXT NOT NULL, label TEXT NOT NULL, spec TEXT NOT NULL) STRICT;
  `,
  // a machine had one later phase, and items that were only in one of the two; it has as many phases as it takes now
  (['documents.body', 'history.before', 'history.after'] as const)
    .map((column) => {
      const [table, field] = column.split('.');
      return `
  UPDATE ${table} SET ${field} = json_remove(json_set(${field},
    '$.phases', json_array(json_patch('{"id":"later"}', json_extract(${field}, '$.later'))),
    '$.items', json((SELECT json_group_array(json(CASE json_extract(value, '$.phase')
      WHEN 'later' THEN json_remove(json_set(value, '$.from', 'later'), '$.phase')
      WHEN 'now' THEN json_remove(json_set(value, '$.until', 'later'), '$.phase')
      ELSE value END)) FROM json_each(${field}, '$.items')))), '$.later')
  WHERE CASE WHEN json_valid(${field})
    THEN json_type(${field}, '$.later') = 'object' AND json_type(${field}, '$.items') = 'array' ELSE 0 END;
  `;
    })
    .join(''),
  // a quote, its revisions, and what became of them; what was sent stays as it was, whatever asks for it to change
  `
  CREATE TABLE quotes (id TEXT PRIMARY KEY, project_id TEXT NOT NULL, number TEXT NOT NULL UNIQUE, made_on TEXT NOT NULL) STRICT;
  CREATE INDEX quotes_by_project ON quotes (project_id);
  CREATE TABLE quote_revisions (
    quote_id TEXT NOT NULL REFERENCES quotes (id), revision INTEGER NOT NULL, version INTEGER NOT NULL, spec TEXT NOT NULL,
    sent TEXT, answer TEXT, token TEXT UNIQUE, purchase TEXT, PRIMARY KEY (quote_id, revision)) STRICT, WITHOUT ROWID;
  CREATE TRIGGER sent_revision_stays BEFORE UPDATE OF quote_id, revision, version, spec, sent ON quote_revisions
    WHEN OLD.sent IS NOT NULL BEGIN SELECT RAISE(ABORT, 'a revision that was sent does not change'); END;
  CREATE TRIGGER sent_revision_is_kept BEFORE DELETE ON quote_revisions
    WHEN OLD.sent IS NOT NULL BEGIN SELECT RAISE(ABORT, 'a revision that was sent is kept'); END;
  CREATE TRIGGER answer_stays BEFORE UPDATE OF answer ON quote_revisions
    WHEN OLD.answer IS NOT NULL BEGIN SELECT RAISE(ABORT, 'an answer does not change'); END;
  `,
];
