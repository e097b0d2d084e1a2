import { gzipSync } from 'node:zlib';
import { expect, test, type Locator, type Page } from './test';
import { noBarriers, openSeat, SEAT, settled } from './helpers';

const grid = (page: Page) => page.getByRole('grid', { name: 'Parts' });
const heads = (page: Page) => grid(page).getByRole('columnheader');
const notice = (page: Page) => page.getByRole('status').filter({ has: page.locator('.MuiSnackbarContent-message') });

/** Takes hold of something by its grip and moves it by the keyboard, so many places down. */
async function moveDown(page: Page, grip: Locator, places: number): Promise<void> {
  await grip.focus();
  await page.keyboard.press('Space');
  // the list says where it is held before the next step counts
  let said = '';
  for (let i = 0; i < places; i++) {
    await expect(page.getByText(/ is over /)).not.toHaveText(said);
    said = (await page.getByText(/ is over /).textContent()) ?? '';
    await page.keyboard.press('ArrowDown');
    await expect(page.getByText(/ is over /)).not.toHaveText(said);
  }
  await page.keyboard.press('Space');
}

test.describe('the library in one’s own order', () => {
  test('drives stand side by side: the better end of each figure is marked, unknown wins nothing', async ({ page }) => {
    await page.goto('/library?kind=drive&q=rill');
    await page.getByRole('checkbox', { name: 'Dromolite Rill 1 TB side by side', exact: true }).check();
    const beside = page.getByRole('button', { name: /^Side by side/ });
    await expect(beside).toBeDisabled();
    // by keyboard: the third row
    await grid(page).focus();
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Space');
    await expect(page.getByRole('checkbox', { name: 'Dromolite Rill 2 TB side by side', exact: true })).toBeChecked();
    await beside.click();
    const view = page.getByRole('region', { name: 'Side by side' });
    await expect(view.getByRole('heading', { level: 1 })).toHaveText(
      /^2 × drive: \d+ figures differ, \d+ are the same$/,
    );
    const row = (name: string) => view.getByRole('row', { name: new RegExp(`^${name}`) });
    await expect(row('capacity').getByRole('cell')).toHaveText(['1,000', '▲ 2,000 (best)']);
    await expect(row('landed price').getByRole('cell').first()).toHaveText(/^▲ 64\.29 \(best\)$/);
    await expect(row('evidence: return rate').getByRole('cell').first()).toHaveText('unknown');
    await expect(row('interface')).toHaveCount(0);
    await view.getByRole('switch', { name: 'show the same ones too' }).check();
    await expect(row('interface').getByRole('cell')).toHaveText(['NVMe', 'NVMe']);
    await noBarriers(page, 'side by side');
    // it stands in the address, and a sheet opens beside it
    await page.reload();
    await view.getByRole('button', { name: 'Dromolite Rill 2 TB', exact: true }).click();
    await expect(page.getByRole('complementary', { name: 'Sheet of the part' })).toContainText('Rill 2 TB');
    await view.getByRole('button', { name: 'Leave Dromolite Rill 2 TB out' }).click();
    await page.getByRole('button', { name: 'Back to the list' }).first().click();
    await expect(grid(page)).toBeVisible();
  });

  test('boards show their slots side by side; a part of another kind begins anew', async ({ page }) => {
    await page.goto('/library?kind=board');
    const boxes = grid(page).getByRole('checkbox');
    await boxes.nth(0).check();
    await boxes.nth(1).check();
    await page.getByRole('button', { name: 'Side by side (2)' }).click();
    const view = page.getByRole('region', { name: 'Side by side' });
    await view.getByRole('switch', { name: 'show the same ones too' }).check();
    await expect(view.getByRole('row', { name: /^memory slots/ }).first()).toBeVisible();
    await expect(view.getByRole('table').first()).toContainText(/slots/);
    await page.getByRole('button', { name: 'Back to the list' }).click();
    await page.getByRole('combobox', { name: /^Kind/ }).selectOption('case');
    // rows of the kind before stay until the others are there
    await expect(boxes.nth(0)).not.toBeChecked();
    await boxes.nth(0).check();
    await expect(notice(page)).toContainText('Only parts of one kind stand side by side');
    await expect(page.getByRole('button', { name: 'Side by side (1)' })).toBeVisible();
  });

  test('columns are moved by the keyboard, and widths stay as they were set', async ({ page }) => {
    await page.goto('/library?kind=cooler');
    await expect(heads(page).nth(1)).toContainText('maker');
    await page.getByRole('button', { name: 'Columns' }).click();
    await moveDown(page, page.getByRole('button', { name: 'Move maker' }), 1);
    await expect(page).toHaveURL(/columns=name%2Cmaker/);
    await page.keyboard.press('Escape');
    await expect(heads(page).nth(1)).toContainText('name');
    const edge = page.getByRole('separator', { name: 'Width of name' });
    const before = Number(await edge.getAttribute('aria-valuenow'));
    await edge.focus();
    await page.keyboard.press('ArrowRight');
    await expect(edge).toHaveAttribute('aria-valuenow', String(before + 12));
    // and by the pointer
    const box = await edge.boundingBox();
    if (!box) throw new Error('the edge is drawn');
    await page.mouse.move(box.x + 3, box.y + 8);
    await page.mouse.down();
    await page.mouse.move(box.x + 63, box.y + 8, { steps: 4 });
    await page.mouse.up();
    await expect(edge).toHaveAttribute('aria-valuenow', String(before + 72));
    await page.reload();
    await expect(edge).toHaveAttribute('aria-valuenow', String(before + 72));
  });

  test('scrolled sideways, names stay in sight, and what is reached by the keyboard comes beside them', async ({
    page,
  }) => {
    await page.setViewportSize({ width: 1024, height: 700 });
    await page.goto('/library?kind=drive');
    const name = grid(page).getByRole('row').nth(3).getByRole('gridcell').nth(2);
    await expect(name).toContainText('TB');
    const [last, price] = [grid(page).getByRole('textbox').last(), page.getByLabel('Filter landed price')];
    await expect(last).not.toBeInViewport();
    await last.focus();
    await expect(last).toBeInViewport({ ratio: 1 });
    await expect(name).toBeInViewport({ ratio: 1 });
    const inSight = async (of: Locator) => (await of.boundingBox()) ?? { x: NaN, width: NaN };
    const named = await inSight(name);
    // back again: the first that is scrolled comes out from under the names
    await expect.poll(async () => (await inSight(price)).x).toBeLessThan(named.x + named.width);
    await price.focus();
    await expect.poll(async () => (await inSight(price)).x).toBeGreaterThanOrEqual(named.x + named.width - 1);
    // the edge says that more lies beyond where something does, and nowhere else
    const beyond = () =>
      page.locator('.grid-scroll').evaluate((scroller) => ({
        px: scroller.scrollWidth - scroller.clientWidth,
        shaded: scroller.nextElementSibling !== null,
      }));
    const narrow = await beyond();
    expect(narrow.px).toBeGreaterThan(100);
    expect(narrow.shaded).toBe(true);
    await page.setViewportSize({ width: 1600, height: 700 });
    await expect.poll(beyond).toEqual({ px: 0, shaded: false });
  });
});

