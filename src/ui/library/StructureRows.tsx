import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { structureTables, type StructureTable } from '@/core/words/structure';

/** What a structure of a part holds, as small tables. */
export function StructureRows({ value }: { value: unknown }) {
  const tables = structureTables(value);
  if (tables.length === 0) return null;
  return (
    <Box component="dd" sx={{ gridColumn: '1 / -1', '&&': { maxWidth: 'none', textAlign: 'left' } }}>
      {tables.map((table) => (
        <OneTable key={table.title} table={table} />
      ))}
    </Box>
  );
}

function OneTable({ table: { title, columns, rows } }: { table: StructureTable }) {
  return (
    <Box sx={{ overflowX: 'auto' }} tabIndex={0} role="group" aria-label={title || 'Entries'}>
      {title !== '' && (
        <Typography variant="body2" color="text.secondary">
          {title}
        </Typography>
      )}
      <Table sx={{ '& td, & th': { fontSize: 12, lineHeight: '16px', py: '2px' } }}>
        <TableHead>
          <TableRow>
            {columns.map((column) => (
              <TableCell key={column}>{column}</TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map((row, i) => (
            <TableRow key={i}>
              {row.map((cell, c) => (
                <TableCell key={c}>{cell}</TableCell>
              ))}
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}
