'use client';

import type { PapersView } from '@/server/programs/viewPapers';
import { MakeFile } from '../parts/MakeFile.client';
import { PaperChoices } from './PaperChoices';

const WHY = { nothing: 'nothing to print', rightToLeft: 'print from its own page' } as const;

/** The choices for the bags of a caseload, or of one school. */
export function MakePapers({ view }: { view: PapersView }) {
  return (
    <MakeFile address="/print/make" of={view.children} fileName="practice" why={WHY} button="Make the PDF">
      <label className="block">
        <span className="block text-[13px] font-semibold">Students</span>
        <select name="school" className="field" defaultValue="">
          <option value="">All my students ({view.children})</option>
          {view.schools.map(({ name, children }) => (
            <option key={name} value={name}>
              {name} ({children})
            </option>
          ))}
        </select>
      </label>
      <PaperChoices />
      <label className="flex items-center gap-2 self-end pb-2">
        <input type="checkbox" name="each" className="size-4 accent-green" /> a file for each student
      </label>
    </MakeFile>
  );
}
