/**
 * Years until a drive's rated writes are used up: TBW ÷ (writes a day × 365 × write amplification ÷ that of the rating's
 * workload). Source: JESD218 and JESD219 for what a rating means; `amplification` is the ratio of the two, 1 by default.
 * @example enduranceYears(2.4e15, 400e9) // 16.4: 2,400 TB ÷ 400 GB a day
 */
export const enduranceYears = (ratedBytes: number, bytesADay: number, amplification = 1): number =>
  bytesADay > 0 ? ratedBytes / (bytesADay * 365 * amplification) : Infinity;

/**
 * Writes that a drive must be rated for to last so long, in bytes.
 * @example ratingFor(400e9, 5) // 7.3e14: 400 GB × 365 × 5
 */
export const ratingFor = (bytesADay: number, years: number, amplification = 1): number =>
  bytesADay * 365 * years * amplification;

/**
 * Size after so many years at a growth a year, as a share.
 * @example grown(2e12, 0.15, 4) // 3.498e12: 2 TB × 1.749
 */
export const grown = (bytes: number, growth: number, years: number): number => bytes * (1 + growth) ** years;
