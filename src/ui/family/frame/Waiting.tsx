/** Where the page's script says that a page is a kept one, and what has not gone out yet. */
export function Waiting() {
  return (
    <>
      <p data-kept-note="" role="status" className="said-straw" hidden />
      <div data-outbox="" role="status" />
    </>
  );
}
