import { NewerDatabase } from '@/store/database';

/** Something that stops the whole app, in words: what happened, what is safe, what to do. */
export interface Trouble {
  readonly title: string;
  readonly says: string;
  readonly safe: string;
  readonly todo: string;
}

const UNTOUCHED = 'Nothing was changed; what was saved before is as it was.';

/** The code that SQLite or the system gives, when there is one. */
const codeOf = (error: unknown): string =>
  error instanceof Error && 'code' in error && typeof error.code === 'string' ? error.code : '';

/** Why the database cannot be used; undefined when the error is about something else. */
export function troubleOf(error: unknown): Trouble | undefined {
  if (error instanceof NewerDatabase)
    return {
      title: 'This database is newer than the app',
      says: `It was written by a newer release (step ${error.has}; this release knows ${error.knows}).`,
      safe: UNTOUCHED,
      todo: 'Start that release again, or set VANE_DB to another database.',
    };
  const code = codeOf(error);
  if (/^(SQLITE_FULL|ENOSPC|EDQUOT)/.test(code))
    return {
      title: 'The disk is full',
      says: 'There is no room left where the database lies.',
      safe: 'What was saved before is safe; the last change is not saved yet.',
      todo: 'Free some room and try again.',
    };
  if (/^(SQLITE_READONLY|EROFS|EACCES|EPERM)/.test(code))
    return {
      title: 'The database cannot be written',
      says: 'The file, or the folder that it lies in, is read-only for this app.',
      safe: UNTOUCHED,
      todo: 'Allow this user to write both the file and its folder, then try again.',
    };
  if (/^SQLITE_(CORRUPT|NOTADB)/.test(code))
    return {
      title: 'The database is damaged',
      says: code === 'SQLITE_NOTADB' ? 'The file is no database.' : 'Part of the file does not read as it was written.',
      safe: 'The file is left as it is.',
      todo: 'Set it aside and put a backup in its place, or set VANE_DB to another database.',
    };
  if (/^SQLITE_(BUSY|LOCKED)/.test(code))
    return {
      title: 'The database is busy',
      says: 'Another program has held it for a quarter of a minute.',
      safe: UNTOUCHED,
      todo: 'Wait for an import to end, or close the other program, and try again.',
    };
  if (/^SQLITE_(CANTOPEN|IOERR)/.test(code))
    return {
      title: 'The database cannot be opened',
      says: 'The file or its folder does not answer.',
      safe: 'Nothing was changed by this app.',
      todo: 'See that the disk is there and that the path is right (VANE_DB), then try again.',
    };
  return undefined;
}

/** The same in one line, for a terminal or a notice. */
export const troubleLine = ({ title, says, safe, todo }: Trouble): string => `${title}. ${says} ${safe} ${todo}`;
