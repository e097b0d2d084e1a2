/** A file's text, or a sentence on why there is none: it may be gone since it was chosen. */
export async function fileText(
  file: File,
): Promise<{ readonly ok: true; readonly text: string } | { readonly ok: false; readonly message: string }> {
  try {
    return { ok: true, text: await file.text() };
  } catch {
    return { ok: false, message: 'The file could not be read: is it still there?' };
  }
}
