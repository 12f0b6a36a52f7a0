import { callChild, type TaskContent } from '@/core/tasks';
import type { SheetWords } from '@/core/worksheets';
import type { FamilyWords } from '../shared/familyWords';

/**
 * Text of a step's worksheet besides its drawing: the step's own words, with the child's name; a small name is in the corner, for
 * whoever packs the bags.
 */
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
