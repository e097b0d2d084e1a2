import { expect, test, type Page } from './test';
import { draftMenu, findings, judged, MOSAICS, openSeat, settled, opened } from './helpers';

/** Every value that a station shows under a name, and where. */
class Shown {
  private readonly values = new Map<string, Map<string, string[]>>();

  add(name: string, value: string | undefined, where: string): void {
    if (value === undefined) return;
    const of = this.values.get(name) ?? new Map<string, string[]>();
    this.values.set(name, of.set(value, [...(of.get(value) ?? []), where]));
  }

  /** Names that have two values, with where each stands. */
  get differing(): string[] {
    return [...this.values]
      .filter(([, of]) => of.size > 1)
      .map(
        ([name, of]) => `${name}: ${[...of].map(([value, where]) => `${value} (${where.join(', ')})`).join(' but ')}`,
      );
  }

  /** How many places show what so ends. */
  places(end: string): number[] {
    return [...this.values].filter(([name]) => name.endsWith(end)).map(([, of]) => [...of.values()].flat().length);
  }
}

const found = (text: string | null, pattern: RegExp): string | undefined => pattern.exec(text ?? '')?.[1];

/** What the ledger, below every station, says of the draft that is open. */
async function ledger(page: Page, draft: string, where: string, shown: Shown): Promise<void> {
  const text = await page.getByRole('contentinfo', { name: 'Ledger' }).innerText();
  shown.add(`${draft} price`, found(text, /([\d,.]+ [A-Z]{3}) landed/), `${where} ledger`);
  shown.add(`${draft} sustained`, found(text, /([\d,.]+ k?W) sustained/), `${where} ledger`);
  shown.add(`${draft} peak`, found(text, /([\d,.]+ k?W) peak/), `${where} ledger`);
}

const go = async (page: Page, station: string) => {
  await page.getByRole('link', { name: station, exact: true }).click();
  await expect(page).toHaveURL(new RegExp(`/${station.toLowerCase()}$`));
};

test('each price, draw and temperature has one value on all stations, for every demo draft', async ({ page }) => {
  test.setTimeout(420_000);
  const shown = new Shown();
  await page.goto('/');
  await expect(page.getByRole('article', { name: 'Office' })).toBeVisible();
  const seats = await page.getByRole('article').evaluateAll((articles) =>
    articles.flatMap((article) => {
      const chips = [...article.querySelectorAll('a[href*="/draft?draft="]')];
      const path = chips[0]?.getAttribute('href')?.replace(/\?.*/, '');
      const drafts = chips.map((chip) => ({
        name: chip.querySelector('h3')?.textContent ?? '',
        text: chip.querySelector('h3 + span')?.textContent ?? '',
      }));
      return path === undefined || !path.startsWith('/ninefathom/') ? [] : [{ path, drafts }];
    }),
  );
  expect(seats.length).toBeGreaterThanOrEqual(8);
  for (const { path, drafts } of seats) {
    const seat = path.split('/')[2] ?? '';
    await page.goto(path);
    await settled(page);
    for (const { name, text } of drafts) {
      const draft = `${seat}, ${name}:`;
      shown.add(`${draft} price`, text === 'owned' ? undefined : `${found(text, /([\d,]+\.\d+)/)} USD`, 'Desk');
      await go(page, 'Draft');
      await page.getByRole('button', { name, exact: true }).first().click();
      await judged(page);
      await ledger(page, draft, 'Draft', shown);
      for (const beam of await page.getByLabel(/^(Processor|Card) heat: /).all()) {
        const label = await beam.getAttribute('aria-label');
        shown.add(
          `${draft} ${found(label, /^(Processor) heat/) ?? 'card'} °C`,
          found(label, /reaches ((?:at least )?[\d.]+ °C)/),
          'Draft beam',
        );
      }
      await go(page, 'Buy');
      await ledger(page, draft, 'Buy', shown);
      const bought = page.getByRole('heading', { level: 1 }).filter({ hasText: 'landed' });
      if (await bought.count())
        shown.add(`${draft} price`, found(await bought.innerText(), /([\d,.]+ [A-Z]{3}) landed/), 'Buy');
      await go(page, 'Rivals');
      await ledger(page, draft, 'Rivals', shown);
      const landed = page.getByRole('row', { name: /^Landed, tax and shipping in/ });
      if (await landed.count())
        shown.add(
          `${draft} price`,
          found(await landed.first().innerText(), /in\s+(?:at least )?([\d,.]+ [A-Z]{3})/),
          'Rivals',
        );
    }
    await go(page, 'Weigh');
    const table = page.getByRole('table').filter({ has: page.getByRole('row', { name: /^Draw / }) });
    const names = await table.locator('thead th').allInnerTexts();
    const cells = async (row: RegExp) => table.getByRole('row', { name: row }).first().locator('td').allInnerTexts();
    const prices = await cells(/^Price, landed/);
    const draws = await cells(/^Draw /);
    const warm = await cells(/^Heat and noise/);
    for (const { name } of drafts) {
      const i = names.findIndex((head) => head.trim().startsWith(name)) - 1;
      expect(i, `${seat}: ${name} has a column on Weigh`).toBeGreaterThanOrEqual(0);
      const draft = `${seat}, ${name}:`;
      shown.add(`${draft} price`, found(prices[i] ?? '', /([\d,]+\.\d+ [A-Z]{3})/), 'Weigh');
      shown.add(`${draft} sustained`, found(draws[i] ?? '', /([\d,.]+ k?W) sustained/), 'Weigh');
      shown.add(`${draft} peak`, found(draws[i] ?? '', /([\d,.]+ k?W) peak/), 'Weigh');
      shown.add(`${draft} Processor °C`, found(warm[i] ?? '', /processor ((?:at least )?[\d.]+ °C)/), 'Weigh');
    }
  }
  expect(shown.differing).toEqual([]);
  // what is held equal was seen in more than one place: else nothing was compared
  for (const end of [' sustained', ' peak', ' price']) {
    const places = shown.places(end);
    expect(places.length).toBeGreaterThanOrEqual(14);
    expect(Math.min(...places), end).toBeGreaterThanOrEqual(3);
  }
  expect(shown.places(' Processor °C').filter((places) => places === 2).length).toBeGreaterThanOrEqual(8);
});

