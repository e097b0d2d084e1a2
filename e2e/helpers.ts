import AxeBuilder from '@axe-core/playwright';
import { expect, type Locator, type Page } from './test';

export const SEAT = '/ninefathom/film-desk';
export const MOSAICS = '/ninefathom/sea-floor-mosaics';
export const BROADCAST = '/ninefathom/dive-broadcast';
export const BENCH = '/quillstone/proving-bench';
export const SONAR = '/ninefathom/sonar-ingest';

/** Opens a station of a seat, the film desk's first. */
export async function openSeat(
  page: Page,
  station: 'brief' | 'draft' | 'weigh' | 'rivals' | 'buy' | 'assemble',
  seat = SEAT,
): Promise<void> {
  await page.goto(`${seat}/${station}`);
  await settled(page);
}

/** What is judged is of what was pressed last. */
export const judged = (page: Page): Promise<void> =>
  expect(page.locator('.frame')).toHaveAttribute('aria-busy', 'false');

/** The ledger says that everything is saved, and all is judged. */
export async function settled(page: Page): Promise<void> {
  await expect(page.getByRole('status').filter({ hasText: /saved, revision/ })).toBeVisible();
  await judged(page);
}

export const findings = (page: Page, level: 'blocks' | 'unproven' | 'caution') =>
  page.getByRole('article', { name: new RegExp(`^${level}: `) });

/** A beam by the start of its sentence, as a screen reader gets it. */
export const beam = (page: Page, start: string) => page.getByLabel(new RegExp(`^${start}: `)).first();

/** A section of evidence, opened if it is closed. */
export async function opened(within: Page | Locator, label: string): Promise<Locator> {
  const section = within.getByRole('region', { name: label, exact: true });
  const line = section.getByRole('button').first();
  if ((await line.getAttribute('aria-expanded')) === 'false') await line.click();
  return section;
}

/** Opens every section of evidence. */
export async function openAll(page: Page): Promise<void> {
  const closed = page.locator('section > h2 > button[aria-expanded="false"]');
  while ((await closed.count()) > 0) await closed.first().click();
}

/** Through the door from the work to an empty brief. */
export async function startSeat(page: Page, seat: string): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: /^From the work/ }).click();
  await page.getByRole('button', { name: /^Something else/ }).click();
  await page.getByLabel('Seat', { exact: true }).fill(seat);
  await page.getByRole('button', { name: 'Make the brief' }).click();
}

/**
 * Shows the page in a theme, its colours at rest: half way they are nobody's. Motion is reduced, as its users may have
 * it, and what still moves is asked about again, since a transition that is cut short rejects and never ends.
 */
async function themed(page: Page, theme: 'light' | 'dark'): Promise<void> {
  await page.emulateMedia({ colorScheme: theme, reducedMotion: 'reduce' });
  await expect(page.locator('html')).toHaveAttribute('data-theme', theme);
  const moving = () => document.getAnimations().filter(({ playState }) => playState === 'running').length;
  await expect.poll(() => page.evaluate(moving)).toBe(0);
}

/** Words in drawings that nobody gave a colour: they are black in both themes, and the checker does not look at them. */
const unpainted = (): string[] =>
  [...document.querySelectorAll('svg text')]
    .filter((text) => getComputedStyle(text).fill === 'rgb(0, 0, 0)')
    .map((text) => text.textContent);

/**
 * Every rule of the checker, good practice too, or only those named: which are broken, and by what. A page without frames
 * is checked where it is: gathering what frames said in a page of its own took as long again.
 */
async function barriers(page: Page, rules: readonly string[] = []): Promise<string[]> {
  expect(page.frames()).toHaveLength(1);
  // it tells places in the page only of what breaks a rule
  const checker = new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ['violations'] });
  const { violations } = await (rules.length > 0 ? checker.withRules([...rules]) : checker).analyze();
  return [
    ...violations.flatMap(({ id, nodes }) => nodes.map(({ target }) => `${id}: ${target.join(' ')}`)),
    ...(await page.evaluate(unpainted)).map((text) => `words in a drawing without a colour of the theme: ${text}`),
  ];
}

/** No barrier that a checker finds on what the page shows now. */
export async function noBarriers(page: Page, what: string): Promise<void> {
  expect(await barriers(page), what).toEqual([]);
}

/** What a theme can change: all other rules find the same in both. */
const OF_COLOUR = ['color-contrast', 'link-in-text-block'];

/** No barrier that a checker finds, in either theme. */
export async function noBarriersInEither(page: Page, what: string): Promise<void> {
  await themed(page, 'dark');
  expect(await barriers(page, OF_COLOUR), `${what}, dark`).toEqual([]);
  await themed(page, 'light');
  await noBarriers(page, `${what}, light`);
}

/** Does something with the draft that is shown. */
export async function draftMenu(page: Page, what: string): Promise<void> {
  await page.getByRole('button', { name: 'More for this draft' }).click();
  await page.getByRole('menuitem', { name: what }).click();
}

/** Makes a seat, adds a task of a trade and brings a draft of another seat: from an empty page to a prediction. */
export async function seatOf(page: Page, seat: string, trade: string, draft: string): Promise<void> {
  await startSeat(page, seat);
  await expect(page).toHaveURL(/brief$/);
  await page.getByRole('button', { name: 'Add a task' }).click();
  await page.getByRole('menuitem', { name: trade }).click();
  await settled(page);
  await page.getByRole('link', { name: 'Draft', exact: true }).click();
  await draftMenu(page, 'Bring one from another seat …');
  // earlier tests open copies of seats in a project of their own
  await page.getByRole('button', { name: `${draft} Ninefathom Survey Cooperative`, exact: true }).click();
  await expect(page.getByRole('button', { name: draft.split(': ')[1] ?? '', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await page.getByRole('link', { name: 'Brief', exact: true }).click();
}

/** Sets a number in a sentence: one click, one value. */
export async function set(page: Page, task: string, label: string, value: string): Promise<void> {
  await page
    .getByRole('article', { name: task })
    .getByRole('button', { name: new RegExp(`^${label}: `) })
    .first()
    .click();
  const field = page.getByLabel(label, { exact: true });
  await field.fill(value);
  await field.press('Enter');
  await expect(field).toHaveCount(0);
}

export async function choose(page: Page, task: string, label: string, option: string): Promise<void> {
  await page
    .getByRole('article', { name: task })
    .getByRole('button', { name: new RegExp(`^${label}: `) })
    .first()
    .click();
  await page.getByRole('group', { name: label }).getByRole('button', { name: option, exact: true }).click();
}
