import Link from 'next/link';
import { PLAIN_KINDS, type PlainKind } from '@/core/review';
import type { PlainLine } from '@/server/review/decideTogether';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';
import { HeadRow } from '../parts/HeadRow';
import { ruleCounted } from '../parts/ruleWords';
import { reviewAddress } from './reviewAddress';

const TITLES = { ready: 'Step up together', tooHard: 'Step down together', comment: 'Comments to read' } as const satisfies Record<
  PlainKind,
  string
>;
const ACTS = {
  ready: 'Step up the checked ones',
  tooHard: 'Step down the checked ones',
  comment: 'Mark the checked ones as read',
} as const satisfies Record<PlainKind, string>;

interface Props {
  readonly kind: PlainKind;
  readonly lines: readonly PlainLine[];
  /** Number of cards settled a moment ago. */
  readonly settled: number;
  readonly decide: WordedAction;
}

/** Plain cases of one kind, each with what its rule counted: read as a list, settled in one go, taken back one by one in Rounds. */
export function TogetherScreen({ kind, lines, settled, decide }: Props) {
  return (
    <div className="max-w-[980px]">
      <h1 className="text-[24px]">{TITLES[kind]}</h1>
      <p className="mt-1 text-soft">
        {kind === 'comment'
          ? 'Comments that families wrote with their reports. The safety check found no words about an injury, but it can miss some. Read each line.'
          : 'Only clear cases are listed: the rule suggests this step, it has not been tried before, help was recorded every time, and nothing more urgent is open. All others stay in Review.'}{' '}
        {PLAIN_KINDS.filter((other) => other !== kind).map((other, index) => (
          <span key={other}>
            {index > 0 && ' · '}
            <Link href={`/review/together?kind=${other}`} prefetch={false} className="link">
              {TITLES[other]}
            </Link>
          </span>
        ))}
        {' · '}
        <Link href="/review" prefetch={false} className="link" data-key="b" data-key-says="Back to Review">
          Back to Review
        </Link>
      </p>
      {settled > 0 && (
        <p role="status" className="mt-3 border-l-4 border-green bg-green-tint px-3 py-1.5">
          {settled} settled.{' '}
          {kind === 'comment' ? 'Undo brings each back in Review.' : 'Each message waits like any other, and can be canceled in Review.'}
        </p>
      )}
      {lines.length === 0 ? (
        <p className="mt-6">No clear case of this kind is open.</p>
      ) : (
        <ActionForm action={decide} hidden={{ kind }} className="mt-4">
          <table className="w-full border-collapse">
            <HeadRow
              heads={kind === 'comment' ? ['', 'student', 'comment', ''] : ['', 'student', 'task', 'step', 'what the rule counted', '']}
            />
            <tbody>
              {lines.map(({ decision, childName, title, step, stepName, version, comments }) => (
                <tr key={decision.key}>
                  <td className="cell">
                    <input
                      type="checkbox"
                      name="line"
                      value={`${decision.childId}:${version}:${decision.key}`}
                      defaultChecked
                      aria-label={`${childName}, ${title}`}
                      className="size-6 accent-green"
                    />
                  </td>
                  <td className="cell font-semibold whitespace-nowrap">{childName}</td>
                  {kind === 'comment' ? (
                    <td className="cell" dir="auto">
                      {comments.map((words, index) => (
                        <q key={index} className="block">
                          {words}
                        </q>
                      ))}
                    </td>
                  ) : (
                    <>
                      <td className="cell whitespace-nowrap">{title}</td>
                      <td className="cell">
                        {step} → {decision.suggestion?.toStep}, {stepName}
                      </td>
                      <td className="cell text-soft">{decision.suggestion && ruleCounted(decision.suggestion)}</td>
                    </>
                  )}
                  <td className="cell whitespace-nowrap">
                    <Link href={reviewAddress(decision.key, null)} prefetch={false} className="link">
                      Card<span className="sr-only"> of {childName}</span>
                    </Link>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <button className="act act-main mt-4" data-key="u" data-key-says={ACTS[kind]}>
            {ACTS[kind]}
          </button>
        </ActionForm>
      )}
    </div>
  );
}
