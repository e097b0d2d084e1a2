import type { Unplaced } from '../../board/fit';
import type { Check } from '../../rules/rule';
import { listed, number, percent, watts } from '../format';
import { kindName, withArticle } from '../names';
import { heatWords } from './heat';
import { housingWords } from './housing';
import { memoryWords } from './memory';
import { portWords } from './ports';
import { priceWords } from './prices';
import { slotWords } from './slots';
import { surplusWords } from './surplus';
import { aboutWords } from './topics';
import { workWords } from './work';
import type { Words } from './words';

export type { Words } from './words';

function placeReason(reason: Unplaced): string {
  switch (reason) {
    case 'no-such-slot':
      return 'this board has no slot of its kind';
    case 'too-long':
      return 'no slot of this board takes its length';
    case 'too-high':
      return 'no slot of this board leaves room for its heatsink';
    case 'too-wide':
      return 'no connector of this board is wide enough';
    case 'beyond-case':
      return 'it would reach past the last card slot of the case';
    case 'pin-does-not-fit':
      return 'it is pinned to a slot that it does not fit';
    case 'taken':
      return 'every slot that fits is taken, covered or switched off';
  }
}

/** By how much something is too long or too high; nothing when it is not. */
const tooMuch = (hasMm: number, roomMm: number, how: 'long' | 'high'): string =>
  hasMm > roomMm ? `: ${number(hasMm - roomMm)} mm too ${how}` : '';

