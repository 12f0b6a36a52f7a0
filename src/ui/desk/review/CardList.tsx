import Link from 'next/link';

export interface CardListItem {
  readonly state: 'settled' | 'here' | 'urgent' | 'open';
  readonly label: string;
  readonly href: string | null;
}

const WIDE = 40;
const NARROW = 24;

/** Marks that fit into one line at 1024 px; under 900 px every second half of them is left out at the far ends. */
const MOST_SHOWN = 30;
const MOST_NARROW = 14;

/**
 * Draws a mark for each decision: ticked when settled, tall and dark for the open card, brick outline when urgent. They are in one
 * line, however many there are: those far from the open card are a number.
 */
export function CardList({ posts }: { posts: readonly CardListItem[] }) {
  const here = Math.max(
    0,
    posts.findIndex(({ state }) => state === 'here'),
  );
  const first = Math.max(0, Math.min(here - Math.floor(MOST_SHOWN / 2), posts.length - MOST_SHOWN));
  const shown = posts.slice(first, first + MOST_SHOWN);
  const after = posts.slice(first + MOST_SHOWN);
  const pitch = posts.length > 22 ? NARROW : WIDE;
  return (
    <ol className="relative flex min-w-0 flex-1 items-end border-b-[3px] border-line" aria-label="Review list">
      <More posts={posts.slice(0, first)} label="before" />
      {shown.map((post, index) => (
        <li
          key={first + index}
          style={{ width: pitch }}
          className={`flex shrink-0 justify-center ${Math.abs(first + index - here) >= MOST_NARROW / 2 ? 'max-[899px]:hidden' : ''}`}
        >
          {post.href ? (
            <Link
              href={post.href}
              prefetch={false}
              aria-label={post.label}
              title={post.label}
              aria-current={post.state === 'here' ? 'step' : undefined}
              className="flex min-w-6 justify-center"
            >
              <Post state={post.state} />
            </Link>
          ) : (
            <span title={post.label} role="img" aria-label={post.label}>
              <Post state={post.state} />
            </span>
          )}
        </li>
      ))}
      <More posts={after} label="more" />
    </ol>
  );
}

/** Posts that are not drawn: how many, of them how many urgent, and behind that each by its name. */
function More({ posts, label }: { posts: readonly CardListItem[]; label: 'before' | 'more' }) {
  if (posts.length === 0) return null;
  const urgent = posts.filter(({ state }) => state === 'urgent').length;
  return (
    <li className="relative shrink-0 px-1.5 pb-1 text-[13px] text-soft">
      <details>
        <summary className="leading-6">{`${posts.length} ${label}${urgent > 0 ? `, ${urgent} urgent` : ''}`}</summary>
        <ul
          className={`absolute top-full z-20 max-h-[60vh] w-[320px] max-w-[80vw] overflow-auto border border-ink bg-sheet p-2 ${label === 'more' ? 'right-0' : 'left-0'}`}
        >
          {posts.map((post, index) => (
            <li key={index}>
              {post.href ? (
                <Link href={post.href} prefetch={false} className="block leading-6 text-ink hover:underline">
                  {post.label}
                </Link>
              ) : (
                <span className="block leading-6">{post.label}</span>
              )}
            </li>
          ))}
        </ul>
      </details>
    </li>
  );
}

function Post({ state }: { state: CardListItem['state'] }) {
  const height = state === 'here' ? 50 : state === 'settled' ? 28 : 40;
  const stroke = state === 'urgent' ? 'var(--color-brick)' : state === 'settled' ? 'var(--color-green)' : 'var(--color-soft)';
  const fill = state === 'here' ? 'var(--color-ink)' : state === 'settled' ? 'var(--color-green-tint)' : 'var(--color-sheet)';
  return (
    <svg width="16" height={height} viewBox={`0 0 16 ${height}`} aria-hidden="true" className="block">
      <path
        d={`M1 ${height}V8L8 1L15 8V${height}`}
        fill={fill}
        stroke={state === 'here' ? 'var(--color-ink)' : stroke}
        strokeWidth={state === 'urgent' ? 2 : 1.3}
      />
      {state === 'settled' && (
        <path d={`M4 ${height - 12}L7 ${height - 8}L12 ${height - 16}`} fill="none" stroke="var(--color-green)" strokeWidth="2" />
      )}
      {state === 'urgent' && <path d={`M8 14V${height - 12}M8 ${height - 8}v2`} stroke="var(--color-brick)" strokeWidth="2" />}
    </svg>
  );
}
