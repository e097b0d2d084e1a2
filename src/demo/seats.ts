import { briefSchema, type Brief } from '@/core/model/brief';
import type { Machine } from '@/core/model/machine';
import { machine, WHOLE_DESK, type Row } from './machine';

/** Sampling rigs of 3,500 parts under the hand, their rebuilds, and the stress of their plates. */
export function rigBrief(): Brief {
  return briefSchema.parse({
    id: 'rig-design',
    name: 'Rig design',
    region: 'region-a',
    budgetMinor: 330_000,
    budgetTaxIncluded: true,
    roomC: 23,
    yearsOfService: 5,
    whole: WHOLE_DESK,
    mustHaves: { noiseDbA: 40 },
    ownedDisplays: ['glasswater-pane-32'],
    tasks: [
      { kind: 'cad-view', id: 'turn', name: 'Turn the sampling rig', importance: 5, foreground: true, application: 'formglass', components: 3500, mTriangles: 30, edges: true, width: 3840, height: 2160, fps: 30 },
      { kind: 'cad-step', id: 'rebuild', name: 'Rebuild the frame', importance: 5, runsPerWeek: 120, application: 'formglass', step: 'rebuild', components: 3500, features: 650, views: 8, mbPerComponent: 0.8, targetS: 7 },
      { kind: 'cad-step', id: 'open', name: 'Open the assembly', importance: 3, runsPerWeek: 15, application: 'formglass', step: 'open', components: 3500, features: 650, views: 8, mbPerComponent: 0.8, targetS: 10 },
      { kind: 'solve', id: 'plate', name: 'Stress of the lifting plate', importance: 4, runsPerWeek: 12, mesh: 'solid', unknownsK: 600, steps: 4, targetMin: 25 },
      { kind: 'desk', id: 'desk', name: 'Desk base', importance: 1, foreground: true, browserTabs: 15, conferencing: false, otherGiB: 1 },
    ],
    sittings: [
      { id: 'drawing', name: 'At the drawing', hoursPerWeek: 26, tasks: ['turn', 'desk'] },
      { id: 'waiting', name: 'Rebuilding', hoursPerWeek: 4, tasks: ['rebuild', 'desk'] },
      { id: 'opening', name: 'Opening', hoursPerWeek: 1, tasks: ['open', 'desk'] },
      { id: 'computing', name: 'Computing beside it', hoursPerWeek: 6, tasks: ['plate', 'desk'] },
    ],
  });
}

/** One draft with a fast core and a card whose driver is certified; one with many cores and a bigger card without. */
export function rigDrafts(): Machine[] {
  const rest = (supply: readonly [string, string]): Row[] => [
    ['drive-1', 'dromolite-spate-2-tb', 'Dromolite Spate 2 TB', { roles: ['system', 'active', 'scratch'] }],
    ['supply-1', ...supply],
    ['case-1', 'marlhouse-quay', 'Marlhouse Quay'],
    ['system-1', 'slipway-system-one-seat', 'Slipway System One-seat'],
  ];
  return [
    machine('rig-a', 'Fast core, certified card', [
      ['processor-1', 'halcyte-tern-deep-8', 'Halcyte Tern Deep 8'],
      ['board-1', 'dunmarrow-cairn-6', 'Dunmarrow Cairn 6'],
      ['memory-1', 'sablerow-slate-2x32-5600', 'Sablerow Slate 2x32 5600'],
      ['graphics-1', 'palisar-gale-20-pro', 'Palisar Gale 20 Pro'],
      ['cooler-1', 'northdraft-eddy-140', 'Northdraft Eddy 140'],
      ...rest(['gatewick-anvil-750', 'Gatewick Anvil 750']),
    ]),
    machine('rig-b', 'Many cores, a bigger card', [
      ['processor-1', 'halcyte-tern-16', 'Halcyte Tern 16'],
      ['board-1', 'dunmarrow-cairn-6', 'Dunmarrow Cairn 6'],
      ['memory-1', 'sablerow-slate-2x16-5600', 'Sablerow Slate 2x16 5600'],
      ['graphics-1', 'palisar-gale-16-slim', 'Palisar Gale 16 Slim'],
      ['cooler-1', 'northdraft-eddy-140-twin', 'Northdraft Eddy 140 Twin'],
      ...rest(['gatewick-anvil-850', 'Gatewick Anvil 850']),
    ]),
  ];
}

