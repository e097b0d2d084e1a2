/** kg/m³ and J/(kg K) of air at 20 °C and sea level. */
const AIR_DENSITY = 1.2;
const AIR_HEAT = 1005;
const S_PER_H = 3600;

/**
 * K by which air warms that carries `watts` away. Source: steady flow energy balance.
 * @example airRiseK(600, 100) // 17.9
 */
export const airRiseK = (watts: number, m3h: number): number => watts / (AIR_DENSITY * AIR_HEAT * (m3h / S_PER_H));

/**
 * m³/h that carry `watts` away at a rise of `riseK`; the inverse of `airRiseK`.
 * @example airflowM3h(300, 10) // 89.6
 */
export const airflowM3h = (watts: number, riseK: number): number =>
  (watts / (AIR_DENSITY * AIR_HEAT * riseK)) * S_PER_H;

/**
 * m³/h a fan moves against an opening. Its curve is taken as a straight line from static pressure to free air, the
 * opening's loss as `resistance × flow²`; both scale with speed so that the flow is proportional to it (fan laws).
 * @param resistance Pa/(m³/h)²
 * @example throughOpening(100, 12, 0.001) // 64.9
 */
export function throughOpening(freeM3h: number, staticPa: number, resistance: number): number {
  if (resistance <= 0) return freeM3h;
  const slope = staticPa / freeM3h;
  return (Math.sqrt(slope * slope + 4 * resistance * staticPa) - slope) / (2 * resistance);
}

/**
 * dB by which one fan in one system changes with speed. Source: fan laws, sound power ∝ n⁵.
 * @example fanChangeDb(1500, 1000) // -8.8
 */
export const fanChangeDb = (from: number, to: number): number => 50 * Math.log10(to / from);

/**
 * dB(A) of several sources heard together. Source: addition of energies.
 * @example loudness([30, 30]) // 33.0
 */
export function loudness(levels: readonly number[]): number {
  let energy = 0;
  for (const level of levels) energy += 10 ** (level / 10);
  return energy > 0 ? 10 * Math.log10(energy) : 0;
}
