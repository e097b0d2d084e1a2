import { about, openApp } from './app';

/**
 * All that can be asked of the film desk, asked at once while its machines are searched for: when each answer is there,
 * and when the frontier is. What is asked last is answered first, so the frontier comes last. Started by `npm run bench atOnce`.
 */
const { browser, address, close } = await openApp(4655);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.setDefaultTimeout(900_000);
const { region, station, draft } = about(page);

await page.goto(`${address}/ninefathom/film-desk/brief`);
await page.getByRole('button', { name: 'Find machines', exact: true }).click();
const started = performance.now();
const seconds = (): string => `${((performance.now() - started) / 1000).toFixed(1).padStart(6)} s`;
await page.getByText('Proven: nothing better was missed.').first().waitFor();
console.log(`the cheapest machine                ${seconds()}`);

await region('What each demand costs').getByRole('button', { name: 'Work it out' }).click();
const why = region('Why this part and not that');
await why.getByLabel('A part of the library').fill('Gale 12');
await page.getByRole('option', { name: 'Gale 12' }).first().click();
await why.getByRole('button', { name: 'Weigh it' }).click();
await region('How sure the choice is').getByRole('button', { name: 'Look into it' }).click();
await region('One machine or two').getByRole('button', { name: 'Share the sittings' }).click();
await draft('Draft B');
await station('Weigh');
const together = region('Several parts at once');
if ((await together.getByRole('button', { name: 'Try them' }).count()) === 0)
  await together.getByRole('button').first().click();
await together.getByRole('button', { name: 'Try them' }).click();
await draft('Draft A');
await region('Mend it all').getByRole('button', { name: 'Mend it all' }).click();
console.log(`all of it asked                     ${seconds()}`);

await region('Mend it all').getByRole('status').filter({ hasText: 'Proven' }).waitFor();
console.log(`Draft A mended                      ${seconds()}`);
await draft('Draft B');
await station('Weigh');
await together.getByRole('status').filter({ hasText: 'Proven' }).waitFor();
console.log(`several parts at once, from Draft B ${seconds()}`);
await station('Brief');
const there = async (name: string, says: RegExp): Promise<void> => {
  await region(name).getByRole('status').filter({ hasText: says }).first().waitFor();
  console.log(`${name.padEnd(35)} ${seconds()}`);
};
await Promise.all([
  there('One machine or two', /Proven/),
  there('How sure the choice is', /Proven/),
  there('Why this part and not that', /^With /),
  there('What each demand costs', /looked at/),
  page
    .getByRole('status')
    .filter({ hasText: /^Done: / })
    .waitFor()
    .then(() => console.log(`the frontier, and the best          ${seconds()}`)),
]);
await close();
