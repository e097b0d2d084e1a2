import type { Trouble } from '@/server/contract';

/** What stands in a page's place when the database cannot be used. */
export function TroublePage({ trouble }: { trouble: Trouble }) {
  return (
    <main className="pane trouble" role="alert">
      <h1>{trouble.title}</h1>
      <p>{trouble.says}</p>
      <p>{trouble.safe}</p>
      <p>
        <b>{trouble.todo}</b>
      </p>
      <p>
        <a href="">Try again</a>
      </p>
    </main>
  );
}
