import { z } from 'zod';
import { folded } from '../units/text';
import { machineSchema, type Machine } from '../model/machine';
import { partSchema, type Part, type PartKind } from '../parts';
import { GIB } from '../units/quantity';
import { idFrom } from './csv/rows';
import { parseText, type Parsed } from './problems';

/** A node of `lshw -json`, as far as it is read here. */
interface Node {
  readonly id?: string | undefined;
  readonly class?: string | undefined;
  readonly description?: string | undefined;
  readonly product?: string | undefined;
  readonly vendor?: string | undefined;
  readonly version?: string | undefined;
  readonly businfo?: string | undefined;
  readonly size?: number | undefined;
  readonly capacity?: number | undefined;
  readonly clock?: number | undefined;
  readonly units?: string | undefined;
  readonly configuration?: Readonly<Record<string, unknown>> | undefined;
  readonly capabilities?: Readonly<Record<string, unknown>> | undefined;
  readonly children?: readonly Node[] | undefined;
}

const nodeSchema: z.ZodType<Node> = z.lazy(() =>
  z.looseObject({
    id: z.string().optional(),
    class: z.string().optional(),
    description: z.string().optional(),
    product: z.string().optional(),
    vendor: z.string().optional(),
    version: z.string().optional(),
    businfo: z.string().optional(),
    size: z.number().optional(),
    capacity: z.number().optional(),
    clock: z.number().optional(),
    units: z.string().optional(),
    configuration: z.record(z.string(), z.unknown()).optional(),
    capabilities: z.record(z.string(), z.unknown()).optional(),
    children: z.array(nodeSchema).optional(),
  }),
);
/** Newer releases print a list with the machine in it, older ones the machine itself. */
const inventorySchema = z.union([z.array(nodeSchema).min(1), nodeSchema]);

/** A present machine as an inventory tells it: what it does not tell stays unknown and is listed. */
export interface Inventory {
  readonly machine: Machine;
  /** Parts that the library did not know. */
  readonly parts: readonly Part[];
  readonly recognised: readonly string[];
  /** What the file does not tell, in words. */
  readonly untold: readonly string[];
}

function* walk(node: Node): Generator<Node> {
  yield node;
  for (const child of node.children ?? []) yield* walk(child);
}

