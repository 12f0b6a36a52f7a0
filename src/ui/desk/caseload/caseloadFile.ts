import { doseBySkill } from '@/core/adherence';
import type { CaseloadView } from '@/server/caseload/viewCaseload';
import { skillsInWords } from '../parts/figures';
import { words } from '../../shared/deskWords';

const HEADINGS = [
  'child',
  'school',
  'steps now',
  'days planned',
  'days known done',
  'days said not done',
  'share of the dose',
  'dose by skill',
  'days since the last report',
  'ends on',
  'next review',
  'contact',
  'waits in Review',
];

/** The yard as a table: the same figures as on the screen, ranges as the counts that they are made of. */
export function caseloadFile({ groups, waiting }: Pick<CaseloadView, 'groups' | 'waiting'>) {
  const rows = groups.flatMap((group) =>
    group.rows.map(({ childId, name, school, timelines, practice, daysSinceWord, endsOn, reviewOn, contact }) => [
      name,
      school,
      timelines.map(({ title, step, stepName }) => `${title.en}: ${step} ${stepName.en}`).join('; '),
      String(practice.adherence.planned),
      String(practice.adherence.knownDone),
      String(practice.adherence.saidNotDone),
      practice.dose.share === null ? '' : String(Math.round(practice.dose.share * 100) / 100),
      skillsInWords(
        doseBySkill(practice.dose.tasks, ({ taskId }) => timelines.find((timeline) => timeline.taskId === taskId)?.skill ?? null),
      ),
      daysSinceWord === null ? 'never' : String(daysSinceWord),
      endsOn ?? '',
      reviewOn ?? '',
      contact,
      (waiting.get(childId) ?? []).map(({ kind }) => words(`decisionKinds.${kind}`)).join('; '),
    ]),
  );
  return { headings: HEADINGS, rows };
}
