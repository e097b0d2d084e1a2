import { briefSchema, type Brief } from '@/core/brief';
import { machineSchema, type Machine } from '@/core/machine';

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
    yearsOfService: 4,
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

type Row = readonly [id: string, part: string, label: string, extra?: Record<string, unknown>];
const machine = (id: string, name: string, rows: readonly Row[]): Machine => machineSchema.parse({ id, name, items: rows.map(([item, part, label, extra]) => ({ id: item, part, label, ...extra })) });

/** Draft A holds two real mistakes: a cooler too high for its case, and a supply without the card's connector. */
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
    machine('film-now', 'Present machine', [
      ['processor-1', 'halcyte-knot-8', 'Halcyte Knot 8', { owned: true }],
      ['board-1', 'wexcombe-shoal', 'Wexcombe Shoal', { owned: true }],
      ['memory-1', 'sablerow-shale-2x16-3200', 'Sablerow Shale 2x16 3200', { owned: true }],
      ['graphics-1', 'palisar-breeze-6', 'Palisar Breeze 6', { owned: true }],
      ['drive-1', 'fenstore-tarn-1-tb', 'Fenstore Tarn 1 TB', { owned: true, roles: ['system', 'active', 'scratch'] }],
      ['drive-2', 'ketterlode-hold-4-tb', 'Ketterlode Hold 4 TB', { owned: true, roles: ['archive'] }],
      ['supply-1', 'voltarn-hearth-600', 'Voltarn Hearth 600', { owned: true }],
      ['cooler-1', 'northdraft-eddy-120', 'Northdraft Eddy 120', { owned: true }],
      ['case-1', 'marlhouse-quay', 'Marlhouse Quay', { owned: true }],
      ['system-1', 'slipway-system-one-seat', 'Slipway System One-seat', { owned: true }],
    ]),
  ];
}
