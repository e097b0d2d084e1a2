import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { jsonCutter, type Piece } from './jsonElements';

/** Cuts a text handed over in pieces of these lengths. */
function cut(text: string, lengths: readonly number[] = [text.length]): Piece[] {
  const cutter = jsonCutter();
  const pieces: Piece[] = [];
  for (let at = 0, i = 0; at < text.length; i++) {
    const length = Math.max(1, lengths[i % lengths.length] ?? 1);
    pieces.push(...cutter.push(text.slice(at, at + length)));
    at += length;
  }
  return [...pieces, ...cutter.end()];
}

/** Puts the pieces together again. */
function joined(pieces: readonly Piece[]): Record<string, unknown> {
  const object: Record<string, unknown> = {};
  for (const piece of pieces) {
    if (piece.kind === 'value') object[piece.key] = piece.value;
    else if (piece.kind === 'element')
      object[piece.key] = [...((object[piece.key] as unknown[] | undefined) ?? []), piece.value];
  }
  return object;
}

describe('cutting JSON while it arrives', () => {
  test('gives what JSON.parse gives, however the text is cut up', () => {
    const value = fc.jsonValue({ maxDepth: 4 });
    const object = fc.dictionary(
      fc.string({ maxLength: 8 }).filter((key) => key !== '__proto__'),
      value,
      { maxKeys: 5 },
    );
    fc.assert(
      fc.property(
        object,
        fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 4 }),
        fc.constantFrom(0, 1, 3),
        (wanted, lengths, indent) => {
          const text = JSON.stringify(wanted, null, indent);
          expect(joined(cut(text, lengths))).toEqual(JSON.parse(text));
        },
      ),
      { numRuns: 300 },
    );
  });

  test('takes quotes and backslashes inside texts for what they are', () => {
    const text = String.raw`{"a":["\\","\"]","{[",{"b":"}"}]}`;
    expect(joined(cut(text, [1]))).toEqual(JSON.parse(text));
  });

  test('elements come with their list and place', () => {
    expect(cut('{"parts":[1,{"x":2}],"name":"n"}')).toEqual([
      { kind: 'element', key: 'parts', index: 0, value: 1 },
      { kind: 'element', key: 'parts', index: 1, value: { x: 2 } },
      { kind: 'value', key: 'name', value: 'n' },
    ]);
  });

  test.each([
    ['', 'file', /ends in the middle/],
    ['[1]', 'file', /"\[" stands where an object/],
    ['{"a":1,}', 'file', /"}" stands where a name/],
    ['{"a" 1}', 'a', /where a colon/],
    ['{"a":[1,]}', 'a[1]', /is not JSON/],
    ['{"a":[1 2]}', 'a[1]', /where a comma/],
    ['{"a":[{"x":nope}]}', 'a[0]', /is not JSON/],
    ['{"a":1}{', 'file', /nothing more/],
    ['{"a":1,"a":2}', 'file', /has "a" twice/],
    ['{"a":[{"x":1}', 'a[1]', /cut off/],
    ['{"a":"x', 'a', /cut off/],
  ])('%s is broken at %s', (text, path, message) => {
    const broken = cut(text).at(-1);
    expect(broken).toMatchObject({ kind: 'broken', path, message: expect.stringMatching(message) as unknown });
  });

  test('whatever is not JSON is refused, and never throws', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        let sound = true;
        try {
          const value: unknown = JSON.parse(text);
          sound = typeof value === 'object' && value !== null && !Array.isArray(value);
        } catch {
          sound = false;
        }
        const broken = cut(text, [2]).some((piece) => piece.kind === 'broken');
        // an object with a key twice is JSON to others and a mistake to us
        if (sound) return true;
        return broken;
      }),
    );
  });

  test('an element without end is refused before it fills the memory', () => {
    const cutter = jsonCutter();
    cutter.push('{"parts":["');
    const chunk = 'x'.repeat(1_000_000);
    let pieces: Piece[] = [];
    for (let i = 0; i < 9 && pieces.length === 0; i++) pieces = cutter.push(chunk);
    expect(pieces).toMatchObject([
      { kind: 'broken', path: 'parts[0]', message: expect.stringContaining('is longer than 8 million') as unknown },
    ]);
  });
});
