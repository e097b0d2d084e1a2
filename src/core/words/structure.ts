/** A structure of a part as tables: each list of entries with its columns, each value in a few words. */
export interface StructureTable {
  /** Empty for the list that the field itself is. */
  readonly title: string;
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

type Entry = Readonly<Record<string, unknown>>;

const isEntry = (value: unknown): value is Entry =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Units as names end in them: `boostGHz` is "boost, GHz". */
const UNIT = /(?:GHz|MHz|GiB|MiB|GB|MB|Mm|W|MTs|GbitPerS|MBs|Tflops|C)$/;

/** Fields that are named by their unit alone. */
const UNITS_ALONE: Readonly<Record<string, string>> = { kPerW: 'K/W', gbitPerS: 'Gb/s' };

/** A field's name as words: `threadsPerCore` is "threads per core", `boostGHz` "boost, GHz". */
export function fieldWords(name: string): string {
  const whole = UNITS_ALONE[name];
  if (whole !== undefined) return whole;
  const unit = UNIT.exec(name);
  const bare = unit && unit.index > 0 ? name.slice(0, unit.index) : name;
  const words = bare.replace(/([a-z0-9])([A-Z])/g, '$1 $2').toLowerCase();
  return unit && unit.index > 0
    ? `${words}, ${unit[0].replace('Mm', 'mm').replace('GbitPerS', 'Gb/s').replace('MBs', 'MB/s').replace('MTs', 'MT/s').replace(/^C$/, '°C')}`
    : words;
}

/** A value inside a structure in a few words. */
function cellWords(value: unknown): string {
  if (value === undefined || value === null) return '';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value)) return value.map(cellWords).join(isEntry(value[0]) ? '; ' : ', ');
  if (isEntry(value))
    return Object.entries(value)
      .map(([name, member]) => `${fieldWords(name)} ${cellWords(member)}`)
      .join(', ');
  return String(value);
}

function tableOf(title: string, entries: readonly Entry[]): StructureTable {
  const columns = [...new Set(entries.flatMap((entry) => Object.keys(entry)))];
  return {
    title,
    columns: columns.map(fieldWords),
    rows: entries.map((entry) => columns.map((column) => cellWords(entry[column]))),
  };
}

/** The tables of a structure; none for what one line says better. */
export function structureTables(value: unknown): StructureTable[] {
  if (Array.isArray(value)) return value.length > 0 && value.every(isEntry) ? [tableOf('', value)] : [];
  if (!isEntry(value)) return [];
  return Object.entries(value).flatMap(([name, member]) =>
    Array.isArray(member) && member.length > 0 && member.every(isEntry) ? [tableOf(fieldWords(name), member)] : [],
  );
}

/** How much a structure holds: "6 slots, 1 hub", "4 entries". */
export function structureSize(value: unknown): string | undefined {
  const tables = structureTables(value);
  if (tables.length === 0) return undefined;
  return tables
    .map(
      ({ title, rows }) =>
        `${rows.length} ${title === '' ? (rows.length === 1 ? 'entry' : 'entries') : rows.length === 1 ? title.replace(/s$/, '') : title}`,
    )
    .join(', ');
}
