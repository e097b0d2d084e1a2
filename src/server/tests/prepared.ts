import { copyFileSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, afterEach, beforeAll, beforeEach, expect } from 'vitest';
import { importFile } from '../import/importFile';
import { openService, type Service } from '../service';

/** What a test works with; both are its own. */
export interface Given {
  readonly folder: string;
  readonly service: Service;
}

/**
 * A database made once for a file of tests and copied before each of them: importing a catalogue takes a hundred times
 * as long as copying what came of it. `use` is told of each test's own copy; it is closed and removed after the test.
 */
export function preparedService(
  catalogue: unknown,
  use: (given: Given) => void,
  andThen: (service: Service) => Promise<void> = async () => {},
): void {
  const origin = mkdtempSync(join(tmpdir(), 'vane-origin-'));
  const ready = join(origin, 'ready.db');
  let given: Given;

  beforeAll(async () => {
    const service = openService(ready);
    const path = join(origin, 'catalogue.json');
    writeFileSync(path, JSON.stringify(catalogue));
    expect((await importFile(service, { format: 'catalogue', path, name: 'demo.json' })).state).toBe('written');
    await andThen(service);
    // the last connection to close leaves everything in one file
    await service.close();
  });
  beforeEach(() => {
    const folder = mkdtempSync(join(tmpdir(), 'vane-'));
    const path = join(folder, 'test.db');
    copyFileSync(ready, path);
    given = { folder, service: openService(path) };
    use(given);
  });
  afterEach(async () => {
    await given.service.close();
    rmSync(given.folder, { recursive: true, force: true });
  });
  afterAll(() => rmSync(origin, { recursive: true, force: true }));
}
