import { briefSchema, type Brief } from '@/core/model/brief';
import { machineSchema, type Machine } from '@/core/model/machine';
import { machine, WHOLE_DESK, type Row } from './machine';
import { ENCODE } from './rivals';
import measured from './realMachine.json';
import { officeBrief, officeDrafts, planktonBrief, planktonDrafts, rigBrief, rigDrafts } from './seats';

const hevc = { codec: 'hevc', width: 3840, height: 2160, fps: 25, chroma: '4:2:2', bitDepth: 10, mbitPerS: 200, streams: 2, decodeAt: 1 };
const raw = { codec: 'raw', width: 5424, height: 2880, fps: 24, chroma: '4:4:4', bitDepth: 12, mbitPerS: 1300, streams: 1, decodeAt: 1 };

/** The film desk's brief: cut, grade, export, and the desk around it. Parsed, so that a mistake here stops the demo. */
export function filmBrief(): Brief {
  return briefSchema.parse({
    id: 'film-desk',
    name: 'Film desk',
    region: 'region-a',
    budgetMinor: 315_000,
    budgetTaxIncluded: true,
    roomC: 24,
    neededBy: '2026-06-12',
    hourMinor: 45_00,
    overListPercent: 15,
    yearsOfService: 4,
    growthPercent: 15,
    keeping: 'three',
    secondCopy: 'server',
    whole: WHOLE_DESK,
    mustHaves: { networkGbitPerS: 2.5, wireless: false },
    ownedDisplays: ['glasswater-pane-32', 'glasswater-pane-32'],
    tasks: [
      { kind: 'edit-play', id: 'cut-uhd', name: 'Cut UHD dive footage', importance: 5, foreground: true, application: 'reelwright', sources: [hevc], width: 3840, height: 2160, fps: 25, correctionSteps: 8, spatialNr: 'off', temporalNr: 'light', playAt: 1, monitoring: false, renderCache: true, keepHours: 8 },
      { kind: 'edit-play', id: 'grade-raw', name: 'Grade 5.4K raw', importance: 4, foreground: true, application: 'reelwright', sources: [raw], width: 4096, height: 2160, fps: 24, correctionSteps: 12, spatialNr: 'light', temporalNr: 'strong', playAt: 1, monitoring: true, renderCache: false, keepHours: 1.5 },
      { kind: 'edit-export', id: 'export-web', name: 'Export web master', importance: 3, runsPerWeek: 6, application: 'reelwright', sources: [{ ...hevc, streams: 1 }], width: 3840, height: 2160, fps: 25, correctionSteps: 8, spatialNr: 'off', temporalNr: 'light', outWidth: 3840, outHeight: 2160, outCodec: 'hevc', outChroma: '4:2:0', outBitDepth: 10, outMbitPerS: 45, path: 'engine', preset: 'medium', programmeMin: 20, targetMin: 12 },
      { kind: 'edit-export', id: 'export-cinema', name: 'Export cinema master', importance: 4, runsPerWeek: 1, application: 'reelwright', sources: [raw], width: 4096, height: 2160, fps: 24, correctionSteps: 12, spatialNr: 'light', temporalNr: 'strong', outWidth: 4096, outHeight: 2160, outCodec: 'hevc', outChroma: '4:4:4', outBitDepth: 12, outMbitPerS: 250, path: 'software', preset: 'medium', programmeMin: 20, targetMin: 40 },
      { kind: 'desk', id: 'desk', name: 'Desk base', importance: 2, foreground: true, browserTabs: 25, conferencing: false, otherGiB: 1 },
      { kind: 'custom', id: 'offload', name: 'Offload dive cards', importance: 2, mode: 'real-time', unit: 'clip', unitsPerS: 0.25, serialGwork: 0.4, memoryGiB: 0.5, flows: [{ from: 'network', to: 'memory', gbytePerS: 0.28 }, { from: 'memory', to: 'archive', gbytePerS: 0.18 }] },
    ],
    sittings: [
      { id: 'cutting', name: 'Cutting', hoursPerWeek: 22, tasks: ['desk', 'cut-uhd'] },
      { id: 'grading', name: 'Grading', hoursPerWeek: 8, tasks: ['desk', 'grade-raw'] },
      { id: 'exporting', name: 'Export and offload', hoursPerWeek: 6, tasks: ['desk', 'export-web', 'offload'] },
      { id: 'overnight', name: 'Overnight master', hoursPerWeek: 2, tasks: ['export-cinema'] },
    ],
  });
}

