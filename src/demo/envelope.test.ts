import { allParts } from '@/core/model/catalogue';
import { describe, expect, test } from 'vitest';
import { contextOf } from '@/core/assess';
import { compileCatalogue } from '@/core/model/catalogue';
import { catalogueSchema } from '@/core/model/catalogueSchema';
import type { Part } from '@/core/parts';
import { rules } from '@/core/rules';
import { BLOCKS, envelopesOf } from '@/core/search/exact/envelope';
import { listed, optionOf, type Option } from '@/core/search/exact/option';
import { TOLD_OF_DEMANDS } from '@/core/search/exact/probes';
import { workOf } from '@/core/search/exact/question';
import { searchable } from '@/core/search/exact/searchable';
import { HOUSING } from '@/core/search/exact/unread';
import { rolling } from '@/core/tests/smallMarkets';
import { demoCatalogue } from './catalogue';
import { demoSeats } from './ninefathom';
import { DEMO_TODAY } from './seed';

const data = catalogueSchema.parse(demoCatalogue());
const context = contextOf(compileCatalogue(data), DEMO_TODAY);

test('an envelope has the best of each figure of those that are alike in all else', () => {
  const [card] = data.parts.filter((part) => part.kind === 'graphics');
  const as = (id: string, figures: Partial<Part>): Part => ({ ...card, ...figures, id }) as Part;
  const parts = [
    as('a', { memoryGiB: 8, memoryGBs: 500, fp32Tflops: 20, lengthMm: 240 } as Partial<Part>),
    as('b', { memoryGiB: 12, memoryGBs: 400, fp32Tflops: 22, lengthMm: 330 } as Partial<Part>),
    as('c', {
      memoryGiB: 16,
      memoryGBs: 400,
      fp32Tflops: 10,
      lengthMm: 200,
      computeStacks: ['another'],
    } as Partial<Part>),
  ];
  const choices = listed(parts.map((part, i) => optionOf('graphics', [{ part, leastMinor: i }])));
  const envelopes = envelopesOf([{ name: 'graphics', kinds: ['graphics'], choices }], context.catalogue);
  const made = envelopes.of(0, 0, 4);
  expect(made.map((option) => option.parts[0])).toEqual([
    expect.objectContaining({ memoryGiB: 12, memoryGBs: 500, fp32Tflops: 22 }),
    // it stands for itself
    parts[2],
  ]);
  const [first] = made;
  expect(envelopes.catalogue.part(first?.items[0]?.part ?? '')).toBe(first?.parts[0]);
  expect(envelopes.of(0, 4, 4)).toEqual([]);
  expect(envelopes.has(0)).toBe(true);
});

describe.each(demoSeats())('envelopes in the search of $seatId', ({ brief }) => {
  const asked = searchable(workOf(brief, context), context);
  const { positions } = asked.space;
  const { pick } = rolling(brief.tasks.length * 17 + brief.name.length);
  const optionsOf = (at: number): Option[] => {
    const options: Option[] = [];
    for (let option = positions[at]?.choices.at(0); option && options.length < 80;) {
      options.push(option);
      option = positions[at]?.choices.at(options.length);
    }
    return options;
  };

  test('bound the tasks no lower than any option that they stand for', () => {
    const wrong: string[] = [];
    let held = 0;
    for (const stage of asked.stages.filter(({ enveloped }) => enveloped))
      for (const at of stage.of.filter((position) => asked.envelopes?.has(position)))
        for (let trial = 0; trial < 4; trial++) {
          const others = new Map(stage.of.map((position) => [position, pick(optionsOf(position))]));
          const beside = (option: Option) =>
            stage.progress(stage.of.map((position) => (position === at ? option : (others.get(position) as Option))));
          const size = pick([...BLOCKS]);
          const index = size * pick([0, 1, 2]);
          const bounds = (asked.envelopes?.of(at, index, size) ?? []).map(beside);
          for (let i = index; i < index + size; i++) {
            const option = positions[at]?.choices.at(i);
            if (!option) break;
            held++;
            // the block is refused when all its envelopes are: one of them has to be as good
            const own = beside(option);
            const reached = bounds.some((bound) =>
              [...own].every(([task, made]) => (bound.get(task) ?? Infinity) >= made * (1 - 1e-9)),
            );
            if (!reached) wrong.push(`${positions[at]?.name ?? ''} ${i}`);
          }
        }
    expect(wrong).toEqual([]);
    expect(held).toBeGreaterThan(0);
  });

  test('read nothing of how a part is housed', () => {
    for (const stage of asked.stages.filter(({ enveloped }) => enveloped))
      for (const at of stage.of.filter((position) => asked.envelopes?.has(position))) {
        const others = new Map(stage.of.map((position) => [position, pick(optionsOf(position).slice(0, 20))]));
        const option = pick(optionsOf(at).filter(({ parts }) => parts.length > 0));
        const part = option.parts[0] as Part;
        const bare = Object.fromEntries(Object.entries(part).filter(([field]) => !HOUSING[part.kind]?.includes(field)));
        const stripped = { ...bare, id: `${part.id} stripped` } as unknown as Part;
        const fields = new Map<string, Part>(allParts(context.catalogue).map((known) => [known.id, known]));
        fields.set(stripped.id, stripped);
        const own = searchable(workOf(brief, context), {
          ...context,
          catalogue: { ...context.catalogue, part: (id) => fields.get(id) },
        });
        const again = own.stages.find(({ of }) => of.join() === stage.of.join());
        const put = (mine: Option) =>
          stage.of.map((position) => (position === at ? mine : (others.get(position) as Option)));
        const name = positions[at]?.name ?? '';
        const twin = optionOf(
          name,
          option.parts.map(() => ({ part: stripped, leastMinor: 0 })),
        );
        expect([...(again?.progress(put(twin)) ?? [])]).toEqual([...stage.progress(put(option))]);
      }
  });
});

test('only the rules that are told of the demands read them', async () => {
  const { readFileSync, readdirSync } = await import('node:fs');
  const files = readdirSync('src/core/rules', { recursive: true, encoding: 'utf8' }).filter(
    (file) => file.endsWith('.ts') && !file.endsWith('.test.ts') && file !== 'index.ts',
  );
  const told = files.flatMap((file) => {
    const text = readFileSync(`src/core/rules/${file}`, 'utf8');
    return text.includes('mustHaves') ? [...text.matchAll(/^ {2}id: '([^']+)'/gm)].map(([, id]) => id) : [];
  });
  expect(told.length).toBeGreaterThan(5);
  expect(told.filter((id) => id !== undefined && !TOLD_OF_DEMANDS.has(id))).toEqual([]);
  expect([...TOLD_OF_DEMANDS].filter((id) => !rules.some((rule) => rule.id === id))).toEqual([]);
});
