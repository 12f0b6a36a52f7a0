import type { FamilyView } from '@/server/reports/viewFamily';
import { dayLocale } from '../../shared/days';
import type { FamilyWords } from '../../shared/familyWords';
import { pageWords } from '../frame/pageWords';
import type { PageData } from '../script/page';
import { stepsOf, type FamilyTaskProps } from './taskProps';
import { padOf } from './padOf';

type Options = Pick<FamilyTaskProps, 'found' | 'requestedStep' | 'isAgain' | 'keys' | 'day'>;

/** Builds the data of a task page's script: how each of its steps is counted, with a key for the report of each. */
export function dataOfTask(view: FamilyView, token: string, words: FamilyWords, options: Options): PageData {
  const { task } = options.found;
  const { step, steps } = stepsOf(options);
  // The same all day, another tomorrow.
  const seed = Number(view.today.replaceAll('-', '')) + task.versionTaskId;
  return {
    link: `/f/${token}`,
    pages: [],
    stamp: '',
    locale: dayLocale(words.language),
    timeZone: view.child.timeZone,
    family: view.familyKey,
    now: view.now,
    day: view.today,
    words: pageWords(words, view.today, task.dose.limb === 'foot'),
    ...(options.found.closed === null && {
      task: {
        versionTaskId: String(task.versionTaskId),
        otherDay: options.day ?? '',
        step,
        steps: steps.map((each) => ({ step: each, pad: padOf(task.dose, each, seed, words) })),
      },
    }),
  };
}
