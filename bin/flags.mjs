/**
 * For what runs a short while: code is compiled well only where it stays hot for long; else the compiler takes as much of
 * the processors as the work. Measured with the engine of Node 20; others may not know the flag, and go without.
 */
export const COMPILED_LATER = process.versions.node.startsWith('20.') ? ['--interrupt-budget=1500000'] : [];
