/** For what runs a short while: flags of the engine, none where it may not know them. */
export const COMPILED_LATER: readonly string[];
