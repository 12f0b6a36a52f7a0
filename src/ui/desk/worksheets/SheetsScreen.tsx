import Link from 'next/link';
import type { SheetWords } from '@/core/worksheets';
import type { SheetsView } from '@/server/worksheets/viewSheets';
import { words as deskWords } from '../../shared/deskWords';
import { RowKeys } from '../parts/RowKeys.client';
import { SheetMaker, type SheetActs } from './SheetMaker.client';

interface Props {
  readonly view: SheetsView;
  readonly words: SheetWords | null;
  readonly acts: SheetActs;
}

/** The Sheet maker: a task's step on its paper, or the tasks that have sheets. */
export function SheetsScreen({ view, words, acts }: Props) {
  const { open } = view;
  if (!open || !words) return <SheetList view={view} />;
  const { content, step, child } = open;
  return (
    <>
      <div className="mb-3 flex flex-wrap items-baseline gap-x-5">
        <h1 className="text-[24px]">{content.title.en}</h1>
        <span className="text-soft">
          step {step} of {content.ladder.steps.length}, {content.ladder.steps[step - 1]!.name.en}
        </span>
        {child ? (
          <span>
            for{' '}
            <Link href={`/students/${child.childId}`} className="link">
              {child.name}
            </Link>
          </span>
        ) : (
          <ForChild view={view} slug={content.slug} step={step} />
        )}
        <Link href="/worksheets" className="link">
          All worksheets
        </Link>
      </div>
      <SheetMaker key={`${content.slug} ${step} ${child?.childId ?? ''}`} open={open} words={words} acts={acts} />
    </>
  );
}

function ForChild({ view, slug, step }: { view: SheetsView; slug: string; step: number }) {
  return (
    <form action="/worksheets" className="flex items-baseline gap-2 text-[14px]">
      <input type="hidden" name="task" value={slug} />
      <input type="hidden" name="step" value={step} />
      <label>
        for{' '}
        <select name="child" className="field">
          {view.children.map(({ childId, name }) => (
            <option key={childId} value={childId}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <button className="link">Open</button>
    </form>
  );
}

function SheetList({ view: { tasks } }: { view: SheetsView }) {
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-5">
        <h1 className="text-[24px]">Worksheets</h1>
        <Link href="/worksheets/week" className="link" data-key="w" data-key-says="Worksheets of the week">
          Worksheets of the week, as one file
        </Link>
      </div>
      <p className="mt-1 max-w-[70ch] text-soft">
        Everything to draw, cut, fold, glue, color and write at each step, to scale. Open one to adjust it.
      </p>
      <table className="mt-3 w-full max-w-[900px] border-collapse">
        <thead>
          <tr className="border-b border-ink text-left">
            <th scope="col" className="py-1">
              Task
            </th>
            <th scope="col">Skill</th>
            <th scope="col">Worksheets</th>
          </tr>
        </thead>
        <tbody>
          {tasks.map(({ slug, title, skill, sheets, steps }) => (
            <tr key={slug} data-row className="border-b border-line">
              <th scope="row" className="py-1 text-left font-normal">
                <Link href={`/worksheets?${new URLSearchParams({ task: slug })}`} prefetch={false} className="hover:underline">
                  {title.en}
                </Link>
              </th>
              <td className="text-soft">{deskWords(`skills.${skill as 'scissors'}`)}</td>
              <td>{sheets === steps ? `at each of ${steps} steps` : `at ${sheets} of ${steps} steps`}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <RowKeys />
    </>
  );
}