/**
 * Draft A holds two real mistakes: a cooler too high for its case, and a supply without the card's connector. Two lesser
 * cards cost more than Draft B's one and grade more slowly, however good their sum looks on paper.
 */
export function filmDrafts(): Machine[] {
  return [
    machine('film-a', 'Draft A', [
      ['processor-1', 'halcyte-tern-12', 'Halcyte Tern 12'],
      ['board-1', 'wexcombe-reef-4', 'Wexcombe Reef 4'],
      ['memory-1', 'sablerow-slate-2x32-5600', 'Sablerow Slate 2x32 5600'],
      ['graphics-1', 'palisar-gale-12', 'Palisar Gale 12'],
      ['drive-1', 'fenstore-cask-1-tb', 'Fenstore Cask 1 TB', { roles: ['system'] }],
      ['drive-2', 'fenstore-flume-2-tb', 'Fenstore Flume 2 TB', { roles: ['active', 'scratch'] }],
      ['drive-3', 'ketterlode-hold-12-tb', 'Ketterlode Hold 12 TB', { roles: ['archive'] }],
      ['supply-1', 'voltarn-hearth-700', 'Voltarn Hearth 700'],
      ['cooler-1', 'northdraft-eddy-140-twin', 'Northdraft Eddy 140 Twin'],
      ['case-1', 'marlhouse-quay-glass', 'Marlhouse Quay Glass'],
      ['system-1', 'slipway-system-one-seat', 'Slipway System One-seat'],
      ['service-1', 'quillstone-assembly-and-proof', 'Quillstone Assembly and proof'],
    ]),
    machine('film-b', 'Draft B', [
      ['processor-1', 'quernic-shearwater-20', 'Quernic Shearwater 20'],
      ['board-1', 'tarnholt-ness-5', 'Tarnholt Ness 5'],
      ['memory-1', 'sablerow-slate-2x48-5600', 'Sablerow Slate 2x48 5600'],
      ['graphics-1', 'lumoth-drift-16', 'Lumoth Drift 16'],
      ['drive-1', 'fenstore-cask-1-tb', 'Fenstore Cask 1 TB', { roles: ['system'] }],
      ['drive-2', 'dromolite-spate-2-tb', 'Dromolite Spate 2 TB', { roles: ['active', 'scratch'] }],
      ['drive-3', 'ketterlode-hold-12-tb', 'Ketterlode Hold 12 TB', { roles: ['archive'] }],
      ['supply-1', 'gatewick-anvil-850', 'Gatewick Anvil 850'],
      ['cooler-1', 'brumeworks-haar-240', 'Brumeworks Haar 240'],
      ['case-1', 'marlhouse-quay', 'Marlhouse Quay'],
      ['system-1', 'slipway-system-one-seat', 'Slipway System One-seat'],
      ['service-1', 'quillstone-assembly-and-proof', 'Quillstone Assembly and proof'],
    ]),
    machineSchema.parse({ present: true, ...machine('film-now', 'Present machine', [
      ['processor-1', 'halcyte-knot-8', 'Halcyte Knot 8', { owned: true, resale: { boughtOn: '2020-06-12' } }],
      ['board-1', 'wexcombe-shoal', 'Wexcombe Shoal', { owned: true, resale: { boughtOn: '2020-06-12' } }],
      ['memory-1', 'sablerow-shale-2x16-3200', 'Sablerow Shale 2x16 3200', { owned: true, resale: { boughtOn: '2020-06-12' } }],
      ['graphics-1', 'palisar-breeze-6', 'Palisar Breeze 6', { owned: true, resale: { boughtOn: '2020-06-12' } }],
      ['drive-1', 'fenstore-tarn-1-tb', 'Fenstore Tarn 1 TB', { owned: true, resale: { boughtOn: '2020-06-12' }, roles: ['system', 'active', 'scratch'] }],
      ['drive-2', 'ketterlode-hold-4-tb', 'Ketterlode Hold 4 TB', { owned: true, resale: { boughtOn: '2022-02-03' }, roles: ['archive'] }],
      ['supply-1', 'voltarn-hearth-600', 'Voltarn Hearth 600', { owned: true, resale: { boughtOn: '2020-06-12' } }],
      ['cooler-1', 'northdraft-eddy-120', 'Northdraft Eddy 120', { owned: true, resale: { boughtOn: '2020-06-12' } }],
      ['case-1', 'marlhouse-quay', 'Marlhouse Quay', { owned: true, resale: { boughtOn: '2020-06-12' } }],
      ['system-1', 'slipway-system-one-seat', 'Slipway System One-seat', { owned: true }],
      ['licence-1', 'reelwright-perpetual-seat', 'Reelwright Perpetual seat', { owned: true }],
    ]), evidence: [{ id: 'own-encode', ...ENCODE, value: 24, source: 'the film desk, three runs', date: '2026-04-09' }] }),
    machine('film-two', 'Two lesser cards', [
      ['processor-1', 'halcyte-tern-12', 'Halcyte Tern 12'],
      ['board-1', 'dunmarrow-cairn-6', 'Dunmarrow Cairn 6'],
      ['memory-1', 'sablerow-slate-2x32-5600', 'Sablerow Slate 2x32 5600'],
      ['graphics-1', 'lumoth-drift-12', 'Lumoth Drift 12'],
      ['graphics-2', 'lumoth-drift-12', 'Lumoth Drift 12'],
      ['drive-1', 'fenstore-cask-1-tb', 'Fenstore Cask 1 TB', { roles: ['system'] }],
      ['drive-2', 'dromolite-spate-2-tb', 'Dromolite Spate 2 TB', { roles: ['active', 'scratch'] }],
      ['drive-3', 'ketterlode-hold-12-tb', 'Ketterlode Hold 12 TB', { roles: ['archive'] }],
      ['supply-1', 'gatewick-anvil-850', 'Gatewick Anvil 850'],
      ['cooler-1', 'brumeworks-haar-240', 'Brumeworks Haar 240'],
      ['case-1', 'marlhouse-quay', 'Marlhouse Quay'],
      ['system-1', 'slipway-system-one-seat', 'Slipway System One-seat'],
      ['service-1', 'quillstone-assembly-and-proof', 'Quillstone Assembly and proof'],
    ]),
  ];
}

