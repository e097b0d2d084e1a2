/**
 * So many seeds are tried in `npm test`; `VANE_SEEDS=1000` tries as many as it says (bench/README.md).
 */
export const seedsTo = (usual: number): number => Number(process.env['VANE_SEEDS'] ?? usual);