/** Image classifiers of plankton, a text model tuned to the reports, and its answers to six people. */
export function planktonBrief(): Brief {
  return briefSchema.parse({
    id: 'plankton-lab',
    name: 'Plankton lab',
    region: 'region-a',
    budgetMinor: 460_000,
    budgetTaxIncluded: true,
    roomC: 24,
    yearsOfService: 4,
    growthPercent: 25,
    // more stations are towed each year
    workGrowthPercent: 35,
    keeping: 'two',
    secondCopy: 'server',
    whole: WHOLE_DESK,
    mustHaves: { networkGbitPerS: 2.5 },
    ownedDisplays: ['glasswater-pane-27'],
    tasks: [
      { kind: 'train-images', id: 'classify', name: 'Train the plankton classifier', importance: 5, runsPerWeek: 3, application: 'drillyard', paramsM: 48, forwardGflop: 9, imagesK: 900, storedMpx: 0.5, storedKB: 180, epochs: 40, batch: 48, targetH: 14 },
      { kind: 'train', id: 'tune', name: 'Tune the report model', importance: 4, runsPerWeek: 1, application: 'drillyard', method: 'quantised', paramsB: 7, layers: 32, hidden: 4096, heads: 32, context: 4096, batch: 2, tokensM: 12, trainablePercent: 0.5, recompute: 'all', spread: 'replicate', targetH: 12 },
      { kind: 'serve', id: 'answer', name: 'Answer six people', importance: 4, foreground: true, application: 'drillyard', paramsB: 7, bits: 4, layers: 32, kvHeads: 8, headSize: 128, context: 8192, users: 6, tokensPerS: 15, readPerWritten: 8 },
      { kind: 'tables', id: 'counts', name: 'Join the station counts', importance: 2, runsPerWeek: 10, dataGB: 2, memoryFactor: 3, passes: 1, effort: 'join', targetMin: 6 },
      { kind: 'desk', id: 'desk', name: 'Desk base', importance: 1, browserTabs: 12, conferencing: false, otherGiB: 1 },
    ],
    sittings: [
      { id: 'day', name: 'By day', hoursPerWeek: 35, tasks: ['answer', 'counts', 'desk'] },
      { id: 'night', name: 'Overnight', hoursPerWeek: 40, tasks: ['classify'] },
      { id: 'weekend', name: 'At the weekend', hoursPerWeek: 14, tasks: ['tune'] },
    ],
  });
}

/**
 * One draft with one large card; one with two small ones, whose memory does not add up for a model that must lie on each; and
 * a plan of three phases that buys a smaller card first and a larger one when the pictures have outgrown it.
 */