/** Takes the ship's recorder in at 25 Gb/s, keeps it on an array of two drives and sends it on to the archive. */
export function sonarBrief(): Brief {
  return briefSchema.parse({
    id: 'sonar-ingest',
    name: 'Sonar ingest',
    region: 'region-a',
    budgetMinor: 320_000,
    budgetTaxIncluded: true,
    roomC: 22,
    yearsOfService: 5,
    keeping: 'two',
    secondCopy: 'server',
    whole: WHOLE_DESK,
    mustHaves: { networkGbitPerS: 25 },
    ownedDisplays: ['glasswater-pane-27'],
    tasks: [
      { kind: 'ingest', id: 'ingest', name: 'Take the recorder in', importance: 5, runsPerWeek: 1, application: 'ferrycopy', from: 'network', to: 'active', streams: 1, gbitPerS: 20.8, hours: 0.5, checksum: 'fast', keepTB: 6 },
      { kind: 'ingest', id: 'archive', name: 'Send on to the archive', importance: 4, runsPerWeek: 1, application: 'ferrycopy', from: 'active', to: 'second network', streams: 1, gbitPerS: 8, hours: 1.5, checksum: 'none', keepTB: 0 },
      { kind: 'custom', id: 'check', name: 'Check and index a survey', importance: 2, mode: 'elastic', unit: 'survey line', unitsPerRun: 40, targetMin: 10, threadCap: 16, parallelGwork: 180, serialGwork: 6, memoryGiB: 12, readGB: { active: 4 } },
      { kind: 'desk', id: 'desk', name: 'Desk base', importance: 1, browserTabs: 8, conferencing: false, otherGiB: 1 },
    ],
    sittings: [
      { id: 'at-sea', name: 'At sea', hoursPerWeek: 60, tasks: ['ingest', 'archive', 'desk'] },
      { id: 'in-port', name: 'In port', hoursPerWeek: 20, tasks: ['archive', 'check', 'desk'] },
    ],
  });
}

