import Link from 'next/link';
import { difficultyOf, drawSheet, type SheetFor } from '@/core/worksheets';
import type { SheetSpec } from '@/core/tasks';
import type { TaskContent } from '@/core/tasks';
import { SceneDrawing } from '../../task/SceneDrawing';
import { difficultyNumber } from './sheetWords';

interface Props {
  readonly content: TaskContent;
  readonly step: number;
  /** Worksheet that is open in the editor, in place of the step's own. */
  readonly now: SheetSpec;
  readonly audience: SheetFor;
  readonly hrefOf: (step: number) => string;
}

const HEIGHT = 150;
const PICTURE = 56;
const NO_WORDS = { name: '', title: '', how: '', check: '' };

/** The sheets of all steps on the treads of their flight; where sheets have a difficulty, the rise is that same number. */
export function SheetStairs({ content, step, now, audience, hrefOf }: Props) {
  const sheets = content.ladder.steps.map(({ sheet }, index) => (index + 1 === step ? now : sheet));
  const numbers = sheets.map((sheet) => (sheet ? difficultyNumber(difficultyOf(sheet)) : null));
  const most = Math.max(1, ...numbers.map((number) => number ?? 0));
  return (
    <ol className="mt-1 flex items-end" style={{ minHeight: HEIGHT }}>
      {content.ladder.steps.map(({ name }, index) => {
        const sheet = sheets[index];
        const number = numbers[index] ?? null;
        const rise = 22 + ((number ?? (most * (index + 1)) / sheets.length) / most) * (HEIGHT - PICTURE - 40);
        const isHere = index + 1 === step;
        return (
          <li key={index} className="min-w-0 flex-1">
            <Link
              href={hrefOf(index + 1)}
              prefetch={false}
              aria-current={isHere ? 'step' : undefined}
              className="block text-center"
              replace
            >
              {sheet ? (
                <Thumb sheet={sheet} audience={audience} label={`Worksheet of step ${index + 1}`} isHere={isHere} />
              ) : (
                <span className="block text-[12px] text-soft">no worksheet</span>
              )}
              <span
                className={`mt-1 block border-t-2 ${isHere ? 'border-green' : 'border-soft'} ${index + 1 <= step ? 'bg-green-tint' : ''}`}
                style={{ height: rise }}
              >
                {number !== null && (
                  <span className={`font-title text-[14px] ${isHere ? 'font-bold' : ''}`}>{Math.round(number * 10) / 10}</span>
                )}
              </span>
              <span className={`block truncate text-[12px] ${isHere ? 'font-bold' : 'text-soft'}`} title={name.en}>
                {index + 1} {name.en}
              </span>
            </Link>
          </li>
        );
      })}
    </ol>
  );
}

function Thumb({ sheet, audience, label, isHere }: { sheet: SheetSpec; audience: SheetFor; label: string; isHere: boolean }) {
  const drawn = drawSheet({ spec: sheet, paper: 'letter', audience, words: NO_WORDS });
  if (!drawn.ok) return null;
  return (
    <SceneDrawing
      scene={drawn.value[0]!}
      label={label}
      className={`mx-auto block h-auto max-h-[56px] w-full max-w-[44px] border ${isHere ? 'border-2 border-ink' : 'border-soft'}`}
    />
  );
}
