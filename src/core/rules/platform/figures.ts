/** What the comparisons of small parts find. */
export type PlatformFigures =
  | { readonly code: 'data-cables'; readonly drives: number; readonly cables: number }
  | { readonly code: 'paste'; readonly cooler: string; readonly from: 'cooler' | 'apart' | 'none' };
