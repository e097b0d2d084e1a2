import { writeFileSync } from 'node:fs';
import { rulesDocument } from '@/core/formats/rulesDocument';

/** Writes docs/rules.md: npm run rules */
writeFileSync(new URL('../../docs/rules.md', import.meta.url), rulesDocument());
