import { writeFileSync } from 'node:fs';
import { modelDocument } from '@/core/formats/modelDocument';

/** Writes docs/model.md: npm run model */
writeFileSync(new URL('../../docs/model.md', import.meta.url), modelDocument());
