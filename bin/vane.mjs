#!/usr/bin/env node
// The command's door: it runs a bundle, which it makes where there is none, so a checkout needs no build step.
import module from 'node:module';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { setFlagsFromString } from 'node:v8';
import { bundle } from './bundle.mjs';
import { COMPILED_LATER } from './flags.mjs';

for (const flag of COMPILED_LATER) setFlagsFromString(flag);
// newer versions keep what they compiled
module.enableCompileCache?.();
const entry = await bundle();
if (entry !== undefined) await import(pathToFileURL(entry).href);
else {
  // no place for a bundle: TypeScript is compiled as it is loaded
  const { register } = await import('tsx/esm/api');
  // the path aliases stand in the checkout's own tsconfig, wherever the command is called from
  process.env.TSX_TSCONFIG_PATH ??= fileURLToPath(new URL('../tsconfig.json', import.meta.url));
  register();
  await import('../src/cli/vane.ts');
}
