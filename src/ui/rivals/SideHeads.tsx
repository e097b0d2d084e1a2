import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
/** Heads of a table with both sides; sums stand at the right, words at the left. */
export function SideHeads({
  first,
  mine,
  name,
  last,
  words = false,
}: {
  first: string;
  mine: string;
  name: string;
  last?: string;
  words?: boolean;
}) {
  const className = words ? undefined : 'num';
  return (
    <TableHead>
      <TableRow>
        <TableCell scope="col">{first}</TableCell>
        <TableCell scope="col" className={className}>
          {mine}
        </TableCell>
        <TableCell scope="col" className={className}>
          {name}
        </TableCell>
        {last && (
          <TableCell align="right" scope="col">
            {last}
          </TableCell>
        )}
      </TableRow>
    </TableHead>
  );
}
