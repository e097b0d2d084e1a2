import { seededBy, slug, type Priced } from './seed';

type Figures = Readonly<Record<string, unknown>>;

const num = (part: Figures, key: string): number => (typeof part[key] === 'number' ? part[key] : 0);
const round = (value: number, digits: number): number => Number(value.toFixed(digits));

/** Another edition of a part: a name of its own, what differs, and whose variant it is. */
function edition({ part, usd }: Priced, suffix: string, priceFactor: number, figures: Figures): Priced {
  const name = `${part.name} ${suffix}`;
  return {
    usd: Math.max(1, Math.round(usd * priceFactor)),
    part: {
      ...part,
      ...figures,
      name,
      id: slug(`${part.maker} ${name}`),
      variantOf: typeof part['variantOf'] === 'string' ? part['variantOf'] : part.id,
    },
  };
}

/** Slower and cooler: clock follows power by the cube root (f ∝ P^(1/3)), as everywhere in this world. */
function cool(entry: Priced): Priced {
  const { part } = entry;
  const share = 0.68;
  const groups = (part['coreGroups'] as Figures[]).map((group) => {
    const allCoreGHz = round(
      Math.max(num(group, 'baseGHz') * share + 0.1, num(group, 'allCoreGHz') * share ** (1 / 3)),
      2,
    );
    return {
      ...group,
      baseGHz: round(num(group, 'baseGHz') * 0.8, 1),
      allCoreGHz,
      boostGHz: round(Math.max(allCoreGHz + 0.1, num(group, 'boostGHz') - 0.2), 1),
    };
  });
  return edition(entry, 'Cool', 0.96, {
    coreGroups: groups,
    basePowerW: Math.round(num(part, 'basePowerW') * share),
    maxPowerW: Math.round(num(part, 'maxPowerW') * share),
    sustainedPowerW: Math.round(num(part, 'sustainedPowerW') * share),
    unlocked: false,
  });
}

function processors(entry: Priced): Priced[] {
  const { part } = entry;
  const small = num(part, 'maxPowerW') <= 130;
  const own = typeof part['variantOf'] === 'string';
  return [
    ...(own || num(part, 'memoryChannels') > 2 ? [] : [cool(entry)]),
    // the same processor with a cooler in the box, or without one
    ...(own
      ? []
      : small && part['coolerIncluded'] === true
        ? [edition(entry, 'Tray', 0.95, { coolerIncluded: false })]
        : small
          ? [edition(entry, 'Boxed', 1.06, { coolerIncluded: true })]
          : []),
  ];
}

/** Another cooler on the same card. */
const cooler = (part: Figures, factor: number) =>
  (part['resistance'] as readonly { rpm: number; kPerW: number }[]).map((point) => ({
    ...point,
    kPerW: round(point.kPerW * factor, 3),
  }));

function graphics(entry: Priced): Priced[] {
  const { part } = entry;
  if (typeof part['variantOf'] === 'string' || part['certifiedDriver'] === true || part['cooling'] === 'passive')
    return [];
  const watts = num(part, 'boardPowerW');
  const length = num(part, 'lengthMm');
  const faster = 1.045;
  // a twentieth more clock costs three times as much in power: P ∝ f³
  const raisedW = Math.round(watts * faster ** 3);
  const connectors = part['connectors'] as Readonly<Record<string, number>>;
  const enough = 75 + (connectors['card-8'] ?? 0) * 150 + (connectors['card-16'] ?? 0) * 600;
  return [
    edition(entry, 'Raised', 1.06, {
      fp32Tflops: round(num(part, 'fp32Tflops') * faster, 1),
      matrixTflops: round(num(part, 'matrixTflops') * faster, 1),
      boardPowerW: raisedW,
      noiseDbA: num(part, 'noiseDbA') + 2,
      lengthMm: length + 18,
      recommendedSupplyW: Math.ceil((raisedW * 1.6 + 250) / 50) * 50,
      ...(raisedW > enough ? { connectors: { ...connectors, 'card-8': (connectors['card-8'] ?? 0) + 1 } } : {}),
    }),
    edition(entry, 'Calm', 1.08, {
      lengthMm: length + 30,
      slots: num(part, 'slots') + 0.5,
      coolerThicknessMm: num(part, 'coolerThicknessMm') + 10,
      noiseDbA: num(part, 'noiseDbA') - 4,
      resistance: cooler(part, 0.86),
      heightMm: 140,
    }),
    edition(entry, 'Short', 1.04, {
      lengthMm: Math.max(170, length - 60),
      noiseDbA: num(part, 'noiseDbA') + 3,
      resistance: cooler(part, 1.12),
      fp32Tflops: round(num(part, 'fp32Tflops') * 0.97, 1),
    }),
    edition(entry, 'White', 1.03, {}),
  ];
}