test('two drafts differ by the same sum on Compare and on Weigh', async ({ page }) => {
  await page.goto('/ninefathom/film-desk/draft');
  await settled(page);
  const sum = (text: string) => found(text, /([+−][\d,.]+)\s*(?:[A-Z]{3})?\s*$/);
  await page.getByRole('button', { name: 'Draft A', exact: true }).first().click();
  await draftMenu(page, 'Compare with another');
  await page
    .getByRole('group', { name: 'Draft to compare with' })
    .getByRole('button', { name: 'Draft B', exact: true })
    .click();
  const compared = sum(await page.getByRole('row', { name: /^Landed, as one basket/ }).innerText());
  await go(page, 'Weigh');
  await page.getByRole('button', { name: 'Draft A', exact: true }).first().click();
  const weighed = await opened(page, 'Head to head');
  await expect(weighed).toContainText('Draft B − Draft A');
  expect(compared).toBeDefined();
  expect(sum(await weighed.getByRole('row', { name: /^Landed price, draw, noise/ }).innerText())).toBe(compared);
});

test('a clock is the same in the finding, on the map, beside the task and after an hour', async ({ page }) => {
  const shown = new Shown();
  await openSeat(page, 'draft', MOSAICS);
  await page.getByRole('button', { name: 'Six fans', exact: true }).click();
  await judged(page);
  const held = findings(page, 'caution').filter({ hasText: /keeps [\d.]+ of [\d.]+\sGHz/ });
  shown.add('full GHz', found(await held.innerText(), /keeps [\d.]+ of ([\d.]+)\sGHz/), 'finding');
  await page.getByRole('button', { name: 'Heat and air', exact: true }).click();
  for (const sitting of ['Aligning', 'Meshing', 'Rendering']) {
    await page.getByRole('button', { name: /^Heat of: / }).click();
    await page.getByRole('button', { name: sitting, exact: true }).click();
    const chip = page.getByRole('button', { name: /^Halcyte Tern 16, / });
    shown.add(`${sitting} kept`, found(await chip.innerText(), /(\d+) % clock/), 'map');
  }
  await go(page, 'Weigh');
  for (const [task, sitting] of [
    ['Align the stills', 'Aligning'],
    ['Lay pictures over the mesh', 'Meshing'],
    ['Render the fly-through', 'Rendering'],
  ] as const) {
    await page.getByRole('button', { name: task, exact: true }).click();
    const panel = page.getByRole('region', { name: 'Stages and next coin' });
    await expect(panel.getByRole('heading', { name: `The first hour of ${sitting}, from cold` })).toBeVisible();
    shown.add(`${sitting} kept`, found(await panel.innerText(), /keeps (\d+) % of its clock/), 'Weigh');
    const cell = (moment: string) =>
      panel
        .getByRole('row', { name: new RegExp(`^${moment}`) })
        .getByRole('cell')
        .nth(1)
        .innerText();
    const [cold, hour] = [await cell('first seconds'), await cell('an hour')];
    shown.add('full GHz', cold, `first seconds of ${sitting}`);
    shown.add(`${sitting} kept`, String(Math.round((Number(hour) / Number(cold)) * 100)), 'after an hour');
  }
  expect(shown.differing).toEqual([]);
  expect(shown.places('full GHz')).toEqual([4]);
  expect(shown.places(' kept')).toEqual([3, 3, 3]);
});

test('an owned system that is not activated here is named beside the total, in the ledger’s why and on Buy', async ({
  page,
}) => {
  await openSeat(page, 'draft');
  const ledgerPrice = page.getByRole('contentinfo', { name: 'Ledger' }).getByRole('button').first();
  await expect(ledgerPrice).not.toContainText('at least');
  await page.getByRole('button', { name: /^Slipway System One-seat/ }).click();
  await page.getByRole('button', { name: 'Already owned' }).click();
  await settled(page);
  await expect(ledgerPrice).toContainText('at least');
  await ledgerPrice.click();
  const lacking = 'Not in the total: a licence for the system, which is owned and not activated here.';
  await expect(page.getByRole('dialog')).toContainText(lacking);
  await page.keyboard.press('Escape');
  await go(page, 'Buy');
  await expect(page.getByText(lacking)).toBeVisible();
  await go(page, 'Draft');
  await page.getByRole('button', { name: /^Undo: / }).click();
  await settled(page);
  await expect(ledgerPrice).not.toContainText('at least');
});
