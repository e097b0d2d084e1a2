import { DEMO_TODAY } from './seed';

const item = (id: string, part: string, standsInFor?: string, roles?: string[]) => ({ id, part, ...(roles ? { roles } : {}), ...(standsInFor ? { standsInFor } : {}) });

/** Three branded machines, each in one configuration a film desk would be offered. */
export function rivals(): Record<string, unknown>[] {
  return [
    {
      id: 'aldmoor-quarry-t5',
      maker: 'Aldmoor',
      name: 'Quarry T5',
      warrantyMonths: 36,
      onSite: true,
      notes: ['The supply is of a form of its own: a later card needs the maker.', 'Repair on site on the next working day.'],
      offers: [
        { region: 'region-a', priceMinor: 379_900, shippingMinor: 0, asOf: DEMO_TODAY },
        { region: 'region-b', priceMinor: 449_900, shippingMinor: 0, asOf: DEMO_TODAY },
      ],
      machine: {
        id: 'aldmoor-quarry-t5',
        name: 'Aldmoor Quarry T5',
        items: [
          item('processor-1', 'quernic-shearwater-20'),
          item('board-1', 'tarnholt-ness-5', 'a board that Aldmoor does not describe, chipset G-790'),
          item('memory-1', 'sablerow-slate-2x16-5600'),
          item('graphics-1', 'palisar-gale-12'),
          item('drive-1', 'fenstore-cask-1-tb', 'a 1 TB drive of no stated make', ['system', 'active', 'scratch']),
          item('drive-2', 'ketterlode-hold-4-tb', undefined, ['archive']),
          item('supply-1', 'gatewick-anvil-750', "Aldmoor's own 700 W supply"),
          item('cooler-1', 'northdraft-eddy-120', "Aldmoor's own cooler"),
          item('case-1', 'marlhouse-quay', "Aldmoor's own case"),
          item('system-1', 'slipway-system-one-seat'),
        ],
      },
    },
    {
      id: 'corriganvale-fell-20',
      maker: 'Corriganvale',
      name: 'Fell 20',
      warrantyMonths: 36,
      onSite: false,
      notes: ['Memory is soldered to the board and cannot be added to.', 'Quiet: 24 dB(A) stated at half load.'],
      offers: [{ region: 'region-a', priceMinor: 289_900, shippingMinor: 4_900, asOf: DEMO_TODAY }],
      machine: {
        id: 'corriganvale-fell-20',
        name: 'Corriganvale Fell 20',
        items: [
          item('processor-1', 'halcyte-tern-8'),
          item('board-1', 'tarnholt-skerry-2', "Corriganvale's own board with soldered memory"),
          item('memory-1', 'sablerow-slate-2x16-5600', '32 GB soldered to the board'),
          item('graphics-1', 'palisar-gale-8'),
          item('drive-1', 'fenstore-anchor-1-tb', undefined, ['system', 'active', 'scratch']),
          item('supply-1', 'gatewick-anvil-550', "Corriganvale's own 500 W supply"),
          item('cooler-1', 'northdraft-eddy-120', "Corriganvale's own cooler"),
          item('case-1', 'pellbox-low', "Corriganvale's own case"),
          item('system-1', 'slipway-system-one-seat'),
        ],
      },
    },
    {
      id: 'stellmark-girder-x',
      maker: 'Stellmark',
      name: 'Girder X',
      warrantyMonths: 60,
      onSite: true,
      notes: ['Certified by the makers of several applications.', 'Every drive comes out at the front.'],
      offers: [
        { region: 'region-a', priceMinor: 689_900, shippingMinor: 0, asOf: DEMO_TODAY },
        { region: 'region-b', priceMinor: 798_000, shippingMinor: 0, asOf: DEMO_TODAY },
      ],
      machine: {
        id: 'stellmark-girder-x',
        name: 'Stellmark Girder X',
        items: [
          item('processor-1', 'halcyte-tern-deep-16'),
          item('board-1', 'dunmarrow-cairn-6', 'a board of Stellmark’s own, chipset D-870 pair'),
          item('memory-1', 'sablerow-bedrock-2x32-5600'),
          item('graphics-1', 'palisar-gale-20-pro'),
          item('drive-1', 'dromolite-spate-2-tb', undefined, ['system', 'active', 'scratch']),
          item('drive-2', 'ketterlode-hold-8-tb', undefined, ['archive']),
          item('supply-1', 'voltarn-hearth-calm-750', "Stellmark's own 775 W supply"),
          item('cooler-1', 'brumeworks-haar-240', "Stellmark's own liquid cooler"),
          item('case-1', 'pellbox-tall', "Stellmark's own case"),
          item('system-1', 'slipway-system-one-seat'),
        ],
      },
    },
  ];
}