function memory(entry: Priced): Priced[] {
  const { part } = entry;
  if (typeof part['variantOf'] === 'string' || part['moduleKind'] === 'registered' || part['profileKind'] === 'none')
    return [];
  return [
    edition(entry, 'white', 1.03, {}),
    // lights make the module higher, and a cooler may no longer clear it
    edition(entry, 'lit', 1.09, { heightMm: num(part, 'heightMm') + 9 }),
  ];
}

function drives(entry: Priced): Priced[] {
  const { part } = entry;
  if (part['form'] !== 'M.2 2280')
    return part['cellKind'] === 'magnetic' && num(part, 'capacityGB') >= 8000
      ? [
          edition(entry, 'Helm', 1.18, {
            warrantyMonths: 84,
            seqReadMBs: num(part, 'seqReadMBs') + 12,
            seqWriteMBs: num(part, 'seqWriteMBs') + 12,
          }),
        ]
      : [];
  if (num(part, 'heatsinkHeightMm') > 0) return [edition(entry, 'Bare', 0.95, { heatsinkHeightMm: 0 })];
  return [edition(entry, 'Finned', 1.07, { heatsinkHeightMm: 11 })];
}

const COLOURS = ['White', 'Sand'] as const;

/** Editions that a line is sold in: colours, with and without kit, raised and cooler ones. */
export function editionsOf(entry: Priced): Priced[] {
  const { part } = entry;
  switch (part.kind) {
    case 'processor':
      return processors(entry);
    case 'graphics':
      return graphics(entry);
    case 'memory':
      return memory(entry);
    case 'drive':
      return drives(entry);
    case 'board':
      return [
        part['wireless'] === true
          ? edition(entry, 'Wired', 0.94, { wireless: false })
          : edition(entry, 'Air', 1.07, { wireless: true }),
      ];
    case 'supply':
      return [
        edition(entry, 'White', 1.04, {}),
        ...(part['modular'] === true && num(part, 'ratedW') <= 850 && part['form'] === 'ATX'
          ? [edition(entry, 'Fixed', 0.92, { modular: false })]
          : []),
      ];
    case 'case':
      return [
        ...COLOURS.map((colour) => edition(entry, colour, 1.03, {})),
        ...(part['damped'] === false && part['frame'] === 'closed'
          ? [edition(entry, 'Felted', 1.12, { damped: true })]
          : []),
      ];
    case 'cooler':
      return [edition(entry, 'White', 1.05, {}), edition(entry, 'Black', 1.05, {})];
    case 'fan':
      return COLOURS.map((colour) => edition(entry, colour, 1.06, {}));
    case 'display':
      return [edition(entry, 'Arm', 1.12, {})];
    default:
      return [];
  }
}

/** GTIN-13 in a range that GS1 keeps for use inside a company (prefix 20 to 29). */
function gtinOf(random: () => number): string {
  const digits = `2${Array.from({ length: 11 }, () => Math.floor(random() * 10)).join('')}`;
  const sum = [...digits].reverse().reduce((total, digit, i) => total + Number(digit) * (i % 2 === 0 ? 3 : 1), 0);
  return `${digits}${(10 - (sum % 10)) % 10}`;
}

