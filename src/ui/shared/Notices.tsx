'use client';

import Snackbar from '@mui/material/Snackbar';
import { createContext, useCallback, useContext, useMemo, useState, type ReactNode } from 'react';

/** How long a notice stays when nobody points at it. */
const STAYS_MS = 7000;

type Tell = (text: ReactNode) => void;

const NoticesContext = createContext<Tell>(() => undefined);

/** Says that something was done, for a while and where it hides nothing; what went wrong is said where it happened. */
export const useNotices = (): Tell => useContext(NoticesContext);

/** Where notices of the whole page appear, one at a time: the last one is the one that counts. */
export function Notices({ children }: { children: ReactNode }) {
  const [notice, setNotice] = useState<{ readonly text: ReactNode; readonly at: number }>();
  const tell = useCallback<Tell>((text) => setNotice((before) => ({ text, at: (before?.at ?? 0) + 1 })), []);
  const slotProps = useMemo(() => ({ content: { role: 'status' } }), []);
  return (
    <NoticesContext value={tell}>
      {children}
      {notice && (
        <Snackbar
          key={notice.at}
          open
          message={notice.text}
          autoHideDuration={STAYS_MS}
          anchorOrigin={{ vertical: 'bottom', horizontal: 'right' }}
          onClose={(_, reason) => reason !== 'clickaway' && setNotice(undefined)}
          slotProps={slotProps}
        />
      )}
    </NoticesContext>
  );
}
