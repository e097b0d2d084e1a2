import { machineSchema } from '@/core/model/machine';
import { editMachine } from '@/core/model/edits';
import { saveDocument } from '@/store/projectStore';
import { openService } from '../service';

/**
 * Edits a draft of a database without end, and says each edit that was acknowledged: what a window does, fast, until
 * somebody kills it. Use: editor.ts DATABASE SEAT DOCUMENT NAME
 */
const [path = '', seatId = '', documentId = '', who = ''] = process.argv.slice(2);
const service = openService(path);
let base = 1;
for (let turn = 1; ; turn++) {
  const name = `${who} ${turn}`;
  const saved = await saveDocument(service.db, {
    seatId,
    documentId,
    base,
    step: { label: name, at: '2026-05-18T00:00:00.000Z', window: who },
    parse: (json) => machineSchema.parse(json),
    change: (machine) => editMachine(machine, { kind: 'rename', name }),
  });
  if (saved.state === 'gone') throw new Error(`there is no draft ${documentId}`);
  base = saved.revision;
  if (saved.state === 'saved') process.stdout.write(`${saved.revision} ${name}\n`);
}