/** One draft on a board with slots at the processor for both network cards, one on a lesser board. */
export function sonarDrafts(): Machine[] {
  const rows = (board: string, label: string, chassis: readonly [string, string]): Row[] => [
    ['processor-1', 'halcyte-tern-12', 'Halcyte Tern 12'],
    ['board-1', board, label],
    ['memory-1', 'sablerow-slate-2x32-5600', 'Sablerow Slate 2x32 5600'],
    ['expansion-1', 'relaypike-span-25', 'Relaypike Span 25'],
    ['expansion-2', 'relaypike-span-10', 'Relaypike Span 10'],
    ['drive-1', 'dromolite-spate-pro-4-tb', 'Dromolite Spate Pro 4 TB', { roles: ['active'] }],
    ['drive-2', 'dromolite-spate-pro-4-tb', 'Dromolite Spate Pro 4 TB', { roles: ['active'] }],
    ['drive-3', 'fenstore-cove-1-tb', 'Fenstore Cove 1 TB', { roles: ['system'] }],
    ['supply-1', 'gatewick-anvil-750', 'Gatewick Anvil 750'],
    ['cooler-1', 'northdraft-eddy-140', 'Northdraft Eddy 140'],
    ['case-1', ...chassis],
    ['system-1', 'slipway-system-works', 'Slipway System Works'],
  ];
  return [
    machine('sonar-a', 'Wide board', rows('dunmarrow-cairn-6', 'Dunmarrow Cairn 6', ['marlhouse-quay', 'Marlhouse Quay'])),
    machine('sonar-b', 'Small board', rows('wexcombe-reef-2', 'Wexcombe Reef 2', ['marlhouse-quay', 'Marlhouse Quay'])),
  ];
}

/** Aligns 12,000 stills on all cores, builds the mesh, and renders a fly-through. */
export function mosaicsBrief(): Brief {
  return briefSchema.parse({
    id: 'sea-floor-mosaics',
    name: 'Sea-floor mosaics',
    region: 'region-a',
    budgetMinor: 340_000,
    budgetTaxIncluded: true,
    roomC: 26,
    yearsOfService: 4,
    whole: WHOLE_DESK,
    mustHaves: { noiseDbA: 40 },
    ownedDisplays: ['glasswater-pane-32'],
    tasks: [
      { kind: 'survey', id: 'align', name: 'Align the stills', importance: 5, runsPerWeek: 2, application: 'stonefathom', images: 12_000, mpx: 24, mbPerImage: 12, neighbours: 30, depth: 'quarter', blockMPoints: 35, targetH: 12 },
      { kind: 'custom', id: 'mesh', name: 'Lay pictures over the mesh', importance: 3, runsPerWeek: 2, mode: 'elastic', unit: 'tile', unitsPerRun: 400, targetMin: 60, threadCap: 64, parallelGwork: 600, serialGwork: 12, fp32Gflop: 9000, memoryGiB: 40, graphicsMemoryGiB: 6, writeGB: { scratch: 0.4 } },
      { kind: 'render', id: 'fly', name: 'Render the fly-through', importance: 3, runsPerWeek: 1, application: 'deepray', width: 1920, height: 1080, samples: 96, bounces: 3, mTriangles: 30, texturesGiB: 4, frames: 200, targetH: 4 },
      { kind: 'desk', id: 'desk', name: 'Desk base', importance: 1, browserTabs: 10, conferencing: false, otherGiB: 1 },
    ],
    sittings: [
      { id: 'aligning', name: 'Aligning', hoursPerWeek: 30, tasks: ['align', 'desk'] },
      { id: 'meshing', name: 'Meshing', hoursPerWeek: 8, tasks: ['mesh', 'desk'] },
      { id: 'rendering', name: 'Rendering', hoursPerWeek: 4, tasks: ['fly', 'desk'] },
    ],
  });
}

