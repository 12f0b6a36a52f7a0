import Link from 'next/link';
import type { PapersView } from '@/server/programs/viewPapers';
import { MakeFile } from '../parts/MakeFile.client';

interface Props {
  readonly view: PapersView;
  /** Student, where only one is shown. */
  readonly child: { readonly childId: number; readonly name: string } | null;
}

/** The sheets of a week in one file: of a bag, a school or a caseload. */
export function WeekSheetsScreen({ view, child }: Props) {
  return (
    <div className="max-w-[760px]">
      <h1 className="text-[24px]">{child ? `Worksheets of the week: ${child.name}` : 'Worksheets of the week'}</h1>
      <p className="mt-1 text-soft">
        One worksheet for each task at today’s step, in the family’s language. Print at 100%, not “fit to page”. Check the 2-inch line with
        a ruler.
      </p>
      <MakeFile
        address="/worksheets/week/make"
        of={child ? 1 : view.children}
        fileName="sheets"
        button="Make the file"
        why={{ nothing: 'no worksheet at these steps', notDrawn: 'a worksheet that cannot be drawn: open it in Worksheets to see why' }}
      >
        {child ? (
          <input type="hidden" name="childId" value={child.childId} />
        ) : (
          <label className="block">
            <span className="block text-[13px] font-semibold text-soft">For</span>
            <select name="school" className="field" defaultValue="">
              <option value="">All students</option>
              {view.schools.map(({ name }) => (
                <option key={name} value={name}>
                  {name}
                </option>
              ))}
            </select>
          </label>
        )}
        <label className="block">
          <span className="block text-[13px] font-semibold text-soft">Paper</span>
          <select name="size" className="field" defaultValue="letter">
            <option value="letter">US Letter</option>
            <option value="a4">A4</option>
          </select>
        </label>
        <label className="flex items-center gap-2 self-end pb-2">
          <input type="checkbox" name="large" /> large print
        </label>
        <label className="flex items-center gap-2 self-end pb-2">
          <input type="checkbox" name="stones" /> With a page of stepping stones for the fridge
        </label>
      </MakeFile>
      <p className="mt-6">
        <Link href="/worksheets" className="link">
          All worksheets
        </Link>
      </p>
    </div>
  );
}
