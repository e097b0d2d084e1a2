'use client';

export default function ErrorPage({ error, reset }: { error: Error; reset: () => void }) {
  return (
    <main className="pane" style={{ maxWidth: 640 }}>
      <h1>This screen could not be shown</h1>
      <p className="quiet">Your work is saved. What went wrong: {error.message}</p>
      <p>
        <button className="link" onClick={reset}>
          Try again
        </button>
        {' or '}
        <a href="/">go to the desk</a>.
      </p>
    </main>
  );
}
