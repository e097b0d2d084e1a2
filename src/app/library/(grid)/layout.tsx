import { deskRegion } from '@/core/model/settings';
import { service } from '@/server/instance';
import { librarySteps } from '@/server/library';
import { orTrouble } from '../../orTrouble';
import { LibraryStation } from '@/ui/library/LibraryStation';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Library · Vane Scale' };

/** A layout and not a page: a page is another one for each address, and what is being typed would be lost with it. */
export default function LibraryLayout() {
  return orTrouble(async () => {
    const { data, revision } = await service().catalogue();
    const settings = await service().settings();
    const region = deskRegion(data.regions, settings);
    return (
      <LibraryStation
        steps={await librarySteps(service())}
        settings={settings}
        currency={region?.currency ?? ''}
        revision={revision}
      />
    );
  });
}
