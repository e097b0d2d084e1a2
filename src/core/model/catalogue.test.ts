import { describe, expect, test } from 'vitest';
import { dataOf } from '../tests/world';
import { compileCatalogue } from './catalogue';

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
