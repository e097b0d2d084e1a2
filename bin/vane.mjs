#!/usr/bin/env node
// The command's door: it runs a bundle, which it makes where there is none, so a checkout needs no build step.
import module from 'node:module';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { setFlagsFromString } from 'node:v8';
import { bundle } from './bundle.mjs';

// a command is over before most of what is compiled well pays: only what stays hot for long is. Else the compiler takes as
// much of the processors as the command
setFlagsFromString('--interrupt-budget=1500000');
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
