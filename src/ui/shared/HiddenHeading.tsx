import Box from '@mui/material/Box';

/** What a page is, for who hears it: where the page itself shows it by what is chosen in its bar. */
export function HiddenHeading({ children }: { readonly children: string }) {
  return (
    <Box
      component="h1"
      sx={{ position: 'absolute', width: '1px', height: '1px', overflow: 'hidden', clipPath: 'inset(50%)', m: '-1px' }}
    >
      {children}
    </Box>
  );
}
