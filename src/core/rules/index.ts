import type { Rule } from './rule';
import { applicationFloor } from './work/applicationFloor';
import { boardForm } from './housing/boardForm';
import { boardPower } from './platform/boardPower';
import { cardLength } from './housing/cardLength';
import { coolerHeight } from './housing/coolerHeight';
import { coolerLoad } from './heat/coolerLoad';
import { cardPower } from './power/cardPower';
import { cardLoad } from './heat/cardLoad';
import { caseAir } from './heat/caseAir';
import { noiseLimit } from './heat/noiseLimit';
import { clearance } from './housing/clearance';
import { fanRow } from './housing/fanRow';
import { reach } from './housing/reach';
import { mainsCircuit } from './power/mainsCircuit';
import { coolerSocket } from './platform/coolerSocket';
import { devicePlace } from './slots/devicePlace';
import { displayOutputs } from './ports/displayOutputs';
import { driveBays } from './housing/driveBays';
import { driveSpace } from './work/driveSpace';
import { errorCorrection } from './memory/errorCorrection';
import { firmware } from './platform/firmware';
import { linkWidth } from './slots/linkWidth';
import { memoryCapacity } from './memory/memoryCapacity';
import { memoryChannels } from './memory/memoryChannels';
import { memoryGeneration } from './memory/memoryGeneration';
import { memoryRate } from './memory/memoryRate';
import { memorySlots } from './memory/memorySlots';
import { memoryUnderCooler } from './housing/memoryUnderCooler';
import { mixedKits } from './memory/mixedKits';
import { moduleKind } from './memory/moduleKind';
import { mustHaves } from './work/mustHaves';
import { partsComplete } from './parts/partsComplete';
import { ownFigures } from './parts/ownFigures';
import { partsKnown } from './parts/partsKnown';
import { partsOnSale } from './parts/partsOnSale';
import { picturePath } from './ports/picturePath';
import { delivery } from './prices/delivery';
import { offersSound } from './prices/offersSound';
import { pricesKnown } from './prices/pricesKnown';
import { processorFamily } from './platform/processorFamily';
import { profileKind } from './memory/profileKind';
import { radiatorMount } from './housing/radiatorMount';
import { slotsOff } from './slots/slotsOff';
import { socket } from './platform/socket';
import { supplyConnectors } from './power/supplyConnectors';
import { supplyForm } from './housing/supplyForm';
import { supplyLength } from './housing/supplyLength';
import { supplyPower } from './power/supplyPower';
import { systemDrive } from './work/systemDrive';
import { taskResult } from './work/taskResult';
import { taskFigures } from './parts/taskFigures';
import { whole } from './parts/whole';
import { budget } from './prices/budget';
import { copies } from './work/copies';
import { driveEndurance } from './work/driveEndurance';
import { smallParts } from './parts/smallParts';
import { memoryOrder } from './memory/memoryOrder';
import { testedMemory } from './memory/testedMemory';
import { streams } from './slots/streams';
import { uplinkShared } from './slots/uplinkShared';
import { upright } from './slots/upright';
import { driveHeatsink } from './slots/driveHeatsink';
import { carrier } from './slots/carrier';
import { rootLinks } from './slots/rootLinks';
import { cardHeight } from './housing/cardHeight';
import { fanMounts } from './housing/fanMounts';
import { fanHeaders } from './ports/fanHeaders';
import { pumpHeader } from './ports/pumpHeader';
import { lightHeaders } from './ports/lightHeaders';
import { frontPorts } from './ports/frontPorts';
import { displayLinks } from './ports/displayLinks';
import { adaptiveSync } from './ports/adaptiveSync';
import { applicationNeeds } from './work/applicationNeeds';
import { licences } from './work/licences';
import { scratchCells } from './work/scratchCells';
import { surplusMemory } from './surplus/surplusMemory';
import { surplusSupply } from './surplus/surplusSupply';
import { surplusSpace } from './surplus/surplusSpace';
import { surplusGraphics } from './surplus/surplusGraphics';
import { surplusCards } from './surplus/surplusCards';
import { surplusUnlocked } from './surplus/surplusUnlocked';
import { surplusFans } from './surplus/surplusFans';

/** All rules, in the order a builder wants to read what they found. */
export const rules: readonly Rule[] = [
  partsKnown,
  ownFigures,
  partsOnSale,
  partsComplete,
  whole,
  smallParts,
  socket,
  processorFamily,
  firmware,
  memoryGeneration,
  moduleKind,
  profileKind,
  memorySlots,
  memoryCapacity,
  memoryChannels,
  memoryOrder,
  memoryRate,
  mixedKits,
  testedMemory,
  errorCorrection,
  cardLength,
  cardHeight,
  upright,
  devicePlace,
  carrier,
  rootLinks,
  linkWidth,
  streams,
  uplinkShared,
  driveHeatsink,
  slotsOff,
  coolerSocket,
  coolerHeight,
  coolerLoad,
  cardLoad,
  caseAir,
  noiseLimit,
  radiatorMount,
  fanMounts,
  fanRow,
  clearance,
  reach,
  memoryUnderCooler,
  boardForm,
  supplyForm,
  supplyLength,
  supplyPower,
  supplyConnectors,
  cardPower,
  mainsCircuit,
  fanHeaders,
  pumpHeader,
  frontPorts,
  lightHeaders,
  boardPower,
  driveBays,
  systemDrive,
  scratchCells,
  picturePath,
  displayOutputs,
  displayLinks,
  adaptiveSync,
  applicationFloor,
  applicationNeeds,
  licences,
  mustHaves,
  driveSpace,
  copies,
  driveEndurance,
  surplusMemory,
  surplusGraphics,
  surplusSpace,
  surplusSupply,
  surplusFans,
  surplusCards,
  surplusUnlocked,
  taskResult,
  taskFigures,
  pricesKnown,
  budget,
  delivery,
  offersSound,
];

const byId: ReadonlyMap<string, Rule> = new Map(rules.map((rule) => [rule.id, rule]));

/** The rule that made a finding. @throws RangeError when there is none of this id */
export function ruleOf({ rule: id }: { readonly rule: string }): Rule {
  const rule = byId.get(id);
  if (!rule) throw new RangeError(`there is no rule "${id}"`);
  return rule;
}
