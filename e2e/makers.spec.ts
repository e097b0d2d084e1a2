import { expect, test } from './test';
import { beam, choose, seatOf, set } from './helpers';

test.describe('a new seat of each trade that makes things, from an empty page to a prediction', () => {
  test('CAD: turning, rebuilding and computing', async ({ page }) => {
    await seatOf(page, 'Drawing room', 'Turn an assembly', 'Rig design: Fast core, certified card');
    await expect(beam(page, 'Turn the assembly')).toHaveAttribute('aria-label', /of 30 frames per second, carries/);
    await set(page, 'Turn the assembly', 'Triangles', '200');
    await expect(beam(page, 'Turn the assembly')).toHaveAttribute('aria-label', /falls short/);
    await page.getByRole('button', { name: 'Add a task' }).click();
    await page.getByRole('menuitem', { name: 'Rebuild, open, draw' }).click();
    await set(page, 'Rebuild the model', 'Features', '4000');
    await expect(beam(page, 'Rebuild the model')).toHaveAttribute(
      'aria-label',
      /takes .* of 10 s allowed, falls short/,
    );
    await page.getByRole('button', { name: 'Add a task' }).click();
    await page.getByRole('menuitem', { name: 'Compute stresses' }).click();
    await expect(beam(page, 'Stress of the plate')).toHaveAttribute('aria-label', /carries/);
    await choose(page, 'Stress of the plate', 'Mesh', 'shell');
    await set(page, 'Stress of the plate', 'Unknowns', '30000');
    await page.getByRole('link', { name: 'Weigh', exact: true }).click();
    await page.getByRole('button', { name: 'Stress of the plate', exact: true }).click();
    await expect(page.getByText(/^Unknowns of .* lies outside 1 to/)).toBeVisible();
  });

  test('rendering: a scene beyond graphics memory falls off a cliff', async ({ page }) => {
    await seatOf(page, 'Render room', 'Render pictures', 'Sea-floor mosaics: Put right');
    const name = () => beam(page, 'Render a fly-through').getAttribute('aria-label');
    await expect(beam(page, 'Render a fly-through')).toHaveAttribute('aria-label', /of 10 h allowed, carries/);
    const before = await name();
    await set(page, 'Render a fly-through', 'Textures', '40');
    await expect.poll(name).not.toBe(before);
    await expect(page.getByRole('row', { name: /^graphics memory \d/ })).toContainText('48 GB');
  });

  test('photogrammetry: memory follows the images and the block', async ({ page }) => {
    await seatOf(page, 'Survey room', 'Stills into a model', 'Sea-floor mosaics: Put right');
    await expect(beam(page, 'Build the mosaic')).toHaveAttribute('aria-label', /of 6 h allowed/);
    await set(page, 'Build the mosaic', 'Points meshed at a time', '400');
    await expect(page.getByRole('row', { name: /^memory \d/ })).toContainText(/2 × \d+ GB/);
  });

  test('learning: what does not fit does not run, and says by how much', async ({ page }) => {
    await seatOf(page, 'Learning room', 'Train a text model', 'Plankton lab: One large card');
    await expect(beam(page, 'Fine-tune a text model')).toHaveAttribute('aria-label', /carries/);
    await choose(page, 'Fine-tune a text model', 'What is trained', 'all of it');
    await expect(page.getByRole('article', { name: 'Fine-tune a text model' })).toContainText('104 GB of states');
    await expect(beam(page, 'Fine-tune a text model')).toHaveAttribute(
      'aria-label',
      /does not run\. It needs 10\d GB of graphics memory at once and finds 24 GB/,
    );
    await page.getByRole('link', { name: 'Weigh', exact: true }).click();
    await expect(page.getByRole('region', { name: 'How much would run' })).toContainText(/Largest .*: \d/);
  });

  test('images, answers and tables', async ({ page }) => {
    await seatOf(page, 'Answer room', 'Serve a text model', 'Plankton lab: One large card');
    await expect(beam(page, 'Answer the team')).toHaveAttribute('aria-label', /of 12 tokens per second, carries/);
    await set(page, 'Answer the team', 'Users at once', '60');
    await expect(beam(page, 'Answer the team')).toHaveAttribute('aria-label', /does not run/);
    await page.getByRole('button', { name: 'Add a task' }).click();
    await page.getByRole('menuitem', { name: 'Train an image model' }).click();
    await expect(beam(page, 'Train a classifier')).toHaveAttribute('aria-label', /of 8 h allowed/);
    await page.getByRole('button', { name: 'Add a task' }).click();
    await page.getByRole('menuitem', { name: 'Work over tables' }).click();
    await set(page, 'Work over the survey tables', 'Passes', '200');
    await expect(beam(page, 'Work over the survey tables')).toHaveAttribute('aria-label', /of 10 min allowed/);
  });

  test('layers and stills', async ({ page }) => {
    await seatOf(page, 'Title room', 'Animate layers', 'Film desk: Draft B');
    await expect(beam(page, 'Preview of the titles')).toHaveAttribute('aria-label', /of 60 s allowed/);
    await set(page, 'Preview of the titles', 'Kept ready', '60');
    await choose(page, 'Preview of the titles', 'Bits a channel', '32 bits');
    // 1,500 frames of 133 MB
    await expect(page.getByRole('row', { name: /^memory \d/ })).toContainText(/2 × \d+ GB/);
    await page.getByRole('button', { name: 'Add a task' }).click();
    await page.getByRole('menuitem', { name: 'Develop stills' }).click();
    await choose(page, 'Develop the day’s stills', 'Noise reduction', 'strong');
    await expect(beam(page, 'Develop the day’s stills')).toHaveAttribute('aria-label', /of 15 min allowed/);
  });

  test('builds and guests', async ({ page }) => {
    await seatOf(page, 'Build room', 'Build software', 'Sonar ingest: Wide board');
    await expect(beam(page, 'Build from scratch')).toHaveAttribute('aria-label', /of 5 min allowed/);
    await choose(page, 'Build from scratch', 'Weight of a file', 'great');
    await expect(beam(page, 'Build from scratch')).toHaveAttribute('aria-label', /falls short/);
    await page.getByRole('button', { name: 'Add a task' }).click();
    await page.getByRole('menuitem', { name: 'Run guests' }).click();
    await expect(beam(page, 'Test machines')).toHaveAttribute('aria-label', /carries/);
    await set(page, 'Test machines', 'Guests', '12');
    await expect(beam(page, 'Test machines')).toHaveAttribute('aria-label', /does not run\. It needs .* of memory/);
  });
});

