/**
 * Units a file or a question may use, by dimension, each with its factor to the dimension's base unit. Decimal and
 * binary sizes are two dimensions on purpose: GB and GiB are never compared across.
 */
interface Unit {
  readonly dimension: string;
  readonly factor: number;
}

const DIMENSIONS: Readonly<Record<string, Readonly<Record<string, number>>>> = {
  length: { mm: 1, cm: 10, m: 1000, inch: 25.4 },
  mass: { g: 1, kg: 1000, lb: 453.59237, oz: 28.349523125 },
  power: { W: 1, kW: 1000, mW: 0.001 },
  decimalSize: { GB: 1, TB: 1000, MB: 0.001, PB: 1e6 },
  binarySize: { GiB: 1, MiB: 1 / 1024, TiB: 1024, KiB: 1 / 1024 ** 2 },
  byteRate: { 'MB/s': 1, 'GB/s': 1000, 'kB/s': 0.001 },
  bitRate: { 'Gb/s': 1, 'Mb/s': 0.001 },
  transfers: { 'MT/s': 1, 'GT/s': 1000 },
  frequency: { GHz: 1, MHz: 0.001, Hz: 1e-9 },
  time: { months: 1, years: 12 },
  // 1 ft = 0.3048 m exactly, so one cubic foot a minute is 0.3048³ × 60 m³/h
  airflow: { 'm³/h': 1, CFM: 0.3048 ** 3 * 60 },
  // conventional millimetre of water, ISO 80000-4
  pressure: { Pa: 1, mmH2O: 9.80665 },
  noise: { 'dB(A)': 1 },
  volume: { L: 1, 'm³': 1000 },
  current: { A: 1, mA: 0.001 },
  voltage: { V: 1 },
  temperature: { '°C': 1 },
  speed: { rpm: 1 },
  flops: { 'TFLOP/s': 1, 'GFLOP/s': 0.001 },
  written: { TBW: 1, PBW: 1000 },
  ios: { 'kIO/s': 1, 'IO/s': 0.001 },
  time2: { h: 1, min: 1 / 60 },
  share: { share: 1, '%': 0.01 },
};

/** Ways the trade and spreadsheets write a unit. Keys are compared without case, spaces and dots where that is safe. */
const ALIASES: Readonly<Record<string, string>> = {
  millimeter: 'mm',
  millimetre: 'mm',
  millimeters: 'mm',
  millimetres: 'mm',
  centimeter: 'cm',
  centimetre: 'cm',
  in: 'inch',
  inches: 'inch',
  '"': 'inch',
  gram: 'g',
  grams: 'g',
  kilogram: 'kg',
  lbs: 'lb',
  watt: 'W',
  watts: 'W',
  w: 'W',
  kw: 'kW',
  gb: 'GB',
  tb: 'TB',
  mb: 'MB',
  pb: 'PB',
  gbyte: 'GB',
  tbyte: 'TB',
  gib: 'GiB',
  mib: 'MiB',
  tib: 'TiB',
  kib: 'KiB',
  'mb/s': 'MB/s',
  mbps: 'Mb/s',
  'gb/s': 'GB/s',
  gbps: 'Gb/s',
  'gbit/s': 'Gb/s',
  'mbit/s': 'Mb/s',
  mts: 'MT/s',
  'mt/s': 'MT/s',
  ghz: 'GHz',
  mhz: 'MHz',
  hz: 'Hz',
  month: 'months',
  mo: 'months',
  year: 'years',
  yr: 'years',
  yrs: 'years',
  'm3/h': 'm³/h',
  'm³/h': 'm³/h',
  cfm: 'CFM',
  pa: 'Pa',
  mmh2o: 'mmH2O',
  'mm h2o': 'mmH2O',
  dba: 'dB(A)',
  'db(a)': 'dB(A)',
  db: 'dB(A)',
  l: 'L',
  liter: 'L',
  litre: 'L',
  liters: 'L',
  litres: 'L',
  a: 'A',
  ma: 'mA',
  v: 'V',
  c: '°C',
  '°c': '°C',
  rpm: 'rpm',
  tflops: 'TFLOP/s',
  'tflop/s': 'TFLOP/s',
  gflops: 'GFLOP/s',
  tbw: 'TBW',
  pbw: 'PBW',
  iops: 'IO/s',
  kiops: 'kIO/s',
  'kio/s': 'kIO/s',
  hours: 'h',
  hour: 'h',
  minutes: 'min',
  percent: '%',
};

const UNITS: ReadonlyMap<string, Unit> = new Map(
  Object.entries(DIMENSIONS).flatMap(([dimension, units]) =>
    Object.entries(units).map(([name, factor]): [string, Unit] => [name, { dimension, factor }]),
  ),
);

/** A unit as our schemas write it, or nothing when it is none this release knows. `Gb/s` and `GB/s` keep their case. */
export function unitOf(text: string): string | undefined {
  const trimmed = text.trim();
  if (UNITS.has(trimmed)) return trimmed;
  return ALIASES[trimmed.toLowerCase().replace(/\.$/, '')];
}

/** Units that can be converted into `unit`, itself first; just itself when it has no siblings. */
export function unitsLike(unit: string): readonly string[] {
  const known = UNITS.get(unit);
  if (!known) return [unit];
  return [unit, ...Object.keys(DIMENSIONS[known.dimension] ?? {}).filter((other) => other !== unit)];
}

/** Twelve significant digits: takes away what binary fractions leave (0.1 × 3), keeps every figure anyone states. */
const tidy = (value: number): number => (Number.isFinite(value) ? Number(value.toPrecision(12)) : value);

/**
 * `value` of unit `from` in unit `to`; undefined when the two measure different things or one is unknown.
 * @example convert(11.8, 'inch', 'mm') // 299.72
 * @example convert(100, 'CFM', 'm³/h') // 169.90108
 */
export function convert(value: number, from: string, to: string): number | undefined {
  if (from === to) return value;
  const a = UNITS.get(from);
  const b = UNITS.get(to);
  return a && b && a.dimension === b.dimension ? tidy((value * a.factor) / b.factor) : undefined;
}

/**
 * `value` of a unit somebody typed in a field's unit. The trade writes "GB" for memory counted in GiB, so a typed GB, MB
 * or TB means the binary unit where the field is binary; nothing else is compared across.
 */
export function typedIn(value: number, typed: string, fieldUnit: string): number | undefined {
  const direct = convert(value, typed, fieldUnit);
  if (direct !== undefined) return direct;
  const binary = { GB: 'GiB', MB: 'MiB', TB: 'TiB' }[typed];
  return binary === undefined ? undefined : convert(value, binary, fieldUnit);
}
