import { describe, expect, test } from 'vitest';
import { GLOSSARY } from './glossary';
import { HELP, placeOf } from './help';

describe('help', () => {
  test.each([
    ['/', 'desk'],
    ['/library', 'library'],
    ['/library/import/17', 'library'],
    ['/workshop', 'workshop'],
    ['/ninefathom/film-desk/brief', 'brief'],
    ['/ninefathom/film-desk/buy', 'buy'],
    // a seat may be called like a station, a project like a place of another depth
    ['/ninefathom/draft/weigh', 'weigh'],
    ['/ninefathom/film-desk/nowhere', 'desk'],
    ['/ninefathom', 'desk'],
  ] as const)('%s is %s', (path, place) => expect(placeOf(path)).toBe(place));

  test('every place asks a question and says at least three ways, in lines that are read at once', () => {
    for (const { asks, lines } of Object.values(HELP)) {
      expect(asks).toMatch(/\?$/);
      expect(lines.length).toBeGreaterThanOrEqual(3);
      for (const [what, how] of lines) expect(`${what} ${how}`.split(' ').length, how).toBeLessThan(22);
    }
  });

  test('no word of the glossary stands in it twice', () => {
    const terms = GLOSSARY.map(([term]) => term);
    expect(new Set(terms).size).toBe(terms.length);
  });
});