/** One draft with a cooler far too small and twice the fans it needs; one that is put right. */
export function mosaicsDrafts(): Machine[] {
  const rows = (cooler: readonly [string, string], fans: readonly (readonly [string, string])[]): Row[] => [
    ['processor-1', 'halcyte-tern-16', 'Halcyte Tern 16'],
    ['board-1', 'dunmarrow-cairn-6', 'Dunmarrow Cairn 6'],
    ['memory-1', 'sablerow-slate-2x48-5600', 'Sablerow Slate 2x48 5600'],
    ['graphics-1', 'palisar-gale-12', 'Palisar Gale 12'],
    ['drive-1', 'dromolite-spate-pro-4-tb', 'Dromolite Spate Pro 4 TB', { roles: ['system', 'active', 'scratch'] }],
    ['drive-2', 'ketterlode-hold-12-tb', 'Ketterlode Hold 12 TB', { roles: ['archive'] }],
    ['supply-1', 'gatewick-anvil-750', 'Gatewick Anvil 750'],
    ['cooler-1', ...cooler],
    ['case-1', 'pellbox-bare', 'Pellbox Bare'],
    ['system-1', 'slipway-system-works', 'Slipway System Works'],
    ...fans.map(([part, label], i): Row => [`fan-${i + 1}`, part, label]),
  ];
  const wide = ['northdraft-puff-140', 'Northdraft Puff 140'] as const;
  const small = ['northdraft-puff-120', 'Northdraft Puff 120'] as const;
  return [
    machine('mosaics-a', 'Six fans', rows(['northdraft-eddy-92', 'Northdraft Eddy 92'], [wide, wide, wide, small, small, small])),
    machine('mosaics-b', 'Put right', rows(['northdraft-eddy-140-twin', 'Northdraft Eddy 140 Twin'], [wide, wide, small])),
  ];
}

const hd50 = { width: 1920, height: 1080, fps: 50, chroma: '4:2:2', bitDepth: 10 };
const stream = (width: number, height: number, mbitPerS: number) => ({ width, height, codec: 'h264', mbitPerS, path: 'engine', preset: 'fast' });

