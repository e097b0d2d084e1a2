import { MOST_BESIDE } from '@/core/library/beside';
import { usualColumns } from '@/core/library/columns';
import { PART_KINDS, type PartKind } from '@/core/parts';

/** What the grid asks; it stands in the address, so that it can be kept, shared and gone back to. */
export interface Question {
  readonly text: string;
  readonly kind: PartKind | undefined;
  readonly filters: Readonly<Record<string, string>>;
  readonly sort: { readonly key: string; readonly descending: boolean } | undefined;
  readonly columns: readonly string[];
  readonly part: string | undefined;
  /** Parts that are looked at side by side, and their one kind; none while there are no parts. */
  readonly beside: readonly string[];
  readonly besideKind: PartKind | undefined;
  /** Whether they are shown in place of the grid. */
  readonly besideShown: boolean;
}

export const emptyQuestion: Question = {
  text: '',
  kind: undefined,
  filters: {},
  sort: undefined,
  columns: usualColumns(undefined),
  part: undefined,
  beside: [],
  besideKind: undefined,
  besideShown: false,
};

const FILTER = 'f.';

/** "drive,weir-2-tb,flume-1-tb": a kind and parts of it. */
function besideFrom(text: string | null): Pick<Question, 'beside' | 'besideKind'> {
  const [name, ...parts] = (text ?? '').split(',');
  const besideKind = PART_KINDS.find((kind) => kind === name);
  const beside = parts.filter(Boolean).slice(0, MOST_BESIDE);
  return besideKind && beside.length > 0 ? { beside, besideKind } : { beside: [], besideKind: undefined };
}

/** A part put beside the others or taken away again. One of another kind has other figures: it begins anew. */
export function besideOrNot(
  question: Question,
  { id, kind }: { readonly id: string; readonly kind: PartKind },
): Question | 'full' {
  const { beside, besideKind } = question;
  if (beside.includes(id)) {
    const left = beside.filter((other) => other !== id);
    return { ...question, beside: left, ...(left.length === 0 ? { besideKind: undefined, besideShown: false } : {}) };
  }
  if (besideKind !== kind) return { ...question, beside: [id], besideKind: kind, besideShown: false };
  return beside.length >= MOST_BESIDE ? 'full' : { ...question, beside: [...beside, id] };
}

export function questionFrom(query: URLSearchParams): Question {
  const kind = PART_KINDS.find((name) => name === query.get('kind'));
  const sort = query.get('sort');
  const columns = query.get('columns')?.split(',').filter(Boolean);
  return {
    text: query.get('q') ?? '',
    kind,
    filters: Object.fromEntries(
      [...query].flatMap(([key, value]) =>
        key.startsWith(FILTER) && value !== '' ? [[key.slice(FILTER.length), value]] : [],
      ),
    ),
    sort: sort ? { key: sort.replace(/^-/, ''), descending: sort.startsWith('-') } : undefined,
    columns: columns && columns.length > 0 ? columns : usualColumns(kind),
    part: query.get('part') ?? undefined,
    ...besideFrom(query.get('beside')),
    besideShown: query.has('beside') && query.has('shown'),
  };
}

export function addressOf(question: Question): string {
  const query = new URLSearchParams();
  if (question.text !== '') query.set('q', question.text);
  if (question.kind) query.set('kind', question.kind);
  if (question.sort) query.set('sort', `${question.sort.descending ? '-' : ''}${question.sort.key}`);
  for (const [key, value] of Object.entries(question.filters)) query.set(`${FILTER}${key}`, value);
  if (question.columns.join() !== usualColumns(question.kind).join()) query.set('columns', question.columns.join(','));
  if (question.part) query.set('part', question.part);
  if (question.besideKind) query.set('beside', [question.besideKind, ...question.beside].join(','));
  if (question.besideKind && question.besideShown) query.set('shown', 'beside');
  const text = query.toString();
  return text === '' ? '/library' : `/library?${text}`;
}
