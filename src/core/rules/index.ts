import type { Rule } from './rule';
import { applicationFloor } from './applicationFloor';
import { boardForm } from './boardForm';
import { boardPower } from './boardPower';
import { cardLength } from './cardLength';
import { coolerHeight } from './coolerHeight';
import { coolerLoad } from './coolerLoad';
import { coolerSocket } from './coolerSocket';
import { devicePlace } from './devicePlace';
import { displayOutputs } from './displayOutputs';
import { driveBays } from './driveBays';
import { driveSpace } from './driveSpace';
import { errorCorrection } from './errorCorrection';
import { firmware } from './firmware';
import { linkWidth } from './linkWidth';
import { memoryCapacity } from './memoryCapacity';
import { memoryChannels } from './memoryChannels';
import { memoryGeneration } from './memoryGeneration';
import { memoryRate } from './memoryRate';
import { memorySlots } from './memorySlots';
import { memoryUnderCooler } from './memoryUnderCooler';
import { mixedKits } from './mixedKits';
import { moduleKind } from './moduleKind';
import { mustHaves } from './mustHaves';
import { partsComplete } from './partsComplete';
import { ownFigures } from './ownFigures';
import { partsKnown } from './partsKnown';
import { partsOnSale } from './partsOnSale';
import { picturePath } from './picturePath';
import { pricesKnown } from './pricesKnown';
import { processorFamily } from './processorFamily';
import { profileKind } from './profileKind';
import { radiatorMount } from './radiatorMount';
import { slotsOff } from './slotsOff';
import { socket } from './socket';
import { supplyConnectors } from './supplyConnectors';
import { supplyForm } from './supplyForm';
import { supplyLength } from './supplyLength';
import { supplyPower } from './supplyPower';
import { systemDrive } from './systemDrive';
import { taskFigures } from './taskFigures';

/** All rules, in the order a builder wants to read what they found. */
export const rules: readonly Rule[] = [
  partsKnown,
  ownFigures,
  partsOnSale,
  partsComplete,
  socket,
  processorFamily,
  firmware,
  memoryGeneration,
  moduleKind,
  profileKind,
  memorySlots,
  memoryCapacity,
  memoryChannels,
  memoryRate,
  mixedKits,
  errorCorrection,
  cardLength,
  devicePlace,
  linkWidth,
  slotsOff,
  coolerSocket,
  coolerHeight,
  coolerLoad,
  radiatorMount,
  memoryUnderCooler,
  boardForm,
  supplyForm,
  supplyLength,
  supplyPower,
  supplyConnectors,
  boardPower,
  driveBays,
  systemDrive,
  picturePath,
  displayOutputs,
  applicationFloor,
  mustHaves,
  driveSpace,
  taskFigures,
  pricesKnown,
];