/** Shows dives live to schools: five pictures in, titles, three streams, every input recorded. */
export function broadcastBrief(): Brief {
  return briefSchema.parse({
    id: 'dive-broadcast',
    name: 'Dive broadcast',
    region: 'region-a',
    budgetMinor: 270_000,
    budgetTaxIncluded: true,
    roomC: 28,
    yearsOfService: 4,
    whole: WHOLE_DESK,
    mustHaves: { videoInputs: 5, noiseDbA: 38 },
    ownedDisplays: ['glasswater-pane-32', 'glasswater-pane-32'],
    tasks: [
      { kind: 'live', id: 'show', name: 'Show a dive live', importance: 5, runsPerWeek: 3, foreground: true, application: 'castdeck', inputs: [{ count: 5, ...hd50 }], via: 'either', width: 1920, height: 1080, fps: 50, layers: 4, keyed: 1, renditions: [stream(1920, 1080, 6), stream(1280, 720, 3), stream(960, 540, 1.5)], record: 'inputs', recordCodec: 'h264', recordMbitPerS: 30, recordPath: 'software', keepHours: 12, marginPercent: 30, uplinkMbitPerS: 20 },
      { kind: 'edit-export', id: 'clips', name: 'Clips for the schools', importance: 2, runsPerWeek: 6, application: 'spliceyard', sources: [{ codec: 'h264', width: 1920, height: 1080, fps: 50, chroma: '4:2:0', bitDepth: 8, mbitPerS: 30, streams: 1, decodeAt: 1 }], width: 1920, height: 1080, fps: 50, correctionSteps: 3, spatialNr: 'off', temporalNr: 'off', outWidth: 1920, outHeight: 1080, outCodec: 'h264', outChroma: '4:2:0', outBitDepth: 8, outMbitPerS: 12, path: 'software', preset: 'fast', programmeMin: 12, targetMin: 10 },
      { kind: 'audio', id: 'voice', name: 'Diver and studio sound', importance: 4, foreground: true, application: 'bellbuoy', tracks: 12, effectsPerTrack: 3, longestChain: 5, instruments: 0, voicesFromDrive: 0, bufferSamples: 256, rateKHz: 48, libraryGiB: 0 },
      { kind: 'desk', id: 'desk', name: 'Desk base', importance: 1, browserTabs: 8, conferencing: true, otherGiB: 1 },
    ],
    sittings: [
      { id: 'on-air', name: 'On air', hoursPerWeek: 9, tasks: ['show', 'voice', 'desk'] },
      { id: 'afterwards', name: 'Afterwards', hoursPerWeek: 6, tasks: ['clips', 'desk'] },
    ],
  });
}

/** One draft with the cores that five recordings in software take; one whose money went into the card; one behind a mixer, without a card. */
export function broadcastDrafts(): Machine[] {
  const rows = (processor: readonly [string, string], card: readonly [string, string]): Row[] => [
    ['processor-1', ...processor],
    ['board-1', 'dunmarrow-cairn-6', 'Dunmarrow Cairn 6'],
    ['memory-1', 'sablerow-slate-2x16-5600', 'Sablerow Slate 2x16 5600'],
    ['graphics-1', ...card],
    ['expansion-1', 'lanternmast-beam-four', 'Lanternmast Beam Four'],
    ['expansion-2', 'lanternmast-beam-one', 'Lanternmast Beam One'],
    ['drive-1', 'fenstore-cask-1-tb', 'Fenstore Cask 1 TB', { roles: ['system'] }],
    ['drive-2', 'dromolite-spate-2-tb', 'Dromolite Spate 2 TB', { roles: ['active'] }],
    ['supply-1', 'gatewick-anvil-750', 'Gatewick Anvil 750'],
    ['cooler-1', 'northdraft-eddy-140', 'Northdraft Eddy 140'],
    ['case-1', 'marlhouse-quay', 'Marlhouse Quay'],
    ['system-1', 'slipway-system-one-seat', 'Slipway System One-seat'],
  ];
  return [
    machine('broadcast-a', 'Cores for the recordings', rows(['halcyte-tern-12', 'Halcyte Tern 12'], ['palisar-gale-8', 'Palisar Gale 8'])),
    machine('broadcast-mixer', 'A mixer, no card', [
      ['processor-1', 'halcyte-tern-6', 'Halcyte Tern 6'],
      ['board-1', 'wexcombe-reef-4', 'Wexcombe Reef 4'],
      ['memory-1', 'sablerow-slate-2x16-5600', 'Sablerow Slate 2x16 5600'],
      ['expansion-1', 'lanternmast-beam-one', 'Lanternmast Beam One'],
      ['mixer-1', 'lanternmast-mast-eight', 'Lanternmast Mast Eight'],
      ['drive-1', 'fenstore-cask-1-tb', 'Fenstore Cask 1 TB', { roles: ['system', 'active'] }],
      ['supply-1', 'voltarn-hearth-700', 'Voltarn Hearth 700'],
      ['cooler-1', 'northdraft-eddy-140', 'Northdraft Eddy 140'],
      ['case-1', 'marlhouse-quay', 'Marlhouse Quay'],
      ['system-1', 'slipway-system-one-seat', 'Slipway System One-seat'],
    ]),
    machine('broadcast-b', 'The bigger card', rows(['halcyte-tern-6', 'Halcyte Tern 6'], ['palisar-gale-16', 'Palisar Gale 16'])),
  ];
}

