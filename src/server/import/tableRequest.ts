import {
  guessColumns,
  guessKind,
  priceField,
  PRICE_TARGET,
  takesUnit,
  type ColumnTarget,
} from '@/core/formats/csv/mapping';
import { isSheet, sheetFields, SHEETS } from '@/core/formats/csv/sheets';
import type { Parsed, Problem } from '@/core/formats/problems';
import { unitOf } from '@/core/units/convert';
import { rememberedColumns } from '@/store/libraryStore';
import { todayOf, type Service } from '../service';
import { sampleCsv } from './csvFile';
import type { CsvRequest } from './request';

/** What somebody says of a table on the command line; the rest is guessed and remembered. */
export interface TableOptions {
  readonly kind?: string | undefined;
  readonly encoding?: string | undefined;
  readonly separator?: string | undefined;
  readonly decimal?: string | undefined;
  readonly region?: string | undefined;
  /** `HEADING=field` or `HEADING=field[unit]`; `HEADING=` leaves the column out. */
  readonly map: readonly string[];
  /** `field=value` for all rows. */
  readonly all: readonly string[];
}

function choiceOf(text: string): ColumnTarget | undefined {
  const match = /^(.*)=([A-Za-z0-9.-]*)(?:\[([^\]]+)\])?$/.exec(text);
  if (!match) return undefined;
  const [, header = '', field = '', unit] = match;
  return { header, ...(field === '' ? {} : { field }), ...(unit === undefined ? {} : { unit: unitOf(unit) ?? unit }) };
}

/** A table's request from its first rows and what was said of it. */
export async function tableRequest(
  service: Service,
  path: string,
  options: TableOptions,
): Promise<Parsed<{ request: CsvRequest; leftOut: readonly string[] }>> {
  const problems: Problem[] = [];
  const sample = await sampleCsv(path, {
    ...(options.encoding ? { encoding: options.encoding } : {}),
    ...(options.separator ? { separator: options.separator === 'tab' ? '\t' : options.separator } : {}),
  });
  const { data } = await service.catalogue();
  const settings = await service.settings();
  const region =
    data.regions.find((entry) => entry.id === (options.region ?? settings.region)) ??
    (options.region === undefined ? data.regions[0] : undefined);
  if (!region)
    problems.push({
      path: '--region',
      message: `"${options.region ?? ''}" is not in the catalogue; there are ${data.regions.map((entry) => entry.id).join(', ') || 'none yet'}`,
    });
  const kind = options.kind ?? guessKind(sample.headers, region?.currency ?? '');
  if (kind === undefined || !isSheet(kind)) {
    problems.push({
      path: '--kind',
      message: `${kind === undefined ? 'cannot be told from the headings' : `"${kind}" is no kind of table`}; say one of ${SHEETS.join(', ')}`,
    });
    return { ok: false, problems };
  }
  const chosen = new Map<string, ColumnTarget>();
  const fields = [...sheetFields(kind), priceField(region?.currency ?? '')];
  for (const text of options.map) {
    const choice = choiceOf(text);
    const field = fields.find((candidate) => candidate.path === choice?.field);
    if (!choice) problems.push({ path: `--map ${text}`, message: 'is not HEADING=field or HEADING=field[unit]' });
    else if (!sample.headers.includes(choice.header))
      problems.push({
        path: `--map ${text}`,
        message: `names no heading of the file; it has ${sample.headers.join(', ')}`,
      });
    else if (choice.field !== undefined && !field)
      problems.push({ path: `--map ${text}`, message: `"${choice.field}" is no field of a ${kind}` });
    else if (choice.unit !== undefined && field && field.path !== PRICE_TARGET && !takesUnit(field, choice.unit))
      problems.push({
        path: `--map ${text}`,
        message: `${choice.unit} does not measure ${field.label}${field.unit ? `, which is in ${field.unit}` : ''}`,
      });
    else chosen.set(choice.header, choice);
  }
  const constants = Object.fromEntries(
    options.all.map((text) => [text.slice(0, text.indexOf('=')), text.slice(text.indexOf('=') + 1)]),
  );
  if (options.decimal !== undefined && options.decimal !== '.' && options.decimal !== ',')
    problems.push({ path: '--decimal', message: 'is "." or ","' });
  if (problems.length > 0 || !region) return { ok: false, problems };
  const remembered = new Map([...(await rememberedColumns(service.db, kind)), ...chosen]);
  const columns = guessColumns(kind, sample.headers, remembered, region.currency);
  return {
    ok: true,
    value: {
      leftOut: columns.flatMap((target) => (target.field === undefined && target.header !== '' ? [target.header] : [])),
      request: {
        encoding: sample.encoding,
        separator: sample.separator,
        mapping: {
          kind,
          columns,
          decimal: options.decimal === ',' ? ',' : options.decimal === '.' ? '.' : sample.decimal,
          constants,
        },
        region: region.id,
        today: await todayOf(service),
        fixes: {},
        leaveOut: [],
      },
    },
  };
}
