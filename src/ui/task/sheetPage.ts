import { callChild, type TaskContent } from '@/core/tasks';
import type { SheetWords } from '@/core/worksheets';
import type { FamilyWords } from '../shared/familyWords';

/** What a step's sheet says besides what is drawn: the step's own words, the child called by name; whose it is stands small in the corner, for who packs the bags. */
export function sheetPage(content: TaskContent, step: number, calledName: string, { t, local }: FamilyWords): SheetWords {
  const called = callChild(
    { title: content.title, steps: content.ladder.steps.map(({ name, how }) => ({ name, how })) },
    { en: calledName },
  );
  const here = called.steps[step - 1]!;
  return {
    name: t('sheet.name'),
    title: `${calledName && `${calledName}: `}${local(called.title)} · ${local(here.name)}`,
    how: local(here.how),
    check: t('sheet.check'),
  };
}
