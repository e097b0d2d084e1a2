import Box from '@mui/material/Box';
import type { Problem } from '@/core/formats/problems';

/** What is wrong, each with its place. */
export function Problems({ title, list, most = 40 }: { title: string; list: readonly Problem[]; most?: number }) {
  return (
    <div role="alert">
      <h3 className="short">{title}</h3>
      <ul className="small">
        {list.slice(0, most).map((problem, i) => (
          <Box component="li" key={i} sx={{ padding: '2px 0', overflowWrap: 'anywhere' }}>
            <span className="mono">{problem.path}</span> {problem.message}
          </Box>
        ))}
      </ul>
      {list.length > most && <p className="quiet small">and {list.length - most} more.</p>}
    </div>
  );
}
