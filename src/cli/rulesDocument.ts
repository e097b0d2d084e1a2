import { writeFileSync } from 'node:fs';
import { rulesDocument } from '@/core/rules/document';

/** Writes docs/rules.md: npm run rules */
writeFileSync(new URL('../../docs/rules.md', import.meta.url), rulesDocument());
