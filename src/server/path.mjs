// plain, because the server in front of the framework asks it too
import { join } from 'node:path';

/** @type {() => string} */
export const databasePath = () => process.env.VANE_DB ?? join(process.cwd(), '.data', 'vane.db');
