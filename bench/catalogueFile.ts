import { writeFileSync } from 'node:fs';
import { demoCatalogue } from '@/demo/catalogue';

/** The demo catalogue as a file, for what reads files. */
export const writeCatalogueFile = (path: string, size = 0): void =>
  writeFileSync(path, JSON.stringify(demoCatalogue(size)));
