import { about, openApp } from './app';

/**
 * What is worked out of the film desk before it is asked for: its machines are searched for beside Draft A, a part is chosen
 * meanwhile, and when the frontier is there all else is asked: how long each answer takes then. Started by
 * `npm run bench ahead`.
 */
const { browser, address, close } = await openApp(4655);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.setDefaultTimeout(900_000);
const { region, station, draft } = about(page);
const together = region('Several parts at once');
const mend = region('Mend it all');
const why = region('Why this part and not that');

await page.goto(`${address}/ninefathom/film-desk/draft`);
await draft('Draft A');
await station('Brief');
await page.getByRole('button', { name: 'Find machines', exact: true }).click();
const started = performance.now();
const tell = (what: string, since: number): void =>
  console.log(`${what.padEnd(36)} ${((performance.now() - since) / 1000).toFixed(1).padStart(6)} s`);
await page.getByText('Proven: nothing better was missed.').first().waitFor();
tell('the cheapest machine', started);
await why.getByLabel('A part of the library').fill('Gale 12');
await page.getByRole('option', { name: 'Gale 12' }).first().click();
await page
  .getByRole('status')
  .filter({ hasText: /^Done: / })
  .waitFor();
tell('the frontier, and the best', started);

/** Asks, and tells how long the answer takes from then on. */
async function asked(where: ReturnType<typeof region>, button: string, says: RegExp): Promise<void> {
  const since = performance.now();
  await where.getByRole('button', { name: button, exact: true }).click();
  await where.getByRole('status').filter({ hasText: says }).first().waitFor();
  tell(button, since);
}
await asked(region('What each demand costs'), 'Work it out', /looked at/);
await asked(why, 'Weigh it', /^With /);
await asked(region('How sure the choice is'), 'Look into it', /Proven/);
await asked(region('One machine or two'), 'Share the sittings', /Proven/);
await station('Draft');
await asked(mend, 'Mend it all', /Proven/);
await station('Weigh');
if ((await together.getByRole('button', { name: 'Try them' }).count()) === 0)
  await together.getByRole('button').first().click();
await asked(together, 'Try them', /Proven|Mend it first/);
// a draft that nobody has looked at is begun when it is opened
await draft('Draft B');
await station('Weigh');
await asked(together, 'Try them', /Proven/);
await close();
