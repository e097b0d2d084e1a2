const TEXTLESS: ReadonlySet<string> = new Set(['checkbox', 'radio', 'range', 'button', 'file', 'color']);

/** Whether keys that are pressed there are meant as text. */
function isTyping({ target }: KeyboardEvent): boolean {
  if (!(target instanceof HTMLElement)) return false;
  if (target.isContentEditable || target instanceof HTMLTextAreaElement) return true;
  return target instanceof HTMLInputElement && !TEXTLESS.has(target.type);
}

/** For keys of the whole page: a tick or a slider takes no text, so they hold there too; a field of text does. */
export const OFF_TEXT = { enableOnFormTags: true, ignoreEventWhen: isTyping } as const;
