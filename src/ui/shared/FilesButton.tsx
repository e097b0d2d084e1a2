import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

interface FilesButtonProps {
  /** What the field is called, for who does not see the button. */
  readonly label: string;
  readonly onGive: (files: readonly File[]) => Promise<void>;
  readonly children: ReactNode;
}

/** A button that takes files; the same may be given again once they are read. */
export function FilesButton({ label, onGive, children }: FilesButtonProps) {
  return (
    <Box component="label" className="chip" sx={{ cursor: 'pointer', '&:focus-within': { outline: '2px solid' } }}>
      {children}
      <input
        type="file"
        multiple
        aria-label={label}
        style={{ position: 'absolute', width: 1, height: 1, opacity: 0 }}
        onChange={(event) => {
          void onGive([...(event.target.files ?? [])]).finally(() => (event.target.value = ''));
        }}
      />
    </Box>
  );
}