test.describe('hands on the brief', () => {
  test('a task is moved to another sitting with the pointer, and comes back by undo', async ({ page }) => {
    await openSeat(page, 'brief');
    const sitting = (name: string) => page.getByRole('region', { name: `Sitting ${name}` });
    await expect(sitting('Cutting').getByRole('article', { name: 'Desk base' })).toBeVisible();
    const grip = await page.getByRole('button', { name: 'Move Desk base' }).boundingBox();
    const target = await sitting('Grading').getByRole('heading', { level: 2 }).boundingBox();
    if (!grip || !target) throw new Error('both are drawn');
    await page.mouse.move(grip.x + 8, grip.y + 8);
    await page.mouse.down();
    await page.mouse.move(grip.x + 12, grip.y + 40, { steps: 4 });
    await page.mouse.move(target.x + 20, target.y + 6, { steps: 8 });
    await page.mouse.up();
    await expect(sitting('Grading').getByRole('article').first()).toHaveAccessibleName('Desk base');
    await settled(page);
    await page.getByRole('button', { name: 'Undo: Move Desk base' }).click();
    await expect(sitting('Cutting').getByRole('article', { name: 'Desk base' })).toBeVisible();
    await expect(notice(page)).toHaveText('Undone: Move Desk base');
  });

  test('a day is typed or picked, and kept', async ({ page }) => {
    await openSeat(page, 'brief');
    await page.getByRole('button', { name: 'all terms' }).click();
    await page.getByRole('button', { name: /^Needed by: / }).click();
    const field = page.getByRole('group', { name: 'Needed by' });
    await field.getByRole('spinbutton', { name: 'Day' }).click();
    // half a day is none: nothing is kept until it is meant
    await page.keyboard.press('Backspace');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByRole('alert').filter({ hasText: 'Type a whole day' })).toBeVisible();
    await expect(
      page.getByRole('button', { name: 'Needed by: by 2026-06-12. Change.', includeHidden: true }),
    ).toBeAttached();
    // nor is one of which only the year was typed, where none stood
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: /^Needed by: / }).click();
    await field.getByRole('spinbutton', { name: 'Day' }).click();
    await page.keyboard.press('ControlOrMeta+a');
    await page.keyboard.press('Delete');
    await page.keyboard.type('2027');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByRole('alert').filter({ hasText: 'Type a whole day' })).toBeVisible();
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: /^Needed by: / }).click();
    await field.getByRole('spinbutton', { name: 'Day' }).click();
    await page.keyboard.type('19');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(
      page.getByRole('button', { name: 'Needed by: by 2026-06-19. Change.', includeHidden: true }),
    ).toBeAttached();
    await page.getByRole('button', { name: /^Needed by: / }).click();
    await page.getByRole('button', { name: /^Choose date/ }).click();
    await page.getByRole('gridcell', { name: '12', exact: true }).click();
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await settled(page);
    await page.reload();
    // the terms stay open, as they were left
    await expect(page.getByRole('button', { name: 'Needed by: by 2026-06-12. Change.' })).toBeVisible();
  });

  test('a value that is out of range says which it may be, and what was typed stays', async ({ page }) => {
    await openSeat(page, 'brief');
    await page
      .getByRole('button', { name: /^Hours a week: / })
      .first()
      .click();
    const field = page.getByLabel('Hours a week', { exact: true });
    await field.fill('200');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert').filter({ hasText: 'Between' })).toContainText('168 h a week');
    await expect(field).toHaveValue('200');
    await page.keyboard.press('Escape');
    await expect(field).toHaveCount(0);
  });
});

