/** What this browser keeps under a key; nothing where it keeps nothing at all. */
export function keptText(key: string): string | undefined {
  try {
    return localStorage.getItem(key) ?? undefined;
  } catch {
    return undefined;
  }
}

/** Keeps a text in this browser; one that keeps nothing forgets it when the page is left. */
export function keepText(key: string, text: string): void {
  try {
    localStorage.setItem(key, text);
  } catch {
    // it holds until the page is left
  }
}
