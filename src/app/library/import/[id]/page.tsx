import { deskRegion } from '@/core/model/settings';
import { guessTable, previewMachine } from '@/server/files';
import { readUpload } from '@/server/inbox';
import { ENCODINGS } from '@/server/import/text';
import { service } from '@/server/instance';
import { seatNames } from '@/server/seats';
import { ImportStation } from '@/ui/import/ImportStation';
import { MachineStation } from '@/ui/import/MachineStation';
import { orTrouble } from '../../../orTrouble';
import { Gone } from '@/ui/import/Gone';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Import · Vane Scale' };

export default async function ImportPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return orTrouble(async () => {
    const upload = readUpload(service(), id);
    if (!upload) return <Gone />;
    if (upload.format === 'bom' || upload.format === 'lshw') {
      const preview = await previewMachine(service(), id);
      const failed = 'state' in preview;
      return (
        <MachineStation
          upload={upload}
          preview={failed ? undefined : preview}
          problems={failed ? preview.problems : []}
          seats={await seatNames(service())}
        />
      );
    }
    const { data } = await service().catalogue();
    const settings = await service().settings();
    const region = deskRegion(data.regions, settings)?.id ?? '';
    const guess = upload.format === 'csv' ? await guessTable(service(), id, {}) : undefined;
    const refused = guess && 'state' in guess ? guess : undefined;
    return (
      <ImportStation
        upload={upload}
        table={guess && !('state' in guess) ? guess : undefined}
        problems={refused?.problems ?? (guess && !('state' in guess) ? guess.problems : [])}
        encodings={ENCODINGS}
        regions={data.regions}
        region={region}
      />
    );
  });
}
