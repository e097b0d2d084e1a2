import { expect, test } from './test';
import { beam, BENCH, BROADCAST, choose, openSeat, seatOf, set, settled, opened } from './helpers';

test.describe('a new seat of each trade, from an empty page to a prediction', () => {
  test('cutting: a heavier timeline falls behind a lighter one', async ({ page }) => {
    await seatOf(page, 'Cutting room', 'Cut and grade', 'Film desk: Draft B');
    await set(page, 'Cut', 'Correction steps', '12');
    await choose(page, 'Cut', 'Temporal noise reduction', 'strong');
    const gets = async () =>
      Number(/gets ([\d.]+) of/.exec((await beam(page, 'Cut').getAttribute('aria-label')) ?? '')?.[1]);
    await expect(beam(page, 'Cut')).toHaveAttribute('aria-label', /of 25 frames per second/);
    const uhd = await gets();
    await choose(page, 'Cut', 'Timeline size', '8K UHD  7680 × 4320');
    await expect.poll(gets).toBeLessThan(uhd);
  });

  test('exporting: the engine is quicker than software', async ({ page }) => {
    await seatOf(page, 'Export room', 'Export a programme', 'Film desk: Draft B');
    const seconds = () => beam(page, 'Export').getAttribute('aria-label');
    await expect(beam(page, 'Export')).toHaveAttribute('aria-label', /of 20 min allowed/);
    const software = await seconds();
    await choose(page, 'Export', 'Export path', 'encoding engine');
    await expect.poll(seconds).not.toBe(software);
  });

  test('streaming: five cameras need five inputs, and the sentence says all three rates', async ({ page }) => {
    await seatOf(page, 'School hall', 'Stream and record live', 'Dive broadcast: Cores for the recordings');
    await set(page, 'Live programme', 'Inputs', '5');
    const task = page.getByRole('article', { name: 'Live programme' });
    await expect(task).toContainText('10.37 Gb/s of picture, 11.06 Gb/s on the bus, 14.85 Gb/s on the wire');
    await expect(task).toContainText('7.8 Mb/s up');
    await expect(beam(page, 'Live programme')).toHaveAttribute('aria-label', /of 50 frames per second, carries/);
    await set(page, 'Live programme', 'Inputs', '6');
    await expect(beam(page, 'Live programme')).toHaveAttribute(
      'aria-label',
      /6 pictures come in, and the capture cards take 5/,
    );
  });

  test('walking through 3-D: more draw calls hold up one thread', async ({ page }) => {
    await seatOf(page, 'Harbour model', 'Walk through 3-D', 'Bridge trainer: Tied to the displays');
    await expect(beam(page, 'Walk through a scene')).toHaveAttribute('aria-label', /carries/);
    await set(page, 'Walk through a scene', 'Draw calls', '25000');
    await expect(beam(page, 'Walk through a scene')).toHaveAttribute('aria-label', /falls? short/);
    await page.getByRole('link', { name: 'Weigh', exact: true }).click();
    await expect(page.getByText('Bound by one processor thread')).toBeVisible();
    await expect(page.getByRole('region', { name: 'How much would run' })).toContainText(/0\.\d+ ×/);
  });

  test('ingest: what comes faster than the link is lost', async ({ page }) => {
    await seatOf(page, 'Recorder room', 'Ingest or copy', 'Sonar ingest: Wide board');
    await set(page, 'Take recordings in', 'Rate of a stream', '20');
    await expect(beam(page, 'Take recordings in')).toHaveAttribute('aria-label', /carries/);
    await set(page, 'Take recordings in', 'Rate of a stream', '60');
    await expect(beam(page, 'Take recordings in')).toHaveAttribute('aria-label', /falls short/);
  });

  test('sound: a figure outside its range says so and widens the band', async ({ page }) => {
    await seatOf(page, 'Sound room', 'Record and mix sound', 'Film desk: Draft B');
    await choose(page, 'Mix with live instruments', 'Buffer', '32 samples');
    await set(page, 'Mix with live instruments', 'Tracks', '900');
    await page.getByRole('link', { name: 'Weigh', exact: true }).click();
    await expect(page.getByText(/Tracks of 900 lies outside 1 to 400/)).toBeVisible();
  });

  test('desk and custom work', async ({ page }) => {
    await seatOf(page, 'Front office', 'Desk base', 'Film desk: Draft B');
    await set(page, 'Desk base', 'Browser tabs', '40');
    await expect(beam(page, 'Desk base')).toHaveAttribute('aria-label', /carries/);
    await page.getByRole('button', { name: 'Add a task' }).click();
    await page.getByRole('menuitem', { name: 'Custom' }).click();
    await expect(beam(page, 'Custom work')).toHaveAttribute('aria-label', /carries/);
  });
});

