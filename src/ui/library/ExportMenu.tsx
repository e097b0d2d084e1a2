'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Popover from '@mui/material/Popover';
import { useState } from 'react';
import type { PartKind } from '@/core/parts';
import { kindName } from '@/core/words/names';

/** Files to save: open formats that go in again unchanged. */
export function ExportMenu({ kind }: { kind: PartKind | undefined }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const rows: readonly (readonly [href: string, label: string, what: string])[] = [
    ['/api/export/catalogue', 'Catalogue', 'all parts, offers and rivals, JSON'],
    ...(kind ? [[`/api/export/${kind}`, `Every ${kindName(kind)}`, 'CSV'] as const] : []),
    ['/api/export/offer', 'All offers', 'CSV'],
    ['/api/export/archive', 'Everything', 'one archive: library, projects and what is owned'],
  ];
  return (
    <>
      <Button variant="outlined" aria-haspopup="dialog" onClick={(event) => setAnchor(event.currentTarget)}>
        Save as file
      </Button>
      {anchor && (
        <Popover
          open
          anchorEl={anchor}
          onClose={() => setAnchor(null)}
          anchorOrigin={{ vertical: 'bottom', horizontal: 'right' }}
          transformOrigin={{ vertical: 'top', horizontal: 'right' }}
        >
          <Box component="ul" className="pane small" sx={{ padding: '12px', minWidth: 260 }}>
            {rows.map(([href, label, what]) => (
              <Box component="li" key={href} sx={{ padding: '3px 0' }}>
                <a href={href} download onClick={() => setAnchor(null)}>
                  {label}
                </a>{' '}
                <span className="quiet">{what}</span>
              </Box>
            ))}
            {!kind && <li className="quiet">Choose a kind to save its parts as CSV.</li>}
          </Box>
        </Popover>
      )}
    </>
  );
}
