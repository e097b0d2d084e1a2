import type { Brief } from '../model/brief';
import type { Currency } from '../units/money';
import { coins, number } from './format';

/** Years that a machine serves when nobody says otherwise. */
const USUAL_YEARS = 4;
const USUAL_ROOM_C = 24;

/** The terms of a brief that differ from the usual, each in a few words. */
export function unusualTerms(brief: Omit<Brief, 'tasks' | 'sittings'>, currency: Currency): string[] {
  const { mustHaves: must } = brief;
  const said: (string | undefined | false)[] = [
    brief.neededBy !== undefined && `by ${brief.neededBy}`,
    brief.yearsOfService !== USUAL_YEARS && `serves ${number(brief.yearsOfService)} years`,
    brief.roomC !== USUAL_ROOM_C && `a room of ${number(brief.roomC)} °C`,
    must.errorCorrection === true && 'memory errors corrected',
    must.networkGbitPerS !== undefined && `network ${number(must.networkGbitPerS)} Gb/s`,
    must.wireless === true && 'wireless',
    must.noiseDbA !== undefined && `at most ${number(must.noiseDbA)} dB(A)`,
    must.drivesReachable === true && 'drives within reach',
    (brief.idleHoursPerWeek ?? 0) > 0 && `on at rest ${number(brief.idleHoursPerWeek ?? 0)} h a week`,
    brief.hourMinor !== undefined && `an hour of waiting costs ${coins(brief.hourMinor, currency)}`,
    brief.overListPercent !== undefined && `at most ${number(brief.overListPercent)} % over list`,
    brief.ownedDisplays.length > 0 &&
      `on ${brief.ownedDisplays.length === 1 ? 'an owned display' : `${brief.ownedDisplays.length} owned displays`}`,
  ];
  return said.filter((text): text is string => typeof text === 'string');
}
