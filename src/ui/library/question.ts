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
}

export const emptyQuestion: Question = {
  text: '',
  kind: undefined,
  filters: {},
  sort: undefined,
  columns: usualColumns(undefined),
  part: undefined,
};

const FILTER = 'f.';

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
  const text = query.toString();
  return text === '' ? '/library' : `/library?${text}`;
}