test('an absurd figure is refused at the field with range and reason, and the last good one stays', async ({
  page,
}) => {
  await openSeat(page, 'brief', BROADCAST);
  const task = page.getByRole('article', { name: 'Show a dive live' });
  await task.getByRole('button', { name: /^Programme frame rate: / }).click();
  const field = page.getByLabel('Programme frame rate', { exact: true });
  for (const bad of ['100000', '0', '-5']) {
    await field.fill(bad);
    await field.press('Enter');
    await expect(
      page.getByRole('alert').filter({ hasText: 'Between 1 and 1,000 fps. Everything is done this often a second.' }),
    ).toBeVisible();
  }
  await field.press('Escape');
  await expect(task).toContainText('at 50 fps');
  await task.getByRole('button', { name: /^Inputs: / }).click();
  await page.getByLabel('Inputs', { exact: true }).fill('2.5');
  await page.getByLabel('Inputs', { exact: true }).press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'whole number' })).toBeVisible();
});

test('settings that cannot hold together are not taken, and the sentence keeps the last good ones', async ({
  page,
}) => {
  await openSeat(page, 'brief', BROADCAST);
  await set(page, 'Show a dive live', 'Keyed inputs', '6');
  const task = page.getByRole('article', { name: 'Show a dive live' });
  await expect(task.getByRole('alert')).toHaveText('Not taken: the task keys 6 inputs, but only 5 come in.');
  await expect(task).toContainText('1 keyed');
  await set(page, 'Show a dive live', 'Keyed inputs', '2');
  await expect(task.getByRole('alert')).toHaveCount(0);
  await settled(page);
});

test('two drafts head to head: who is ahead, by how much, and what binds each', async ({ page }) => {
  await openSeat(page, 'weigh', '/ninefathom/bridge-trainer');
  const table = await opened(page, 'Head to head');
  await expect(
    table.getByRole('row', { name: /Enter a harbour at dusk .* one processor thread .* 1\.\d+ ×/ }),
  ).toBeVisible();
  await expect((await opened(page, 'Busy by sitting')).getByRole('img')).toHaveAttribute(
    'aria-label',
    /Harbour lesson: one processor thread \d+ %/,
  );
});