/** Without a `default`, so that a new comparison does not compile until it has words. */
export function findingWords(check: Check): Words {
  const bad = check.level !== 'passes';
  switch (check.code) {
    case 'unknown-figure':
      return {
        says: `Unknown: ${aboutWords(check.about)}.`,
        mend: 'Fill the missing figure in, or take a part that states it.',
      };
    case 'part-gone':
      return {
        says: `${check.label} is no longer in the catalogue, so nothing about it can be checked.`,
        mend: 'Import a catalogue that has it, or put another part in its place.',
      };
    case 'borrowed-figures':
      return {
        says: `${check.name} is judged by figures borrowed from ${check.from}; its own are not published.`,
        mend: 'Fill in its own figures in the library as they become known.',
      };
    case 'own-figures':
      return { says: `All ${check.count} parts are judged by their own figures.` };
    case 'parts-known':
      return { says: `All ${check.count} parts are in the catalogue.` };
    case 'part-withdrawn':
      return {
        says: `${check.name} was withdrawn on ${check.date}.`,
        mend: 'Make sure it can still be bought, or take its successor.',
      };
    case 'part-not-yet':
      return {
        says: `${check.name} is announced and goes on sale on ${check.date}.`,
        mend: 'Wait for it, or take a part that is on sale.',
      };
    case 'parts-on-sale':
      return { says: `All ${check.count} parts are on sale.` };
    case 'part-missing':
      return { says: `The machine has no ${kindName(check.kind)}.`, mend: `Add ${withArticle(kindName(check.kind))}.` };
    case 'parts-complete':
      return { says: 'Processor, board, memory, drive, supply, case and cooling are there.' };
    case 'part-count':
      return {
        says: `There are ${check.count} parts of the kind "${kindName(check.kind)}"; one fits.`,
        mend: 'Leave all but one out.',
      };
    case 'sockets':
      return bad
        ? {
            says: `${check.name} has socket ${check.socket}; ${check.board} has ${check.boardSocket}.`,
            mend: 'Take a processor and a board of one socket.',
          }
        : { says: `${check.name} and ${check.board} both have socket ${check.socket}.` };
    case 'family':
      return bad
        ? {
            says: `${check.board} does not list the ${check.family} family that ${check.processor} belongs to.`,
            mend: 'Take a board that lists it.',
          }
        : { says: `${check.board} lists the ${check.family} family.` };
    case 'firmware':
      return bad
        ? {
            says: `${check.processor} needs firmware ${check.minimum}; ${check.board} comes with ${check.has}${check.route === 'without-processor' ? ', and can be flashed without a processor' : ', and needs a processor that already runs to be flashed'}.${check.channel === 'beta' ? ` ${check.takes} is a beta.` : ''}${check.fault ? ` Known of ${check.takes}: ${check.fault}.` : ''}`,
            mend:
              check.route === 'without-processor'
                ? `Flash firmware ${check.takes ?? check.minimum} from a USB stick before the first start.`
                : `Take a board that ships with ${check.minimum}, or one that can be flashed without a processor.`,
          }
        : { says: `${check.board} has firmware ${check.has}; ${check.processor} needs ${check.minimum}.` };
    case 'memory-generation':
      return bad
        ? {
            says: `${check.kit} is ${check.generation}; ${check.against} takes ${check.wants || 'none of this'}.`,
            mend: 'Take memory and a board of one generation.',
          }
        : { says: `${check.kit} is ${check.generation}, as ${check.against} takes.` };
    case 'module-kind':
      return bad
        ? {
            says: `${check.kit} has ${check.moduleKind} modules; ${check.against} takes ${check.wants} ones.`,
            mend: `Take a kit of ${check.wants} modules.`,
          }
        : { says: `${check.kit} has ${check.moduleKind} modules, as ${check.against} takes.` };
    case 'profile-kind':
      return bad
        ? {
            says: `${check.kit} keeps its rate in an ${check.profile} profile; ${check.board} reads ${check.reads}${check.effectiveMTs ? `, so it runs at ${check.effectiveMTs} MT/s` : ''}.`,
            mend: `Take a kit with an ${check.reads} profile, or count on the standard rate.`,
          }
        : { says: `${check.board} reads the ${check.profile} profile of ${check.kit}.` };
    case 'memory-slots':
      return {
        says: `${check.modules} modules, ${check.slots} memory slots on ${check.board}.`,
        ...(bad ? { mend: 'Take fewer, larger modules or a board with more slots.' } : {}),
      };
    case 'module-capacity':
      return {
        says: `${check.kit} has modules of ${check.gib} GB; a slot of ${check.board} takes up to ${check.limitGib} GB.`,
        ...(bad ? { mend: 'Take smaller modules.' } : {}),
      };
    case 'memory-capacity':
      return {
        says: `${number(check.gib)} GB of memory; ${check.against} addresses up to ${check.limitGib} GB.`,
        ...(bad ? { mend: 'Take less memory or a larger platform.' } : {}),
      };
    case 'memory-channels': {
      const spread = (check.spread ?? []).filter((part) => part.gib > 0);
      const rates =
        spread.length > 0
          ? ` ${listed(spread.map((part) => `${number(part.gib)} GB at ${number(part.bandwidthBytesPerS / 1e9)} GB/s over ${part.channels} ${part.channels === 1 ? 'channel' : 'channels'}`))}.`
          : '';
      return bad
        ? {
            says: `${check.populated} of ${check.channels} memory channels are populated${check.populated === check.channels ? ', unequally' : ''}, which costs bandwidth.${rates}`,
            mend: `Fill all ${check.channels} channels alike.`,
          }
        : { says: `All ${check.channels} memory channels are populated alike.${rates}` };
    }
    case 'memory-rate':
      return check.level === 'caution'
        ? {
            says: `The memory runs at ${check.effectiveMTs} MT/s; in this population the processor supports ${check.processorMTs}, the board ${check.boardMTs} MT/s.`,
            mend: `It may run and has to be tried: count on a memory test, turn the profile off, or take a kit of ${Math.min(check.processorMTs, check.boardMTs)} MT/s.`,
          }
        : check.level === 'note'
          ? {
              says: `The kit's profile is ${check.profileMTs} MT/s; it runs at ${check.effectiveMTs} MT/s here.`,
              mend: 'A slower kit would do the same.',
            }
          : {
              says: `The memory runs at ${check.effectiveMTs} MT/s; the processor supports ${check.processorMTs}, the board ${check.boardMTs} MT/s.`,
            };
    case 'mixed-kits':
      return check.count === 1
        ? { says: `All memory is one kit, ${check.kits[0] ?? ''}.` }
        : check.kits.length > 1
          ? {
              says: `${listed(check.kits)} were not tested together; the slowest rate and the longest timings hold for all.`,
              mend: 'Take one kit of the full capacity.',
            }
          : {
              says: `${check.count} kits of ${check.kits[0] ?? 'one kind'}: each was tested by itself, not together.`,
              mend: 'One kit of the full capacity is tested as a whole.',
            };
    case 'error-correction':
      return bad
        ? {
            says: `The brief asks for error-correcting memory; ${listed(check.without)} ${check.without.length > 1 ? 'do' : 'does'} not have it.`,
            mend: 'Processor, board and every kit must have it.',
          }
        : { says: 'Processor, board and memory correct errors, end to end.' };
    case 'card-length':
      return {
        says: `${check.card} is ${number(check.lengthMm)} mm long; ${check.chassis} leaves ${number(check.spaceMm)} mm${check.frontRadiator ? ' behind a front radiator' : ''}${tooMuch(check.lengthMm, check.spaceMm, 'long')}.`,
        ...(bad
          ? {
              mend: `Take a card of ${number(check.spaceMm)} mm at most, or a case with ${number(check.lengthMm)} mm of room.`,
            }
          : {}),
      };
    case 'device-place':
      return check.reason === 'placed'
        ? { says: `${check.device} has a slot.` }
        : {
            says: `${check.device} has no place: ${placeReason(check.reason)}.`,
            mend: 'Take a board with a slot for it, free one, or take a device that fits.',
          };
    case 'link':
      return bad
        ? {
            says: `${check.device} gets ${number(check.getsGBs)} of its link’s ${number(check.ownGBs)} GB/s in ${check.slot}${
              check.needsGBs === undefined
                ? ''
                : check.needsGBs <= check.getsGBs
                  ? `; it moves ${number(check.needsGBs)}, so it loses nothing`
                  : `; it moves up to ${number(check.needsGBs)}, so it loses ${percent(1 - check.getsGBs / check.needsGBs)}`
            }.`,
            mend: 'Look at the tasks before paying for more: a beam there says whether it matters.',
          }
        : { says: `${check.device} gets its ${number(check.ownGBs)} GB/s in ${check.slot}.` };
    case 'slot-off':
      return {
        says: check.how === 'covered' ? `${check.by} covers ${check.slot}.` : `${check.by} switches ${check.slot} off.`,
      };
    case 'cooler-socket':
      switch (check.kit) {
        case 'none':
          return {
            says: `${check.cooler} has no mount for socket ${check.socket}.`,
            mend: 'Take a cooler that mounts there.',
          };
        case 'apart':
          return {
            says: `${check.cooler} mounts on ${check.socket} with a kit that is sold apart and is not in the machine.`,
            mend: 'Add the mounting kit.',
          };
        case 'added':
          return { says: `${check.cooler} mounts on ${check.socket} with the kit in the machine.` };
        case 'included':
          return { says: `${check.cooler} mounts on ${check.socket}.` };
      }
      break;
    case 'cooler-height':
      return {
        says: `${check.cooler} is ${number(check.heightMm)} mm high; ${check.chassis} leaves ${number(check.spaceMm)} mm${tooMuch(check.heightMm, check.spaceMm, 'high')}.`,
        ...(bad ? { mend: `Take a cooler of ${number(check.spaceMm)} mm at most, or a wider case.` } : {}),
      };
    case 'radiator':
      return bad
        ? {
            says: `${check.chassis} has no mount for the ${check.radiatorMm} mm radiator of ${check.cooler}.`,
            mend: 'Take a shorter radiator, an air cooler or another case.',
          }
        : {
            says: `${check.chassis} takes the ${check.radiatorMm} mm radiator of ${check.cooler} (${listed(check.sides)}).`,
          };
    case 'memory-under-cooler':
      return {
        says: `${check.kit} is ${number(check.heightMm)} mm high; ${check.cooler} leaves ${number(check.spaceMm)} mm above the slots${tooMuch(check.heightMm, check.spaceMm, 'high')}.`,
        ...(bad ? { mend: 'Take lower modules or a cooler that keeps clear of them.' } : {}),
      };
    case 'board-form':
      return {
        says: `${check.board} is ${check.form}; ${check.chassis} takes ${listed(check.takes)}.`,
        ...(bad ? { mend: 'Take a larger case or a smaller board.' } : {}),
      };
    case 'supply-form':
      return {
        says: `${check.supply} is of form ${check.form}; ${check.chassis} takes ${listed(check.takes)}.`,
        ...(bad ? { mend: 'Take a supply of that form.' } : {}),
      };
    case 'supply-length':
      return {
        says: `${check.supply} is ${number(check.lengthMm)} mm long; ${check.chassis} leaves ${number(check.spaceMm)} mm${tooMuch(check.lengthMm, check.spaceMm, 'long')}.`,
        ...(bad ? { mend: 'Take a shorter supply.' } : {}),
      };
    case 'supply-peak':
      return {
        says: `All parts at their limit draw ${watts(check.peakW)}; ${check.supply} delivers ${watts(check.ratedW)}.`,
        ...(bad ? { mend: `Take a supply of ${watts(Math.ceil(check.peakW / 50) * 50)} or more.` } : {}),
      };
    case 'supply-sustained':
      return {
        says: `The heaviest sitting draws ${watts(check.sustainedW)}; the share of ${check.supply} that counts for hours is ${watts(check.allowedW)}.`,
        ...(bad ? { mend: 'Take a larger supply, so that it is quiet and lasts.' } : {}),
      };
    case 'connectors':
      return {
        says: `${check.forWhat} ${check.needs === 1 ? 'needs 1 connector' : `need ${check.needs} connectors`} of the kind ${check.connector}; ${check.supply} has ${check.has}.`,
        ...(bad ? { mend: 'Take a supply that has them: one cable for each high-power input.' } : {}),
      };
    case 'board-power':
      return {
        says: `${check.processor} draws up to ${watts(check.powerW)}; ${check.board} sustains ${watts(check.sustainsW)}.`,
        ...(bad ? { mend: 'Take a board with stronger phases, or hold the processor to that power.' } : {}),
      };
    case 'drive-bays':
      return {
        says: `${check.drives} ${check.drives === 1 ? 'drive' : 'drives'} of ${check.size}; ${check.chassis} has room for ${check.bays}.`,
        ...(bad ? { mend: 'Take fewer, larger drives or a case with more bays.' } : {}),
      };
    case 'system-drive':
      return bad
        ? {
            says:
              check.drives === 0
                ? 'No drive is set as the system drive.'
                : `${check.drives} drives are set as the system drive.`,
            mend: 'Give the role to one drive.',
          }
        : { says: 'One drive is the system drive.' };
    case 'picture-path':
      return check.from === 'none'
        ? {
            says: `${check.processor} has no graphics of its own and there is no graphics card: no picture.`,
            mend: 'Add a graphics card.',
          }
        : check.from === 'no-output'
          ? {
              says: `${check.processor} has graphics, but ${check.board ?? 'the board'} has no output for it: no picture.`,
              mend: 'Add a graphics card, or take a board with display outputs.',
            }
          : {
              says:
                check.from === 'graphics'
                  ? `${check.processor} makes the picture.`
                  : `The graphics inside ${check.processor} makes the picture.`,
            };
    case 'display-outputs':
      return {
        says: `${check.displays} displays; ${check.from} drives ${check.outputs}.`,
        ...(bad ? { mend: 'Take a card with more outputs.' } : {}),
      };
    case 'memory-floor':
      return {
        says: `${check.application} asks for ${check.minimumGib} GB of ${check.what} at least and recommends ${check.recommendedGib} GB${check.level === 'note' ? `, ${number(check.withMarginGib)} with a margin` : ''}; there are ${number(check.hasGib)} GB.`,
        ...(bad ? { mend: `Take ${check.recommendedGib} GB or more.` } : {}),
      };
    case 'network':
      return {
        says: `The network does ${number(check.hasGbit)} Gb/s; the brief asks for ${number(check.needsGbit)} Gb/s.`,
        ...(bad ? { mend: 'Add a network card or take a board with a faster port.' } : {}),
      };
    case 'wireless':
      return {
        says: check.has ? 'There is wireless.' : 'The brief asks for wireless and there is none.',
        ...(bad ? { mend: 'Add a wireless card or take a board with it.' } : {}),
      };
    case 'video-inputs':
      return {
        says: `${check.has} video inputs; the brief asks for ${check.needs}.`,
        ...(bad ? { mend: 'Add a capture card or a mixer.' } : {}),
      };
    case 'volume':
      return {
        says: `${check.chassis} has ${number(check.volumeL)} L; the brief allows ${number(check.limitL)} L.`,
        ...(bad ? { mend: 'Take a smaller case.' } : {}),
      };
    case 'space':
      return {
        says: `What must stay on the ${check.role} drive is ${number(check.needsGB)} GB; there are ${number(check.hasGB)} GB.`,
        ...(bad ? { mend: 'Add a drive in that role or take a larger one.' } : {}),
      };
    case 'price-unknown':
    case 'budget':
    case 'prices-known':
    case 'arrives-late':
    case 'delivery-unknown':
    case 'arrives-in-time':
    case 'offers-sound':
    case 'seller-doubtful':
    case 'over-list':
    case 'too-good':
      return priceWords(check);
    case 'stream':
    case 'streams-carried':
    case 'uplink':
    case 'upright':
    case 'drive-heatsink':
    case 'carrier':
    case 'root-links':
      return slotWords(check);
    case 'memory-order':
    case 'tested-memory':
    case 'correction-unused':
      return memoryWords(check);
    case 'card-height':
    case 'fan-mounts':
    case 'data-cables':
    case 'paste':
      return housingWords(check);
    case 'fan-headers':
    case 'header-current':
    case 'pump-header':
    case 'light-headers':
    case 'light-programs':
    case 'front-ports':
    case 'front-audio':
    case 'display-link':
    case 'adaptive-sync':
      return portWords(check);
    case 'task-result':
    case 'compute-stack':
    case 'operating-system':
    case 'no-system':
    case 'certified-driver':
    case 'licence-missing':
    case 'licence-terms':
    case 'fast-ports':
    case 'ports':
    case 'wireless-standard':
    case 'endurance':
    case 'copies':
    case 'copies-elsewhere':
    case 'whole-missing':
    case 'whole-unasked':
    case 'whole':
    case 'system-stays':
    case 'system-drive-size':
    case 'optical-drive':
    case 'encryption':
    case 'remote-management':
    case 'scratch-cells':
    case 'system-drive-kind':
      return workWords(check);
    case 'cooler-load':
    case 'card-load':
    case 'heat-unknown':
    case 'case-air':
    case 'noise':
    case 'supply-policy':
    case 'card-power':
    case 'spare-input':
    case 'mains':
      return heatWords(check);
    case 'collision':
    case 'clear':
    case 'reach':
    case 'fan-row':
      return housingWords(check);
    case 'surplus-memory':
    case 'surplus-rate':
    case 'surplus-supply':
    case 'surplus-space':
    case 'surplus-graphics-memory':
    case 'surplus-unlocked':
    case 'surplus-card':
    case 'surplus-port':
    case 'surplus-fans':
      return surplusWords(check);
  }
}
