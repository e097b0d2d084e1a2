/** The foot of a small form: keep it, leave it, and what is wrong with it. */
export function FormFoot({
  keep,
  onLeave,
  message,
}: {
  keep: string;
  onLeave: () => void;
  message?: string | undefined;
}) {
  return (
    <>
      <div className="row" style={{ marginTop: 6 }}>
        <button type="submit" className="chip">
          {keep}
        </button>
        <button type="button" className="link small" onClick={onLeave}>
          Leave it
        </button>
      </div>
      {message && (
        <p className="short small" role="alert">
          {message}
        </p>
      )}
    </>
  );
}
