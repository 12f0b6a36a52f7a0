import type { PapersView } from '@/server/programs/viewPapers';
import { NamesWithLinks } from '../parts/NamesWithLinks';
import { MakePapers } from './MakePapers.client';

/** Paper for the bags: the whole caseload, or the children of one school. */
export function PapersScreen({ view }: { view: PapersView }) {
  return (
    <div className="max-w-[760px]">
      <h1 className="text-[24px]">Print programs</h1>
      <p className="mt-1 text-soft">
        Each student’s program with its table map, cautions and practice log, in the family’s language, in one PDF. To print one student,
        use the student’s page. Print again when a step changes.
      </p>
      {view.unprinted.length > 0 && (
        <p className="mt-3">
          <span className="font-semibold">Changed since it was printed:</span>{' '}
          <NamesWithLinks people={view.unprinted} hrefOf={({ childId }) => `/students/${childId}/print`} />
        </p>
      )}
      <MakePapers view={view} />
      <p className="mt-6 text-[14px] text-soft" id="slip-from">
        Without a date, the practice log starts next Monday. Families who read from right to left print from their own page.
      </p>
    </div>
  );
}