/** A ship's bridge on three displays that are there and tied to one adaptive-sync kind. */
export function bridgeBrief(): Brief {
  return briefSchema.parse({
    id: 'bridge-trainer',
    name: 'Bridge trainer',
    region: 'region-a',
    budgetMinor: 310_000,
    budgetTaxIncluded: true,
    roomC: 23,
    yearsOfService: 5,
    whole: WHOLE_DESK,
    mustHaves: { displays: 3 },
    ownedDisplays: ['glasswater-pane-27', 'glasswater-pane-27', 'glasswater-pane-27'],
    tasks: [
      { kind: 'scene', id: 'harbour', name: 'Enter a harbour at dusk', importance: 5, foreground: true, application: 'bridgewake', displays: 3, width: 2560, height: 1440, fps: 60, judgedBy: 'worst', shading: 'lit', mTriangles: 8, drawCalls: 13_000, raysPerPx: 0, movingThings: 900, texturesGiB: 5 },
      { kind: 'scene', id: 'open-sea', name: 'Open sea in heavy weather', importance: 4, foreground: true, application: 'bridgewake', displays: 3, width: 2560, height: 1440, fps: 120, judgedBy: 'usual', shading: 'lit', mTriangles: 5, drawCalls: 2500, raysPerPx: 0, movingThings: 150, texturesGiB: 3 },
      { kind: 'live', id: 'record', name: 'Record the trainee', importance: 2, runsPerWeek: 8, inputs: [{ count: 1, width: 1920, height: 1080, fps: 25, chroma: '4:2:2', bitDepth: 8 }], via: 'cards', width: 1920, height: 1080, fps: 25, layers: 1, keyed: 0, renditions: [], record: 'programme', recordCodec: 'h264', recordMbitPerS: 12, recordPath: 'engine', keepHours: 60, marginPercent: 30 },
      { kind: 'desk', id: 'desk', name: 'Desk base', importance: 1, browserTabs: 4, conferencing: false, otherGiB: 0.5 },
    ],
    sittings: [
      { id: 'harbour-lesson', name: 'Harbour lesson', hoursPerWeek: 12, tasks: ['harbour', 'record', 'desk'] },
      { id: 'sea-lesson', name: 'Sea lesson', hoursPerWeek: 8, tasks: ['open-sea', 'record', 'desk'] },
    ],
  });
}

/** One draft whose card drives the displays' sync, on fast cores; one with as strong a card of another maker and more, slower cores. */
export function bridgeDrafts(): Machine[] {
  const rest = (supply: readonly [string, string]): Row[] => [
    ['memory-1', 'sablerow-slate-2x16-5600', 'Sablerow Slate 2x16 5600'],
    ['drive-1', 'dromolite-spate-2-tb', 'Dromolite Spate 2 TB', { roles: ['system', 'active'] }],
    ['expansion-1', 'lanternmast-beam-one', 'Lanternmast Beam One'],
    ['supply-1', ...supply],
    ['case-1', 'marlhouse-quay', 'Marlhouse Quay'],
    ['system-1', 'slipway-system-one-seat', 'Slipway System One-seat'],
  ];
  return [
    machine('bridge-a', 'Tied to the displays', [
      ['processor-1', 'halcyte-tern-deep-8', 'Halcyte Tern Deep 8'],
      ['board-1', 'dunmarrow-cairn-6', 'Dunmarrow Cairn 6'],
      ['graphics-1', 'vessary-brine-24', 'Vessary Brine 24'],
      ['cooler-1', 'northdraft-eddy-140-twin', 'Northdraft Eddy 140 Twin'],
      ...rest(['gatewick-anvil-850', 'Gatewick Anvil 850']),
    ]),
    machine('bridge-b', 'More cores', [
      ['processor-1', 'quernic-petrel-16', 'Quernic Petrel 16'],
      ['board-1', 'tarnholt-ness-5', 'Tarnholt Ness 5'],
      ['graphics-1', 'lumoth-drift-24', 'Lumoth Drift 24'],
      ['cooler-1', 'brumeworks-haar-240', 'Brumeworks Haar 240'],
      // bought with the old trainer, and tied to it
      ['licence-1', 'bridgewake-trainer-seat', 'Bridgewake Trainer seat', { owned: true }],
      ...rest(['gatewick-anvil-850', 'Gatewick Anvil 850']),
    ]),
  ];
}

