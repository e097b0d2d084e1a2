import { existsSync, readFileSync, statSync } from 'node:fs';
import { contextOf, type Context } from '@/core/assess';
import { caseCatalogue, readCase, type CaseFile } from '@/core/formats/caseFile';
import { emptyCatalogue } from '@/core/formats/catalogue';
import type { Problem } from '@/core/formats/problems';
import { compileCatalogue } from '@/core/model/catalogue';
import type { CatalogueData } from '@/core/model/catalogueSchema';

/** Larger files are refused before they are read. */
const LARGEST_BYTES = 40_000_000;

/** The text of a file that somebody names, or what is wrong with it. */
export function textIn(path: string): { readonly text: string } | { readonly problems: Problem[] } {
  if (!existsSync(path)) return { problems: [{ path, message: 'does not exist' }] };
  const { size } = statSync(path);
  return size > LARGEST_BYTES
    ? {
        problems: [
          { path, message: `has ${Math.round(size / 1e6)} MB; files of up to ${LARGEST_BYTES / 1e6} MB are read` },
        ],
      }
    : { text: readFileSync(path, 'utf8') };
}

/** A case file with what it is judged in: its own parts, and those of `around` where it names others. */
export async function openCase(
  path: string,
  around: () => Promise<CatalogueData>,
): Promise<{ readonly file: CaseFile; readonly context: Context } | { readonly problems: readonly Problem[] }> {
  const read = textIn(path);
  if ('problems' in read) return read;
  let library = emptyCatalogue;
  let parsed = readCase(read.text);
  if (!parsed.ok && parsed.problems.some((problem) => problem.message.includes('neither in this file nor'))) {
    library = await around();
    parsed = readCase(read.text, new Set(library.parts.map((part) => part.id as string)));
  }
  if (!parsed.ok) return parsed;
  const file = parsed.value;
  return { file, context: contextOf(compileCatalogue(caseCatalogue(file, library)), file.today) };
}