test('help says of each place what it answers; its words and keys stand beside', async ({ page }) => {
  const help = page.getByRole('dialog', { name: 'Help' });
  for (const [path, asks] of [
    ['/', 'Which seat needs me?'],
    ['/library', 'What parts are there'],
    ['/workshop', 'What holds for all seats?'],
    [`${SEAT}/buy`, 'Where is it bought'],
    [`${SEAT}/draft`, 'Does it fit together'],
  ] as const) {
    await page.goto(path);
    await page.getByRole('button', { name: 'Help' }).click();
    await expect(help).toContainText(asks);
    await page.keyboard.press('Escape');
    await expect(help).toHaveCount(0);
  }
  await page.keyboard.press('?');
  await expect(help).toContainText('Ctrl or ⌘ K');
  await help.getByRole('tab', { name: 'Words' }).click();
  await expect(help).toContainText('tasks that run at the same time');
  await noBarriers(page, 'help');
});

const STATIONS = ['brief', 'draft', 'weigh', 'rivals', 'buy', 'assemble'] as const;

/** What of a page nobody could bring into view; runs in the page. */
function outOfReach(): string[] {
  const said: string[] = [];
  const root = document.scrollingElement;
  if (root && root.scrollWidth > root.clientWidth)
    said.push(`the page scrolls sideways by ${root.scrollWidth - root.clientWidth} px`);
  /** Whether somebody can bring it into view: it is there, or something around it scrolls that way. */
  const reached = (element: Element): boolean => {
    const box = element.getBoundingClientRect();
    let [right, bottom, left] = [box.right, box.bottom, box.left];
    for (let around = element.parentElement; around; around = around.parentElement) {
      const { overflowX, overflowY } = getComputedStyle(around);
      const frame = around.getBoundingClientRect();
      if (/auto|scroll/.test(overflowX)) [left, right] = [frame.left, frame.right];
      if (/auto|scroll/.test(overflowY)) bottom = frame.bottom;
    }
    return left > -1 && right < innerWidth + 1 && bottom < innerHeight + 1;
  };
  for (const control of document.querySelectorAll('button, a[href], input, select, [role=option], [tabindex="0"]')) {
    if (control.closest('.sr-only') || !control.checkVisibility({ visibilityProperty: true })) continue;
    const { width, height } = control.getBoundingClientRect();
    if (width > 1 && height > 1 && !reached(control))
      said.push(`${control.getAttribute('aria-label') ?? control.textContent.slice(0, 40)} is out of reach`);
  }
  return said;
}