/** The workshop's bench: a small real machine with what was measured on it, and work like what was measured. */
export function benchBrief(): Brief {
  return briefSchema.parse({
    id: 'proving-bench',
    name: 'Proving bench',
    region: 'region-a',
    budgetTaxIncluded: true,
    roomC: 22,
    yearsOfService: 4,
    whole: WHOLE_DESK,
    mustHaves: {},
    ownedDisplays: [],
    tasks: [
      { kind: 'edit-export', id: 'proof', name: 'Proof export in software', importance: 3, application: 'cutwater', sources: [{ codec: 'h264', width: 1280, height: 720, fps: 25, chroma: '4:2:0', bitDepth: 8, mbitPerS: 8, streams: 1, decodeAt: 1 }], width: 1280, height: 720, fps: 25, correctionSteps: 4, spatialNr: 'off', temporalNr: 'off', outWidth: 1280, outHeight: 720, outCodec: 'h264', outChroma: '4:2:0', outBitDepth: 8, outMbitPerS: 4, path: 'software', preset: 'medium', programmeMin: 2 },
    ],
    sittings: [],
  });
}

export const benchDrafts = (): Machine[] => [
  machineSchema.parse({
    id: 'bench-now',
    name: 'Small virtual machine',
    present: true,
    items: [
      { id: 'processor-1', part: 'quillstone-bench-two-threads-2.5', label: 'Quillstone Bench two threads 2.5', owned: true },
      { id: 'memory-1', part: 'quillstone-bench-memory', label: 'Quillstone Bench memory', owned: true },
      { id: 'drive-1', part: 'quillstone-bench-volume', label: 'Quillstone Bench volume', owned: true, roles: ['system', 'active', 'scratch'] },
    ],
    evidence: measured,
  }),
];

/** The seats of the demo project, in the order they are shown. */
export const demoSeats = (): readonly { seatId: string; seatName: string; brief: Brief; drafts: Machine[] }[] => [
  { seatId: 'film-desk', seatName: 'Film desk', brief: filmBrief(), drafts: filmDrafts() },
  { seatId: 'rig-design', seatName: 'Rig design', brief: rigBrief(), drafts: rigDrafts() },
  { seatId: 'plankton-lab', seatName: 'Plankton lab', brief: planktonBrief(), drafts: planktonDrafts() },
  { seatId: 'dive-broadcast', seatName: 'Dive broadcast', brief: broadcastBrief(), drafts: broadcastDrafts() },
  { seatId: 'bridge-trainer', seatName: 'Bridge trainer', brief: bridgeBrief(), drafts: bridgeDrafts() },
  { seatId: 'sonar-ingest', seatName: 'Sonar ingest', brief: sonarBrief(), drafts: sonarDrafts() },
  { seatId: 'sea-floor-mosaics', seatName: 'Sea-floor mosaics', brief: mosaicsBrief(), drafts: mosaicsDrafts() },
  { seatId: 'office', seatName: 'Office', brief: officeBrief(), drafts: officeDrafts() },
];
