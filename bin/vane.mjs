#!/usr/bin/env node
// The command's door: TypeScript is compiled as it is loaded, so a checkout after `npm ci` needs no build step.
import { fileURLToPath } from 'node:url';
import { register } from 'tsx/esm/api';

// the path aliases stand in the checkout's own tsconfig, wherever the command is called from
process.env.TSX_TSCONFIG_PATH ??= fileURLToPath(new URL('../tsconfig.json', import.meta.url));
register();
await import('../src/cli/vane.ts');
