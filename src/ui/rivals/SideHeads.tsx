/** Heads of a table with both sides; sums stand at the right, words at the left. */
export function SideHeads({
  first,
  mine,
  name,
  last,
  words = false,
}: {
  first?: string;
  mine: string;
  name: string;
  last?: string;
  words?: boolean;
}) {
  const className = words ? undefined : 'num';
  return (
    <thead>
      <tr>
        <th scope="col">{first}</th>
        <th scope="col" className={className}>
          {mine}
        </th>
        <th scope="col" className={className}>
          {name}
        </th>
        {last && (
          <th scope="col" className="num">
            {last}
          </th>
        )}
      </tr>
    </thead>
  );
}
