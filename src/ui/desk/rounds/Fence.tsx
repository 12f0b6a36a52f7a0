import Link from 'next/link';

export interface FencePost {
  readonly state: 'settled' | 'here' | 'urgent' | 'open';
  readonly label: string;
  readonly href: string | null;
}

const WIDE = 40;
const NARROW = 24;

/** One post a decision: ticked when settled, tall and dark where one stands, brick outline when urgent. */
export function Fence({ posts }: { posts: readonly FencePost[] }) {
  const pitch = posts.length > 22 ? NARROW : WIDE;
  return (
    <ol className="relative flex min-w-0 flex-1 flex-wrap items-end gap-y-1 border-b-[3px] border-line" aria-label="The round">
      {posts.map((post, index) => (
        <li key={index} style={{ width: pitch }} className="flex justify-center">
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
    </ol>
  );
}

function Post({ state }: { state: FencePost['state'] }) {
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