/** Text fit for a name: markup and control characters are taken out of what firmware wrote. */
const cleaned = (text: string | undefined): string | undefined => {
  const clean = (text ?? '')
    .replace(/[<>\p{Cc}\p{Cf}]/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  return clean === '' ||
    /^(unknown|not specified|none|no dimm|\[empty\]|to be filled by o\.?e\.?m\.?|default string)$/i.test(clean)
    ? undefined
    : clean.slice(0, 100);
};

interface Found {
  readonly kind: PartKind;
  readonly maker: string | undefined;
  readonly name: string | undefined;
  /** Name for what has none. */
  readonly fallback: string;
  readonly figures: Readonly<Record<string, unknown>>;
  readonly roles?: readonly string[];
}

function processorOf(node: Node): Found {
  const count = Number(node.configuration?.['cores']);
  const threads = Number(node.configuration?.['threads']);
  const known = Number.isInteger(count) && count > 0;
  const perCore = known && Number.isInteger(threads) ? Math.max(1, Math.min(2, Math.round(threads / count))) : 1;
  const boostGHz = node.capacity !== undefined && node.capacity > 1e8 ? node.capacity / 1e9 : undefined;
  return {
    kind: 'processor',
    maker: cleaned(node.vendor),
    name: cleaned(node.product),
    fallback: 'Processor',
    // without a count of cores nothing about them is known; all are taken to be of one kind, which the file cannot tell
    figures: known
      ? {
          coreGroups: [
            { kind: 'performance', count, threadsPerCore: perCore, ...(boostGHz === undefined ? {} : { boostGHz }) },
          ],
        }
      : {},
  };
}

const generationOf = (text: string): 'DDR4' | 'DDR5' | undefined =>
  /DDR5/i.test(text) ? 'DDR5' : /DDR4/i.test(text) ? 'DDR4' : undefined;

function memoryOf(banks: readonly Node[]): Found[] {
  const groups = new Map<string, Node[]>();
  for (const bank of banks) {
    const key = JSON.stringify([bank.vendor, bank.product, bank.size, bank.clock]);
    groups.set(key, [...(groups.get(key) ?? []), bank]);
  }
  return [...groups.values()].map((group): Found => {
    const [bank = {}] = group;
    const text = bank.description ?? '';
    const generation = generationOf(text);
    // lshw prints the transfer rate as a clock in Hz
    const rateMTs = bank.clock === undefined ? undefined : Math.round(bank.clock / 1e6);
    const moduleKind = /SODIMM/i.test(text) ? 'small-outline' : /Registered/i.test(text) ? 'registered' : undefined;
    return {
      kind: 'memory',
      maker: cleaned(bank.vendor),
      name: cleaned(bank.product),
      fallback: `Memory ${group.length} × ${bank.size === undefined ? '?' : bank.size / GIB} GB`,
      figures: {
        modules: group.length,
        ...(bank.size === undefined ? {} : { moduleGiB: bank.size / GIB }),
        ...(generation ? { generation } : {}),
        ...(rateMTs === undefined ? {} : { rateMTs }),
        ...(moduleKind ? { moduleKind } : {}),
      },
    };
  });
}

function driveOf(node: Node): Found {
  const rpm = Number(/(\d{4,5})rpm/.exec(Object.keys(node.capabilities ?? {}).join(' '))?.[1]);
  const nvme = /nvme/i.test(`${node.businfo ?? ''} ${node.description ?? ''}`);
  const sata = /\bATA\b/i.test(node.description ?? '');
  return {
    kind: 'drive',
    maker: cleaned(node.vendor),
    name: cleaned(node.product),
    fallback: node.size === undefined ? 'Drive' : `Drive of ${Math.round(node.size / 1e9)} GB`,
    figures: {
      ...(node.size === undefined ? {} : { capacityGB: Math.round(node.size / 1e7) / 100 }),
      ...(nvme ? { interface: 'NVMe' } : sata ? { interface: 'SATA' } : {}),
      ...(rpm > 0 ? { rpm, cellKind: 'magnetic' } : {}),
    },
  };
}

const simple =
  (kind: PartKind, fallback: string) =>
  (node: Node): Found => ({ kind, maker: cleaned(node.vendor), name: cleaned(node.product), fallback, figures: {} });

function partsIn(root: Node): { found: Found[]; untold: string[]; firmware: string | undefined } {
  const nodes = [...walk(root)];
  const of = (name: string) => nodes.filter((node) => node.class === name);
  const banks = nodes.filter((node) => /^bank/.test(node.id ?? '') && node.size !== undefined && node.size > 0);
  const total = nodes.find((node) => node.class === 'memory' && node.id === 'memory')?.size;
  const disks = nodes.filter(
    (node) => node.class === 'disk' && !/cdrom|dvd/i.test(`${node.id ?? ''} ${node.description ?? ''}`),
  );
  const untold: string[] = [];
  const core = nodes.find((node) => node.class === 'bus' && node.id === 'core');
  const cards = of('display').filter((node) => cleaned(node.product) !== undefined);
  if (banks.length === 0 && total !== undefined)
    untold.push(`memory: ${total / GIB} GB in all, in modules that the file does not name`);
  const found = [
    ...of('processor')
      .filter((node) => (node.configuration?.['enabledcores'] ?? 1) !== '0')
      .map(processorOf),
    ...(core ? [simple('board', 'Board')(core)] : []),
    ...(banks.length > 0
      ? memoryOf(banks)
      : total === undefined
        ? []
        : [
            {
              kind: 'memory' as const,
              maker: undefined,
              name: undefined,
              fallback: `Memory of ${total / GIB} GB in all`,
              figures: {},
            },
          ]),
    ...cards.map(simple('graphics', 'Graphics')),
    ...disks.map(driveOf),
  ];
  for (const what of ['power supply', 'case', 'cooler'])
    untold.push(`${what}: an inventory of this kind does not name it`);
  if (cards.length === 0) untold.push('graphics: none is named');
  const firmware = cleaned(nodes.find((node) => node.id === 'firmware')?.version)?.slice(0, 20);
  return { found, untold, firmware };
}

/** A library part that this is: the same kind, with its name or part number in what the machine says of itself. */
function recognise(found: Found, library: readonly Part[]): Part | undefined {
  if (found.name === undefined) return undefined;
  const said = ` ${folded(`${found.maker ?? ''} ${found.name}`)} `;
  const candidates = library.filter((part) => {
    if (part.kind !== found.kind) return false;
    if (part.partNumber !== undefined && said.includes(` ${folded(part.partNumber)} `)) return true;
    return said.includes(` ${folded(part.name)} `) && said.includes(folded(part.maker));
  });
  // "Tern 8" also stands in "Tern 8 bare": the longest name is meant
  return candidates.sort((a, b) => b.name.length - a.name.length)[0];
}

/**
 * A present machine from the JSON of `lshw -json`. Parts that the library has are used as they stand there; the others
 * become parts with only what the file tells. Serial numbers are not taken.
 */
export function readInventory(text: string, library: readonly Part[]): Parsed<Inventory> {
  if (isProcessorList(text)) return readProcessorList(text, library);
  const parsed = parseText(text, inventorySchema);
  if (!parsed.ok) return parsed;
  const [first] = Array.isArray(parsed.value) ? parsed.value : [parsed.value];
  if (!first) return { ok: false, problems: [{ path: 'file', message: 'holds no machine' }] };
  const { found, untold, firmware } = partsIn(first);
  if (found.length === 0)
    return {
      ok: false,
      problems: [
        {
          path: 'file',
          message: 'names no processor, board, memory or drive; run lshw -json as root and give its whole output',
        },
      ],
    };
  return inventoryOf(found, untold, firmware, library);
}

/** The machine of what was found. */
function inventoryOf(
  found: readonly Found[],
  untold: readonly string[],
  firmware: string | undefined,
  library: readonly Part[],
): Parsed<Inventory> {
  const parts = new Map<string, Part>();
  const recognised: string[] = [];
  const counts = new Map<PartKind, number>();
  const items = found.map((entry) => {
    const known = recognise(entry, library);
    const n = (counts.get(entry.kind) ?? 0) + 1;
    counts.set(entry.kind, n);
    const part = known ?? madePart(entry);
    if (known) recognised.push(`${known.maker} ${known.name}`);
    else parts.set(part.id, part);
    return {
      id: `${entry.kind}-${n}`,
      part: part.id,
      label: `${part.maker} ${part.name}`.slice(0, 120),
      owned: true,
      ...(entry.kind === 'drive' ? { roles: n === 1 ? ['system'] : [] } : {}),
    };
  });
  const machine = machineSchema.parse({
    id: 'present',
    name: 'Present machine',
    items,
    present: true,
    ...(firmware ? { firmware } : {}),
  });
  return { ok: true, value: { machine, parts: [...parts.values()], recognised, untold } };
}

interface Line {
  readonly field?: string | undefined;
  readonly data?: string | null | undefined;
  readonly children?: readonly Line[] | undefined;
}
const lineSchema: z.ZodType<Line> = z.lazy(() =>
  z.object({ field: z.string().optional(), data: z.string().nullish(), children: z.array(lineSchema).optional() }),
);
const processorListSchema = z.object({ lscpu: z.array(lineSchema).min(1) });

/** Whether a text is the output of `lscpu -J`: it counts cores also where the inventory does not. */
export const isProcessorList = (text: string): boolean => /^\s*\{\s*"lscpu"\s*:/.test(text);

/** More cores or threads than any processor has: what a file says beyond it is not taken. */
const MOST_CORES = 1024;

/** The processors of a machine from `lscpu -J`: name, cores, threads, highest clock and last-level cache. */
function readProcessorList(text: string, library: readonly Part[]): Parsed<Inventory> {
  const parsed = parseText(text, processorListSchema);
  if (!parsed.ok) return parsed;
  const said = new Map<string, string>();
  const note = (lines: readonly Line[]): void => {
    for (const { field, data, children } of lines) {
      const name = field?.replace(/:$/, '').trim();
      if (name && typeof data === 'string' && !said.has(name)) said.set(name, data.trim());
      if (children) note(children);
    }
  };
  note(parsed.value.lscpu);
  const whole = (name: string): number | undefined => {
    const value = Number(said.get(name));
    return Number.isInteger(value) && value > 0 && value <= MOST_CORES ? value : undefined;
  };
  const sockets = whole('Socket(s)') ?? 1;
  const count = whole('Core(s) per socket');
  const threads = whole('Thread(s) per core');
  if (count === undefined && said.get('Model name') === undefined)
    return {
      ok: false,
      problems: [{ path: 'lscpu', message: 'names neither a model nor its cores; give the whole output of lscpu -J' }],
    };
  const maxMHz = Number(said.get('CPU max MHz'));
  const cache = /^([\d.]{1,12})\s?(KiB|MiB)/.exec(said.get('L3 cache') ?? '');
  const found: Found = {
    kind: 'processor',
    maker: cleaned(said.get('Vendor ID')),
    name: cleaned(said.get('Model name')),
    fallback: 'Processor',
    figures: {
      ...(count === undefined
        ? {}
        : {
            coreGroups: [
              {
                kind: 'performance',
                count,
                threadsPerCore: Math.min(2, threads ?? 1),
                ...(maxMHz > 100 ? { boostGHz: maxMHz / 1000 } : {}),
              },
            ],
          }),
      ...(cache ? { cacheMiB: Number(cache[1]) / (cache[2] === 'KiB' ? 1024 : 1) } : {}),
    },
  };
  return inventoryOf(
    Array.from({ length: Math.min(sockets, 8) }, () => found),
    ['everything but the processor: a list of this kind names nothing else'],
    undefined,
    library,
  );
}

/** A part with only what the inventory tells; a figure that no part can have is left open, as if it were not told. */
function madePart(found: Found): Part {
  const maker = (found.maker ?? 'Maker not stated').slice(0, 60);
  const name = found.name ?? found.fallback;
  const bare = {
    kind: found.kind,
    id: idFrom(maker, `${found.kind} ${name}`),
    maker,
    name,
    source: 'inventory of the machine (lshw)',
  };
  const whole = partSchema.safeParse({ ...bare, ...found.figures });
  if (whole.success) return whole.data;
  const refused = new Set(whole.error.issues.map(({ path }) => String(path[0])));
  const sound = Object.entries(found.figures).filter(([figure]) => !refused.has(figure));
  return partSchema.parse({ ...bare, ...Object.fromEntries(sound) });
}