test.describe('measured beside predicted', () => {
  test('the real machine: rows kept to check and their median error', async ({ page }) => {
    await openSeat(page, 'weigh', BENCH);
    const section = await opened(page, 'Measured and predicted');
    await expect(section).toContainText(/rows kept to check: median error 1\d %/);
    await expect(
      section
        .getByRole('row', { name: /Decode H.264.*6.*correction steps|Decode H.264, .* correction steps, encode/ })
        .first(),
    ).toBeVisible();
  });

  test('result files are read, calibrate the draft, and can be taken back', async ({ page }) => {
    await openSeat(page, 'weigh', BROADCAST);
    const section = await opened(page, 'Measured and predicted');
    await section
      .getByLabel('Result files')
      .setInputFiles([
        'src/core/tests/reality/encode-720p-fast.txt',
        'src/core/tests/reality/fio_seq_write_rep1.json',
        'src/core/tests/reality/sensors.csv',
      ]);
    await expect(section.getByRole('row', { name: /Encode H.264 fast, 1280 × 720, 2 threads/ })).toBeVisible();
    await expect(section.getByRole('row', { name: /Sensor: package power/ })).toContainText('unknown');
    // a result of a drive says which of the machine's drives it was, and then calibrates it
    const drive = section.getByRole('row', { name: /Drive, sequential write/ });
    await expect(drive).toContainText('which drive it was');
    await drive.getByRole('button', { name: /^Drive of Drive, sequential write.*: which drive/ }).click();
    await page.getByRole('button', { name: 'Dromolite Spate 2 TB', exact: true }).click();
    await expect(section).toContainText('1 kind of work, a drive');
    await settled(page);
    await page.getByRole('button', { name: /^Undo: Drive of a result/ }).click();
    await expect(section).toContainText('calibrated: 1 kind of work');
    await settled(page);
    await section
      .getByLabel('Result files')
      .setInputFiles({ name: 'odd.txt', mimeType: 'text/plain', buffer: Buffer.from('nothing of the kind') });
    await expect(section.getByRole('alert')).toContainText('odd.txt: The file is of no kind that is known here');
    await section.getByRole('button', { name: 'Type one in' }).click();
    await section.getByRole('button', { name: /^What was measured: / }).click();
    await page.getByLabel('What was measured', { exact: true }).fill('21');
    await page.getByLabel('What was measured', { exact: true }).press('Enter');
    await section.getByRole('button', { name: 'Keep the result' }).click();
    await expect(
      section.getByRole('row', { name: /Encode H.264 medium, 1920 × 1080, one thread 21 fps/ }),
    ).toBeVisible();
    await expect(section).toContainText('calibrated: 2 kinds of work');
    await settled(page);
    await page.getByRole('button', { name: /^Undo: / }).click();
    await expect(section).toContainText('calibrated: 1 kind of work');
  });

  test('what vane measure wrote is given in one file: builds and copies beside pictures', async ({ page }) => {
    await openSeat(page, 'weigh', BENCH);
    const section = await opened(page, 'Measured and predicted');
    await expect(section).toContainText(/\d+ of \d+ inside/);
    const result = (workload: object, value: number, unit: string) => ({
      workload,
      value,
      low: value * 0.95,
      high: value * 1.05,
      unit,
      tool: 'vane measure',
      use: 'calibrate',
    });
    const file = {
      format: 'vane-measurements',
      version: 1,
      notes: ['Measured all the same: other programs were busy.'],
      results: [
        result({ work: 'build', weight: 'usual', files: 6, threads: 1 }, 0.3, 'files/s'),
        result({ work: 'transfer', copied: true, checksum: 'none', threads: 1 }, 1800, 'MB/s'),
        { ...result({ work: 'baking' }, 3, 'loaves') },
      ],
    };
    await section.getByLabel('Result files').setInputFiles({
      name: 'vane-measurements.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify(file)),
    });
    await expect(section.getByRole('status')).toContainText('2 results of vane measure. Measured all the same');
    await expect(section.getByRole('status')).toContainText('Left out: result 3');
    await expect(
      section.getByRole('row', { name: /Compile 6 files of usual weight, one thread 0.3 files/ }),
    ).toContainText('calibrate');
    await expect(section.getByRole('row', { name: /^Copy, one thread 1,800 MB/ })).toBeVisible();
    await settled(page);
    await page.getByRole('button', { name: /^Undo: Measured/ }).click();
    await expect(section.getByRole('row', { name: /^Copy, one thread/ })).toHaveCount(0);
  });

  test('what is measured on one draft moves another with the same processor, and leaves a stranger alone', async ({
    page,
  }) => {
    await openSeat(page, 'weigh');
    const row = page.getByRole('row', { name: /^Export cinema master/ });
    // earlier tests may have left copies between the drafts: each is found by its name
    const heads = await page.getByRole('columnheader').allTextContents();
    const cell = (draft: string) => row.getByRole('cell').nth(heads.indexOf(draft) - 1);
    const [stranger, sister] = [await cell('Draft B').textContent(), await cell('Two lesser cards').textContent()];
    await page.getByRole('button', { name: 'Draft A', exact: true }).click();
    const section = await opened(page, 'Measured and predicted');
    await section.getByRole('button', { name: 'Type one in' }).click();
    await section.getByRole('button', { name: /^Codec that was run: / }).click();
    await page
      .getByRole('group', { name: 'Codec that was run' })
      .getByRole('button', { name: 'HEVC', exact: true })
      .click();
    await section.getByRole('button', { name: /^What was measured: / }).click();
    await page.getByLabel('What was measured', { exact: true }).fill('2');
    await page.getByLabel('What was measured', { exact: true }).press('Enter');
    await section.getByRole('button', { name: 'Keep the result' }).click();
    await expect(section.getByRole('row', { name: /^Encode HEVC medium/ })).toContainText('2 fps');
    await settled(page);
    await expect(cell('Two lesser cards')).not.toHaveText(sister ?? '');
    await expect(cell('Draft B')).toHaveText(stranger ?? '');
    // and says there that it was measured elsewhere
    await page.getByRole('button', { name: 'Two lesser cards', exact: true }).click();
    await expect(section).toContainText(/\d results? of machines like it/);
  });
});