test('a figure outside what a schema takes is refused at the field with its range', async ({ page }) => {
  await page.goto('/ninefathom/plankton-lab/brief');
  await page
    .getByRole('article', { name: 'Tune the report model' })
    .getByRole('button', { name: /^Parameters: / })
    .click();
  const field = page.getByLabel('Parameters', { exact: true });
  await field.fill('0');
  await field.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'Between 0.001 and 2,000 billion' })).toBeVisible();
  await field.press('Escape');
});

test.describe('the team', () => {
  test('the desk shows eight seats, each with the worst task of its drafts', async ({ page }) => {
    await page.goto('/');
    const project = page.getByRole('region', { name: 'Ninefathom Survey Cooperative' });
    for (const seat of [
      'Film desk',
      'Rig design',
      'Plankton lab',
      'Dive broadcast',
      'Bridge trainer',
      'Sonar ingest',
      'Sea-floor mosaics',
      'Office',
    ])
      await expect(project.getByRole('article', { name: seat, exact: true })).toContainText(
        /work \d of \d|does not run: \d of \d/,
      );
  });

  test('a seat is copied to be varied, removed and brought back', async ({ page }) => {
    await page.goto('/');
    const more = async (seat: string, what: string) => {
      await page.getByRole('button', { name: `More for ${seat}`, exact: true }).click();
      await page.getByRole('menuitem', { name: what }).click();
    };
    await more('Office', 'Copy the seat');
    const copy = page.getByRole('article', { name: 'Office, copy', exact: true });
    await expect(copy).toContainText('Small and quiet');
    await more('Office, copy', 'Remove the seat');
    await expect(copy).toHaveCount(0);
    await expect(page.getByRole('status').filter({ hasText: 'Office, copy is removed' })).toBeVisible();
    // also after the page was left
    await page.reload();
    await page.getByRole('button', { name: 'Bring it back' }).click();
    await expect(copy).toBeVisible();
    await more('Office, copy', 'Remove the seat');
    await expect(copy).toHaveCount(0);
  });

  test('a brief is one page on paper, with a line to confirm it', async ({ page }) => {
    for (const seat of ['film-desk', 'plankton-lab', 'dive-broadcast']) {
      await page.goto(`/ninefathom/${seat}/brief`);
      await expect(page.getByRole('button', { name: 'Print the brief' })).toBeVisible();
      await page.emulateMedia({ media: 'print' });
      await expect(
        page.getByText(/^This is the work that the machine is to be sized for\. Confirmed by/),
      ).toBeVisible();
      await expect(page.getByRole('button', { name: 'Add a task' })).toBeHidden();
      await expect(page.getByRole('heading', { name: 'Sizes that follow' })).toBeHidden();
      const pdf = (await page.pdf({ format: 'A4' })).toString('latin1');
      expect(pdf.match(/\/Type \/Page\b/g), seat).toHaveLength(1);
      await page.emulateMedia({ media: 'screen' });
    }
  });
});
