import { deskRegion } from '@/core/model/settings';
import { service } from '@/server/instance';
import { librarySteps } from '@/server/library';
import { LibraryStation } from '@/ui/library/LibraryStation';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Library · Vane Scale' };

export default async function LibraryPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const query = new URLSearchParams(
    Object.entries(await searchParams).flatMap(([key, value]) => (typeof value === 'string' ? [[key, value]] : [])),
  );
  const { data, revision } = await service().catalogue();
  const settings = await service().settings();
  const region = deskRegion(data.regions, settings);
  return (
    <LibraryStation
      query={query.toString()}
      steps={await librarySteps(service())}
      settings={settings}
      currency={region?.currency ?? ''}
      revision={revision}
    />
  );
}
