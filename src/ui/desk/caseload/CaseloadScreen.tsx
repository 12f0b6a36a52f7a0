import Link from 'next/link';
import { ENDING_DAYS, SILENCE_DAYS } from '@/core/programs';
import { CASELOAD_SPANS, type CaseloadFilter, type CaseloadSort, type CaseloadQuery } from '@/core/caseload';
import type { CaseloadView } from '@/server/caseload/viewCaseload';
import { longDay } from '../../shared/days';
import { RowKeys } from '../parts/RowKeys.client';
import { SearchBox } from '../parts/SearchBox.client';
import { caseloadSheet } from './caseloadSheet';
import { CaseloadTable } from './CaseloadTable.client';
import { SavedViews } from './SavedViews';
import { caseloadAddress } from './caseloadQuery';
import type { WordedAction } from '../parts/ActionForm.client';
import { ChoiceLink } from '../parts/ChoiceLink';
import { PrintLink } from '../parts/PrintLink.client';

export interface CaseloadProps {
  readonly view: CaseloadView;
  readonly options: CaseloadQuery;
  readonly keep: WordedAction;
  readonly drop: WordedAction;
}

const FILTER_WORDS: Record<CaseloadFilter, string> = {
  everyone: 'everyone',
  silent: `No report in ${SILENCE_DAYS} days`,
  struggling: 'Partly or not done',
  ending: `Ending within ${ENDING_DAYS} days`,
};
const SORT_WORDS: Record<CaseloadSort, string> = {
  name: 'name',
  word: 'Longest without a report',
  practised: 'Least practiced',
  dose: 'Lowest share of target',
};

export function CaseloadScreen({ view, options, keep, drop }: CaseloadProps) {
  const shown = view.groups.reduce((sum, group) => sum + group.rows.length, 0);
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <h1 className="text-[24px]">{view.childCount} students</h1>
        <p className="text-soft">
          {view.withWordThisWeek} reported this week · {view.silent} without a report for a week or longer
          {shown !== view.childCount && ` · ${shown} shown`}
        </p>
        {view.mayAdd && (
          <span className="flex gap-4 text-[14px]">
            <Link href="/students/new" prefetch={false} className="link" data-key="n" data-key-says="Add a student">
              Add a student
            </Link>
            <Link href="/students/import" prefetch={false} className="link">
              Import a list
            </Link>
          </span>
        )}
        <SearchBox value={options.search} />
      </div>
      <Wishes options={options} schools={view.schools} />
      <SavedViews options={options} kept={view.kept} keep={keep} drop={drop} />
      <RowKeys />
      <CaseloadTable sheet={caseloadSheet(view.days, view.groups, view.waiting, options.columns)} />
      {shown === 0 && (
        <p className="mt-6 text-soft">
          {view.childCount === 0
            ? 'You have no students yet.'
            : 'No student matches. Show everyone, or shorten the search: it finds names, schools, tasks, and facts such as left, latex, Spanish, mouths, no report.'}
        </p>
      )}
      {view.left.length > 0 && (
        <details className="mt-6 text-[14px]">
          <summary className="link inline">{view.left.length} left the caseload</summary>{' '}
          {view.left.map(({ childId, name, leftOn }, index) => (
            <span key={childId}>
              {index > 0 && ', '}
              <Link href={`/students/${childId}`} prefetch={false} className="link">
                {name}
              </Link>{' '}
              ({longDay(leftOn)})
            </span>
          ))}
        </details>
      )}
      <p className="mt-6 text-[13px] text-soft">
        Practiced is a range. The low end counts reported days. The high end assumes practice on days with no report. Full disc: all done ·
        half disc: partly done · bar: reported not done · dot: no report.
      </p>
    </>
  );
}

function Wishes({ options, schools }: { options: CaseloadQuery; schools: readonly string[] }) {
  const { span = 14 } = options;
  const choice = (change: Partial<CaseloadQuery>, says: string, isHere: boolean) => (
    <ChoiceLink key={says} href={`/caseload?${caseloadAddress({ ...options, ...change })}`} isHere={isHere}>
      {says}
    </ChoiceLink>
  );
  return (
    <div className="mt-2 flex flex-wrap gap-x-8 gap-y-1 text-[14px] print:hidden">
      <span className="flex gap-3">
        Show{' '}
        {(Object.keys(FILTER_WORDS) as CaseloadFilter[]).map((filter) =>
          choice({ filter }, FILTER_WORDS[filter], options.filter === filter),
        )}
      </span>
      <span className="flex gap-3">
        Sort by {(Object.keys(SORT_WORDS) as CaseloadSort[]).map((sort) => choice({ sort }, SORT_WORDS[sort], options.sort === sort))}
      </span>
      <span className="flex gap-3">
        {choice({ school: null }, 'All schools', options.school === null)}
        {schools.map((school) => choice({ school }, school, options.school === school))}
      </span>
      <span className="flex gap-3">{CASELOAD_SPANS.map((each) => choice({ span: each }, `${each} days`, span === each))}</span>
      <span className="flex gap-3">
        {choice({ bySchool: !options.bySchool }, options.bySchool ? 'In one list' : 'By school', false)}
        <a className="link" href={`/caseload/file?${caseloadAddress(options)}`} download>
          Download
        </a>
        <PrintLink />
      </span>
    </div>
  );
}
