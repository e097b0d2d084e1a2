import { describe, expect, test } from 'vitest';
import { demoCatalogue } from '@/demo/catalogue';
import { demoSeats } from '@/demo/ninefathom';
import { DEMO_TODAY } from '@/demo/seed';
import { assess, contextOf } from '../assess';
import { PART_KINDS, type Part, type PartKind } from '../parts';
import { rankCandidates } from '../search/candidates';
import { dataOf } from '../tests/world';
import { catalogueByKind, compileCatalogue, knownCatalogue, type Goods } from './catalogue';
import { catalogueSchema } from './catalogueSchema';
import { partsNeeded } from './needed';

describe('a compiled catalogue', () => {
  const world = dataOf();
  const [region] = world.regions;
  const there = { ...region!, id: 'there', name: 'There' };
  const data = {
    ...world,
    regions: [...world.regions, there],
    offers: [
      ...world.offers,
      ...world.offers.slice(0, 4).map((offer) => ({ ...offer, id: `${offer.id}-there`, region: 'there' })),
      ...world.offers.slice(0, 2).map((offer) => ({ ...offer, id: `${offer.id}-again` })),
    ],
  };
  const catalogue = compileCatalogue(data);

  test('gives for every part and region the offers that looking through all of them finds, in their order', () => {
    for (const part of data.parts)
      for (const { id } of data.regions)
        expect(catalogue.offers(part.id, id)).toEqual(
          data.offers.filter((offer) => offer.part === part.id && offer.region === id),
        );
  });

  test('has nothing for what it does not know', () => {
    expect(catalogue.offers('cpu', 'nowhere')).toEqual([]);
    expect(catalogue.offers('nothing', region!.id)).toEqual([]);
    expect(catalogue.part('nothing')).toBeUndefined();
    expect(catalogue.region('nowhere')).toBeUndefined();
  });

  test('has every part under its own kind, once', () => {
    const kinds = new Set(data.parts.map(({ kind }) => kind));
    const listed = [...kinds].flatMap((kind) => catalogue.ofKind(kind));
    expect(listed).toHaveLength(data.parts.length);
    for (const kind of kinds) for (const part of catalogue.ofKind(kind)) expect(part.kind).toBe(kind);
  });
});

describe('a catalogue of which only some parts are known', () => {
  const known = knownCatalogue(dataOf(), ['licence']);

  test('tells of those, and of kinds that it has whole', () => {
    expect(known.part('cpu')?.kind).toBe('processor');
    expect(known.ofKind('licence')).toEqual([]);
  });

  test('is not searched: what is known is not what there is', () =>
    expect(() => known.ofKind('graphics')).toThrow('only some parts of kind "graphics" are known here'));
});

describe('a catalogue that is read kind by kind', () => {
  const data = catalogueSchema.parse(demoCatalogue());
  const whole = compileCatalogue(data);
  const seats = demoSeats();
  const used = new Set(seats.flatMap(({ brief, drafts }) => partsNeeded(brief, drafts, whole)));
  const goods = (parts: readonly Part[]): Goods => {
    const ids = new Set<string>(parts.map(({ id }) => id));
    return { parts: [...parts], offers: data.offers.filter((offer) => ids.has(offer.part)) };
  };
  const opened = () => {
    const read: PartKind[] = [];
    const catalogue = catalogueByKind({ ...data, ...goods([...used]) }, PART_KINDS, (kind) => {
      read.push(kind);
      // as it comes over the wire: other objects that say the same
      return structuredClone(goods(whole.ofKind(kind)));
    });
    return { catalogue, read };
  };

  test('says what the whole one says, and reads each kind once', () => {
    const { catalogue, read } = opened();
    for (const kind of PART_KINDS) {
      expect(catalogue.ofKind(kind)).toEqual(whole.ofKind(kind));
      expect(catalogue.ofKind(kind)).toBe(catalogue.ofKind(kind));
    }
    for (const part of data.parts) {
      expect(catalogue.part(part.id)).toEqual(part);
      for (const { id } of data.regions) expect(catalogue.offers(part.id, id)).toEqual(whole.offers(part.id, id));
      if (part.kind === 'processor') expect(catalogue.lockedLikes(part)).toEqual(whole.lockedLikes(part));
    }
    expect(catalogue.part('nothing')).toBeUndefined();
    expect(read).toEqual(PART_KINDS);
  });

  test('a part is one object, before its kind is read and after', () => {
    const { catalogue } = opened();
    for (const part of used) {
      const before = catalogue.part(part.id);
      expect(catalogue.ofKind(part.kind)).toContain(before);
      expect(catalogue.part(part.id)).toBe(before);
    }
  });

  test('judges machines of the seats without reading any but licences, and ranks cards by reading cards', () => {
    const { catalogue, read } = opened();
    const context = contextOf(catalogue, DEMO_TODAY);
    for (const { brief, drafts } of seats) for (const draft of drafts) assess(draft, brief, context);
    expect(read).toEqual(['licence']);
    const [{ brief, drafts }] = seats as [(typeof seats)[number]];
    const draft = drafts[0]!;
    const position = { kind: 'graphics' as const, item: 'graphics-1' };
    const ranked = rankCandidates(draft, brief, position, context, assess(draft, brief, context));
    expect(read).toEqual(['licence', 'graphics']);
    const before = contextOf(whole, DEMO_TODAY);
    expect(ranked).toEqual(rankCandidates(draft, brief, position, before, assess(draft, brief, before)));
  });

  test('a part that nobody named is looked for, as far as it takes', () => {
    const { catalogue, read } = opened();
    const last = data.parts.find((part) => part.kind === PART_KINDS[1] && !used.has(part))!;
    expect(catalogue.part(last.id)).toEqual(last);
    expect(read).toEqual(PART_KINDS.slice(0, 2));
  });
});
