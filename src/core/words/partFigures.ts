import type { Part } from '../parts';
import { number, size } from './format';

/** One line of the figures that decide for a kind of part. */
export function keyFigures(part: Part): string {
  const or = (value: number | string | undefined, unit = '') =>
    (value === undefined ? `? ${unit}` : `${typeof value === 'number' ? number(value) : value} ${unit}`).trim();
  switch (part.kind) {
    case 'processor':
      return `${part.socket ?? '?'} · ${(part.coreGroups ?? []).map((group) => group.count).join(' + ') || '?'} cores · ${or(part.coreGroups?.[0]?.boostGHz, 'GHz')} · ${or(part.maxPowerW, 'W')}`;
    case 'board':
      return `${part.socket ?? '?'} · ${part.form ?? '?'} · ${part.memoryGeneration ?? '?'} · ${part.memorySlots?.length ?? '?'} memory slots`;
    case 'memory':
      return `${part.generation ?? '?'} · ${or(part.modules)} × ${or(part.moduleGiB, 'GB')} · ${or(part.rateMTs, 'MT/s')} CL ${or(part.casLatency)}`;
    case 'graphics':
      return `${or(part.memoryGiB, 'GB')} · ${or(part.fp32Tflops, 'TFLOP/s')} · ${or(part.boardPowerW, 'W')} · ${or(part.lengthMm, 'mm')}`;
    case 'drive':
      return `${part.capacityGB === undefined ? '?' : size(part.capacityGB * 1e9)} · ${part.cellKind ?? '?'} · reads ${or(part.seqReadMBs)} · writes ${or(part.sustainedWriteMBs)} MB/s after cache`;
    case 'supply':
      return `${or(part.ratedW, 'W')} · ${part.tier ?? '?'} · ${part.connectors?.['card-16'] ?? '?'} × card-16, ${part.connectors?.['card-8'] ?? '?'} × card-8`;
    case 'case':
      return `${or(part.volumeL, 'L')} · cards ${or(part.cardLengthMm, 'mm')} · cooler ${or(part.coolerHeightMm, 'mm')}`;
    case 'cooler':
      return `${part.type ?? '?'} · ${part.type === 'liquid' ? `${or(part.radiatorMm, 'mm')} radiator` : `${or(part.heightMm, 'mm')} high`} · ${or(part.resistance?.at(-1)?.kPerW, 'K/W')}`;
    case 'expansion':
      return `${part.purpose ?? '?'} · gen ${or(part.generation)} × ${or(part.lanes)}`;
    case 'fan':
      return `${or(part.sizeMm, 'mm')} · ${or(part.airflowM3h, 'm³/h')} · ${or(part.noiseDbA, 'dB(A)')}`;
    case 'display':
      return `${or(part.diagonalIn, 'in')} · ${or(part.widthPx)} × ${or(part.heightPx)} · ${or(part.refreshHz, 'Hz')}`;
    case 'mixer':
      return `${or(part.videoInputs)} inputs${part.ownEncoding ? ' · encodes' : ''}${part.ownRecording ? ' · records' : ''}`;
    case 'licence':
      return `${part.application ?? '?'} · ${part.terms ?? '?'}`;
    case 'service':
      return or(part.hours, 'h');
    case 'accessory':
    case 'peripheral':
      return (part.purpose ?? '?').replace('-', ' ');
    case 'system':
      return part.yearly === undefined ? '?' : part.yearly ? 'paid yearly' : 'paid once';
  }
}
