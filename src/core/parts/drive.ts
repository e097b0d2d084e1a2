import { z } from 'zod';
import { figure, flag, figureFromZero, lanes, linkGeneration, partBase } from './common';

export const DRIVE_FORMS = ['M.2 2230', 'M.2 2280', 'M.2 22110', '2.5"', '3.5"', '5.25"', 'card'] as const;

/** Whether a drive stands in a bay, on cables: not on the board, and no card. */
export const isDiskForm = (form: (typeof DRIVE_FORMS)[number] | undefined): boolean =>
  form === '2.5"' || form === '3.5"' || form === '5.25"';

export const driveSchema = z.strictObject({
  kind: z.literal('drive'),
  ...partBase,
  interface: z.enum(['NVMe', 'SATA']).optional().meta({ label: 'interface' }),
  generation: linkGeneration.optional().meta({ label: 'link generation' }),
  lanes: lanes.optional().meta({ label: 'lanes' }),
  form: z.enum(DRIVE_FORMS).optional().meta({ label: 'form' }),
  capacityGB: figure('capacity', 'GB', 'higher'),
  cellKind: z.enum(['SLC', 'MLC', 'TLC', 'QLC', 'magnetic', 'optical']).optional().meta({ label: 'cell kind' }),
  cacheMiB: figureFromZero('own cache memory', 'MiB', 'higher'),
  seqReadMBs: figure('sequential read', 'MB/s', 'higher'),
  seqWriteMBs: figure('sequential write, cached', 'MB/s', 'higher'),
  sustainedWriteMBs: figure('sequential write after its cache', 'MB/s', 'higher'),
  writeCacheGB: figureFromZero('fast-write cache', 'GB', 'higher'),
  randomReadKiops: figure('random read', 'kIO/s', 'higher'),
  randomWriteKiops: figure('random write', 'kIO/s', 'higher'),
  enduranceTBW: figure('endurance', 'TBW', 'higher'),
  unrecoverableReadPerBit: figure('unrecoverable reads', 'a bit', 'lower'),
  rpm: figure('speed', 'rpm', 'none'),
  activePowerW: figure('active power', 'W', 'lower'),
  idlePowerW: figure('idle power', 'W', 'lower'),
  noiseDbA: figureFromZero('noise', 'dB(A)', 'lower'),
  heatsinkHeightMm: figureFromZero('heatsink height', 'mm', 'lower'),
  encryption: flag('hardware encryption'),
});
