/** The heads of a table's columns; all but the first stand over numbers unless `words` names them. */
export function Heads({ of, words = [] }: { of: readonly string[]; words?: readonly string[] }) {
  return (
    <thead>
      <tr>
        {of.map((head, i) => (
          <th key={head} scope="col" className={i > 0 && !words.includes(head) ? 'num' : undefined}>
            {head}
          </th>
        ))}
      </tr>
    </thead>
  );
}
