import { writeFileSync } from 'node:fs';
import { readCatalogue } from '@/core/formats/catalogue';
import { demoCatalogue } from './catalogue';
import { plausibilityReport } from './plausibility';

/** Writes docs/demo-plausibility.md: npm run plausibility */
const parsed = readCatalogue(JSON.stringify(demoCatalogue()));
if (!parsed.ok) throw new Error(parsed.problems.map((problem) => `${problem.path} ${problem.message}`).join('\n'));
writeFileSync(new URL('../../docs/demo-plausibility.md', import.meta.url), plausibilityReport(parsed.value.parts));
