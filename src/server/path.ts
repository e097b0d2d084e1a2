import { join } from 'node:path';

/** Where the database of this checkout is. */
export const databasePath = (): string => process.env['VANE_DB'] ?? join(process.cwd(), '.data', 'vane.db');