export function planktonDrafts(): Machine[] {
  const rows = (
    cards: readonly Row[],
    supply: readonly [string, string],
    memory: readonly Row[] = [['memory-1', 'sablerow-slate-2x48-5600', 'Sablerow Slate 2x48 5600']],
  ): Row[] => [
    ['processor-1', 'halcyte-tern-12', 'Halcyte Tern 12'],
    ['board-1', 'dunmarrow-cairn-6', 'Dunmarrow Cairn 6'],
    ...memory,
    ...cards,
    ['drive-1', 'dromolite-spate-pro-4-tb', 'Dromolite Spate Pro 4 TB', { roles: ['system', 'active', 'scratch'] }],
    ['supply-1', ...supply],
    ['cooler-1', 'northdraft-eddy-140-twin', 'Northdraft Eddy 140 Twin'],
    ['case-1', 'pellbox-tall', 'Pellbox Tall'],
    ['system-1', 'slipway-system-works', 'Slipway System Works'],
  ];
  return [
    machine('plankton-a', 'One large card', rows([['graphics-1', 'palisar-gale-24', 'Palisar Gale 24']], ['gatewick-anvil-1000', 'Gatewick Anvil 1000'])),
    machine('plankton-b', 'Two small cards', rows([['graphics-1', 'palisar-gale-8', 'Palisar Gale 8'], ['graphics-2', 'palisar-gale-8', 'Palisar Gale 8']], ['gatewick-anvil-850', 'Gatewick Anvil 850'])),
    machine(
      'plankton-c',
      'Less now, more later',
      rows(
        [
          ['graphics-1', 'palisar-gale-16', 'Palisar Gale 16', { until: 'larger-card' }],
          ['graphics-2', 'palisar-gale-32', 'Palisar Gale 32', { from: 'larger-card' }],
          ['drive-2', 'dromolite-spate-pro-4-tb', 'Dromolite Spate Pro 4 TB', { roles: ['archive'], from: 'more-memory' }],
        ],
        ['gatewick-anvil-1000', 'Gatewick Anvil 1000'],
        [
          ['memory-1', 'sablerow-slate-2x16-5600', 'Sablerow Slate 2x16 5600', { until: 'more-memory' }],
          ['memory-2', 'sablerow-slate-2x48-5600', 'Sablerow Slate 2x48 5600', { from: 'more-memory' }],
        ],
      ),
      [
        { id: 'more-memory', name: 'Memory and archive', on: '2026-11-02', budgetMinor: 110_000 },
        { id: 'larger-card', name: 'Larger card', on: '2028-03-01', budgetMinor: 280_000 },
      ],
    ),
  ];
}

/** Charts, conferences and some photographs. */
export function officeBrief(): Brief {
  return briefSchema.parse({
    id: 'office',
    name: 'Office',
    region: 'region-a',
    budgetMinor: 105_000,
    budgetTaxIncluded: true,
    roomC: 23,
    yearsOfService: 6,
    whole: WHOLE_DESK,
    mustHaves: { noiseDbA: 36 },
    ownedDisplays: ['glasswater-pane-27'],
    tasks: [
      { kind: 'desk', id: 'desk', name: 'Charts and conferences', importance: 5, foreground: true, browserTabs: 30, conferencing: true, otherGiB: 2 },
      { kind: 'stills', id: 'photos', name: 'Photographs of a visit', importance: 2, runsPerWeek: 1, application: 'rawharbour', images: 120, mpx: 24, mbPerImage: 28, steps: 6, noiseReduction: 'light', targetMin: 8 },
      { kind: 'tables', id: 'accounts', name: 'Tables of the year', importance: 2, runsPerWeek: 4, dataGB: 0.4, memoryFactor: 3, passes: 4, effort: 'join', targetMin: 1 },
    ],
    sittings: [
      { id: 'day', name: 'The day', hoursPerWeek: 34, tasks: ['desk', 'accounts'] },
      { id: 'after', name: 'After a visit', hoursPerWeek: 1, tasks: ['desk', 'photos'] },
    ],
  });
}

/** One small draft with the graphics inside its processor; one with a card that the work does not ask for. */
export function officeDrafts(): Machine[] {
  const rows = (more: readonly Row[]): Row[] => [
    ['processor-1', 'brandling-linnet-8', 'Brandling Linnet 8'],
    ['board-1', 'tarnholt-inlet-2', 'Tarnholt Inlet 2'],
    ['memory-1', 'sablerow-slate-2x16-5600', 'Sablerow Slate 2x16 5600'],
    ['drive-1', 'fenstore-cask-1-tb', 'Fenstore Cask 1 TB', { roles: ['system', 'active'] }],
    ['system-1', 'slipway-system-one-seat', 'Slipway System One-seat'],
    ...more,
  ];
  return [
    machine('office-a', 'Small and quiet', rows([
      ['supply-1', 'gatewick-anvil-550', 'Gatewick Anvil 550'],
      ['case-1', 'marlhouse-quay', 'Marlhouse Quay'],
    ])),
    machine('office-b', 'With a card', rows([
      ['graphics-1', 'palisar-gale-12', 'Palisar Gale 12'],
      ['supply-1', 'gatewick-anvil-650', 'Gatewick Anvil 650'],
      ['case-1', 'marlhouse-quay', 'Marlhouse Quay'],
    ])),
  ];
}
