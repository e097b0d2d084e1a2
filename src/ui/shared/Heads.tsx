import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
/** The heads of a table's columns; all but the first stand over numbers unless `words` names them. */
export function Heads({ of, words = [] }: { of: readonly string[]; words?: readonly string[] }) {
  return (
    <TableHead>
      <TableRow>
        {of.map((head, i) => (
          <TableCell key={head} scope="col" className={i > 0 && !words.includes(head) ? 'num' : undefined}>
            {head}
          </TableCell>
        ))}
      </TableRow>
    </TableHead>
  );
}
