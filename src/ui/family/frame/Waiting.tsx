/** Placeholder for the script's notes that a page is a stored copy, and that reports still wait. */
export function Waiting() {
  return (
    <>
      <p data-kept-note="" role="status" className="said-straw" hidden />
      <div data-outbox="" role="status" />
    </>
  );
}