/** Mass in g from size and watts, by kind; what is no thing has none. */
function massOf(part: Priced['part']): number | undefined {
  switch (part.kind) {
    case 'processor':
      return 45 + num(part, 'memoryChannels') * 12;
    case 'board':
      return { 'Mini-ITX': 480, 'Micro-ATX': 780, ATX: 1150, 'E-ATX': 1650 }[String(part['form'])];
    case 'memory':
      return num(part, 'modules') * (num(part, 'heightMm') > 40 ? 62 : 38);
    case 'graphics':
      return Math.round(num(part, 'lengthMm') * num(part, 'slots') * 1.35 + num(part, 'boardPowerW') * 0.9);
    case 'drive':
      return part['form'] === '3.5"' ? 680 : part['form'] === '2.5"' ? 48 : 8 + num(part, 'heatsinkHeightMm') * 3;
    case 'supply':
      return Math.round(num(part, 'lengthMm') * 7 + num(part, 'ratedW') * 0.9);
    case 'case':
      return Math.round(num(part, 'volumeL') * 125 + (part['damped'] === true ? 900 : 0));
    case 'cooler':
      return part['type'] === 'liquid'
        ? Math.round(num(part, 'radiatorMm') * 3.4 + 420)
        : Math.round(num(part, 'heightMm') * 5.2);
    case 'fan':
      return Math.round(num(part, 'sizeMm') * 1.1);
    case 'display':
      return Math.round(num(part, 'diagonalIn') * 210);
    default:
      return undefined;
  }
}

const RATED = new Set([
  'processor',
  'board',
  'memory',
  'graphics',
  'drive',
  'supply',
  'case',
  'cooler',
  'fan',
  'display',
]);

/** What every part on sale has beside its figures: numbers, mass, what buyers said. Some have none of it, as in life. */
export function dress(entry: Priced): Priced {
  const { part } = entry;
  const random = seededBy(`dress ${part.id}`);
  const mass = massOf(part);
  const ratings = Math.floor(random() ** 3 * 2400);
  const meanRating = round(3.4 + random() * 1.5, 1);
  const returnRate = round(0.004 + random() ** 2 * 0.06, 3);
  const rated = RATED.has(part.kind) && ratings > 0 && random() < 0.85;
  return {
    ...entry,
    part: {
      ...part,
      partNumber: `${part.maker.slice(0, 2).toUpperCase()}-${Math.floor(10_000 + random() * 89_999)}`,
      ...(random() < 0.9 ? { gtin: gtinOf(random) } : {}),
      ...(mass === undefined ? {} : { massG: mass }),
      ...(rated
        ? {
            evidence: {
              ratings,
              meanRating,
              ...(random() < 0.6 ? { returnRate } : {}),
              ...(part.kind === 'supply' && random() < 0.5
                ? { testedGrade: ['A', 'A−', 'B+', 'B', 'C'][Math.floor(random() * 5)] ?? 'B' }
                : {}),
            },
          }
        : {}),
    },
  };
}

/** Further marks of what there is, for load tests: the same part under another number, price and mass. */
export function marksOf(parts: readonly Priced[], wanted: number): Priced[] {
  const marks: Priced[] = [];
  for (let i = 0; i < wanted; i++) {
    const base = parts[i % parts.length];
    if (!base) break;
    const mark = Math.floor(i / parts.length) + 2;
    const id = `${base.part.id.slice(0, 70)}.${mark}`;
    const random = seededBy(id);
    const mass = base.part['massG'];
    marks.push({
      usd: Math.max(1, Math.round(base.usd * (0.85 + random() * 0.3))),
      part: {
        ...base.part,
        id,
        name: `${base.part.name} mark ${mark}`,
        partNumber: `${String(base.part['partNumber'])}-${mark}`,
        gtin: gtinOf(random),
        ...(typeof mass === 'number' ? { massG: Math.round(mass * (0.95 + random() * 0.1)) } : {}),
      },
    });
  }
  return marks;
}
