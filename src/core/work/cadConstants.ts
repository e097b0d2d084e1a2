import type { Register } from '../figures/registers';

/** Constants of CAD and simulation; clocks are of the reference core. */
export const CAD = {
  viewSerial: { value: 0.004, spread: 1.5, unit: 'Gwork/frame', source: 'judgement', reasoning: 'Pointer, picking and hand-over of a frame.' },
  componentSerial: { value: 0.0000025, spread: 1.6, unit: 'Gwork/component', source: 'judgement', reasoning: 'Walking the tree and submitting a component: some 2,500 clocks.' },
  edgesMore: { value: 1.8, spread: 1.2, unit: '×', source: 'judgement', reasoning: 'Edges are drawn in a pass of their own.' },
  shade: { value: 900, spread: 1.5, unit: 'FLOP/px', source: 'judgement', reasoning: 'Plain materials, one or two lights, soft borders.' },
  meshBytes: { value: 50, spread: 1.3, unit: 'B/triangle', source: 'judgement', reasoning: 'Half a vertex of 48 bytes, indices and edges.' },
  componentMiB: { value: 1.6, spread: 1.7, unit: 'MiB/component', source: 'judgement', reasoning: 'Exact surfaces and their history beside the mesh.' },
  rebuildFeature: { value: 0.06, spread: 1.7, unit: 'Gwork/feature', source: 'judgement', reasoning: 'Intersections and blends of one feature: some 12 ms at 5 GHz; patterns less, blends many times that.' },
  rebuildSerial: { value: 0.92, spread: 1.03, unit: 'share', source: 'judgement', reasoning: 'Each feature needs the ones before it.' },
  openComponent: { value: 0.02, spread: 1.7, unit: 'Gwork/component', source: 'judgement', reasoning: 'Unpacking and checking one component.' },
  openSerial: { value: 0.35, spread: 1.2, unit: 'share', source: 'judgement', reasoning: 'Constraints and the tree are put together by one thread.' },
  viewComponent: { value: 0.004, spread: 1.8, unit: 'Gwork/component and view', source: 'judgement', reasoning: 'Hidden lines of one component.' },
  drawingSerial: { value: 0.25, spread: 1.3, unit: 'share', source: 'judgement', reasoning: 'Views are computed side by side; dimensions and the sheet are not.' },
  solidFactor: { value: 25, spread: 1.6, unit: 'entries/unknown^(4/3)', source: 'paper', reasoning: 'Nested dissection of 3-D meshes: entries go with n^(4/3) (George 1973; Lipton et al. 1979); the factor is a judgement for three unknowns a node.' },
  solidWork: { value: 25, spread: 1.8, unit: 'FLOP/unknown²', source: 'paper', reasoning: 'Work of the same goes with n².' },
  shellFactor: { value: 14, spread: 1.5, unit: 'entries/unknown·log2', source: 'paper', reasoning: 'Of surface meshes entries go with n·log2 n (George 1973): 31/4 for a grid, more with six unknowns a node.' },
  shellWork: { value: 60, spread: 1.7, unit: 'FLOP/unknown^(3/2)', source: 'paper', reasoning: 'Work of the same goes with n^(3/2).' },
  achievedFp64: { value: 0.5, spread: 1.3, unit: 'share of peak', source: 'judgement', reasoning: 'Fronts are dense, the small ones are not.' },
  achievedCard: { value: 0.45, spread: 1.4, unit: 'share of peak', source: 'judgement', reasoning: 'Only large fronts pay for the way to the card.' },
  solveSerial: { value: 0.03, spread: 1.4, unit: 'share', source: 'judgement', reasoning: 'Ordering and the topmost front.' },
  assemble: { value: 3_000, spread: 1.6, unit: 'clocks/unknown', source: 'judgement', reasoning: 'Element matrices put together, stresses read back.' },
  factorPasses: { value: 4, spread: 1.3, unit: 'passes', source: 'judgement', reasoning: 'Factors are written once, read by their parents and in both substitutions.' },
  readBack: { value: 3, spread: 1.2, unit: 'passes', source: 'judgement', reasoning: 'Out of core the factor is read once by parents and in each of both substitutions.' },
  inCore: { value: 0.3, spread: 1.2, unit: 'share of the factor', source: 'judgement', reasoning: 'Out of core the largest front and a window of the rest stay in memory.' },
  overlap: { value: 0.5, spread: 1.3, unit: 'share', source: 'judgement', reasoning: 'Reading ahead hides some of the drive’s time.' },
} as const satisfies Register;
