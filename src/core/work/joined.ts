import type { FittedParts } from '../model/fitted';
import { cardsUnsaid } from '../model/unsaid';
import { cardPurpose } from '../parts/purposes';
import type { Joined } from './machineFacts';
import { networksOf } from './networks';

/** What a machine is joined to the world by, as data: another board or card that joins it alike changes no work. */
export const joinedTo = (parts: FittedParts): Joined => ({
  networks: networksOf(parts).map(({ end }) => end),
  capture: parts.ofKind('expansion').flatMap(({ item, part }) => {
    if (cardPurpose(part) !== 'capture') return [];
    const { id, kind, name, inputPorts, videoInputs, inputGbitPerS } = part;
    return [{ item: { id: item.id }, part: { id, kind, name, inputPorts, videoInputs, inputGbitPerS } }];
  }),
  mixers: parts.ofKind('mixer').map(({ item, part }) => {
    const { id, kind, name, videoInputs, ownEncoding, ownRecording } = part;
    return { item: { id: item.id }, part: { id, kind, name, videoInputs, ownEncoding, ownRecording } };
  }),
  unsaid: cardsUnsaid(parts),
});
