'use client';

/** Arrows walk the rows of a list; Enter opens the one that has the focus, since the focus is on its link. */
export function RowKeys() {
  const walk = (by: 1 | -1) => {
    const links = [...document.querySelectorAll<HTMLAnchorElement>('[data-row] a')];
    const here = links.findIndex((link) => link === document.activeElement);
    links[Math.min(links.length - 1, Math.max(0, here + by))]?.focus();
  };
  return (
    <span className="sr-only">
      <button type="button" tabIndex={-1} data-key="ArrowDown" data-key-says="Next row (Enter opens it)" onClick={() => walk(1)}>
        Next row
      </button>
      <button type="button" tabIndex={-1} data-key="ArrowUp" data-key-says="Previous row" onClick={() => walk(-1)}>
        Previous row
      </button>
    </span>
  );
}
