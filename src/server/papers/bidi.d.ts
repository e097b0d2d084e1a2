declare module 'bidi-js' {
  interface Bidi {
    /** Embedding level of each UTF-16 unit. */
    readonly getEmbeddingLevels: (text: string, base?: 'ltr' | 'rtl' | 'auto') => { readonly levels: Uint8Array };
    readonly getMirroredCharacter: (char: string) => string | null;
  }
  export default function bidiFactory(): Bidi;
}