test('at 1024 × 700 everything can be reached and nothing is cut off', async ({ page }) => {
  await page.setViewportSize({ width: 1024, height: 700 });
  for (const path of ['/', '/library?kind=drive', '/workshop', ...STATIONS.map((station) => `${SEAT}/${station}`)]) {
    await page.goto(path);
    if (path.startsWith(SEAT)) await settled(page);
    else await expect(page.getByRole('main')).toBeVisible();
    expect(await page.evaluate(outOfReach), path).toEqual([]);
  }
  // it would find one
  await page.evaluate(() => {
    const lost = document.createElement('button');
    lost.textContent = 'lost';
    lost.style.cssText = 'position: fixed; left: 1020px; top: 10px; width: 90px';
    document.body.append(lost);
  });
  expect(await page.evaluate(outOfReach)).toEqual(['lost is out of reach']);
});

/**
 * Rules that components brought into the page, and those of them in a layer: one that comes there later has the browser
 * find its fonts anew and lay out all of the page. Runs in the page.
 */
function brought(): { rules: number; layered: string[] } {
  const rules = [...document.styleSheets]
    .filter(({ ownerNode }) => ownerNode instanceof HTMLStyleElement)
    .flatMap(({ cssRules }) => [...cssRules]);
  return {
    rules: rules.length,
    layered: rules.filter((rule) => rule instanceof CSSLayerBlockRule).map(({ cssText }) => cssText.slice(0, 60)),
  };
}

test('the first page fetches under 350 kB of scripts, every other under 500; components come in no layer', async ({
  page,
}) => {
  for (const [path, most] of [
    ['/', 350],
    ['/library', 500],
    ['/workshop', 500],
    ...STATIONS.map((station) => [`${SEAT}/${station}`, 500] as const),
  ] as const) {
    await page.goto(path, { waitUntil: 'networkidle' });
    // what is fetched in advance waits until the page has rested for 2.5 s, from its load event on
    const scripts = await page.evaluate(() => {
      const [navigation] = performance.getEntriesByType('navigation') as PerformanceNavigationTiming[];
      const rested = (navigation?.loadEventStart ?? 0) + 2500;
      return (
        performance
          .getEntriesByType('resource')
          .filter(({ startTime }) => startTime < rested)
          // what a worker is made of is the worker's own
          .filter((entry) => (entry as PerformanceResourceTiming).initiatorType !== 'other')
          .map(({ name }) => name)
          .filter((name) => new URL(name).pathname.endsWith('.js'))
      );
    });
    let bytes = 0;
    for (const script of new Set(scripts)) bytes += gzipSync(await (await page.request.get(script)).body()).length;
    // all that a page begins with is compiled as it arrives
    const sent = await (await page.request.get(path)).text();
    const first = [...sent.matchAll(/<script src="([^"]+)"(?![^>]*nomodule)/gi)].map(([, script]) => script ?? '');
    expect(first.length, path).toBeGreaterThan(10);
    for (const script of first)
      expect(await (await page.request.get(script)).text(), script).toMatch(/^\/\/# allFunctionsCalledOnLoad\n/);
    expect(bytes, path).toBeGreaterThan(100e3);
    expect(bytes / 1000, path).toBeLessThan(most);
    const { rules, layered } = await page.evaluate(brought);
    expect(rules, path).toBeGreaterThan(20);
    expect(layered, path).toEqual([]);
  }
});

test('a page is asked for when its link is pointed to or reached by the keyboard, and not before', async ({ page }) => {
  const ahead = new Set<string>();
  page.on('request', (request) => {
    if (request.headers()['next-router-prefetch']) ahead.add(new URL(request.url()).pathname);
  });
  await openSeat(page, 'brief');
  await page.waitForLoadState('networkidle');
  expect([...ahead]).toEqual([]);
  await page.getByRole('link', { name: 'Weigh', exact: true }).hover();
  await expect.poll(() => [...ahead]).toEqual([`${SEAT}/weigh`]);
  await page.getByRole('link', { name: 'Buy', exact: true }).focus();
  await expect.poll(() => [...ahead]).toEqual([`${SEAT}/weigh`, `${SEAT}/buy`]);
});
