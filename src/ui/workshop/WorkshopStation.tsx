'use client';

import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import type { Settings } from '@/core/model/settings';
import type { BackupRow, OwnedRow, PriceState, Removed } from '@/server/contract';
import { DeskBar } from '../shared/DeskBar';
import { InBrowser } from '../shared/InBrowser';
import { Panel } from '../shared/Panel';
import { RemovedNotice } from '../shared/RemovedNotice';
import { BackupsPanel } from './BackupsPanel';
import { OwnedPanel, type Place } from './OwnedPanel';
import type { Workshop } from '@/core/quote/terms';
import { deskRegion } from '@/core/model/settings';
import { PapersPanel } from './PapersPanel';
import { PricesPanel } from './PricesPanel';
import { SettingsPanel, type RegionChoice } from './SettingsPanel';

interface WorkshopProps {
  readonly owned: readonly OwnedRow[];
  readonly places: readonly Place[];
  readonly settings: Settings;
  readonly workshop: Workshop;
  /** Whether there is a picture for the head of papers. */
  readonly logo: boolean;
  readonly regions: readonly RegionChoice[];
  readonly prices: PriceState;
  readonly backups: readonly BackupRow[];
  readonly removed: readonly Removed[];
}

/** What holds for all seats: settings, buying rules, sources of prices, what is owned, backups, what was removed. */
export function WorkshopStation({
  owned,
  places,
  settings,
  workshop,
  logo,
  regions,
  prices,
  backups,
  removed,
}: WorkshopProps) {
  return (
    <Box className="frame" sx={{ '&&': { gridTemplateRows: '40px minmax(0, 1fr)' } }}>
      <DeskBar />
      <main className="station">
        <Box className="columns" sx={{ '&&': { gridTemplateColumns: 'minmax(0, 1fr) minmax(300px, 400px)' } }}>
          <section className="pane" aria-label="Workshop">
            <Typography component="h1" variant="h1" sx={{ mb: 3 }}>
              What holds for all seats
            </Typography>
            <InBrowser>
              {() => (
                <Stack sx={{ gap: 6, maxWidth: 860 }}>
                  <SettingsPanel settings={settings} regions={regions} />
                  <PapersPanel
                    workshop={workshop}
                    logo={logo}
                    currency={deskRegion(regions, settings)?.currency ?? 'USD'}
                  />
                  <PricesPanel prices={prices} settings={settings} />
                </Stack>
              )}
            </InBrowser>
          </section>
          <section className="pane" aria-label="Kept here">
            <Stack sx={{ gap: 6 }}>
              <OwnedPanel owned={owned} places={places} />
              <BackupsPanel backups={backups} kept={settings.backupsKept} />
              {removed.length > 0 && (
                <Panel title="Removed">
                  <RemovedNotice removed={removed} />
                </Panel>
              )}
            </Stack>
          </section>
        </Box>
      </main>
    </Box>
  );
}
