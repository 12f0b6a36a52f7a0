import { parseCalendarDay, type CalendarDay } from '@/core/calendar';
import { atStep } from '@/core/programs';
import { isOfStop } from '@/core/review';
import { addLift, addNote, noteReader, type Work } from '@/db';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { enqueueMessage } from '../messages/enqueueMessage';
import { invalid } from '../parseInput';
import { recordStepChange } from '../programs/nextVersion';
import { regrade } from './regrade';
import type { Settling } from './settling';

/** Notes who read of the harm, and when. It opens nothing. */
export async function see(work: Work, context: Context, actor: PersonActor, { decision }: Settling): Promise<void> {
  await noteReader(work, decision.reportIds, actor.personId, context.now());
}

/** Opens a closed task again, from a day on and at a step, with what was found; the family is told, on its page and by a text. */
export async function lift(work: Work, context: Context, actor: PersonActor, settling: Settling): Promise<void> {
  const { input, decision, child, program, decisionId, today } = settling;
  const taskId = decision.taskId!;
  if (decision.kind !== 'pressed' && input.found.length < LEAST_FOUND) throw invalid({ path: 'found', code: 'empty' });
  const fromDay = input.fromDay === '' ? today : parseCalendarDay(input.fromDay);
  if (!fromDay || fromDay < today) throw invalid({ path: 'fromDay', code: 'notADay' });
  const task = program.tasks.find((candidate) => candidate.taskId === taskId);
  const toStep = input.atStep ?? task?.step ?? null;
  if (task && (toStep! < 1 || toStep! > task.step)) throw invalid({ path: 'atStep', code: 'offLadder' });
  await see(work, context, actor, settling);
  await addLift(work, liftOf('lifted', context, actor, settling, { fromDay, atStep: toStep }), decision.reportIds);
  if (input.words) await note(work, context, actor, settling);
  if (!task || toStep === task.step) return tell(work, context, actor, settling);
  const versionNumber = await regrade(
    work,
    context,
    actor,
    settling,
    (next) => program.tasks.map((each) => (each === task ? atStep(task, toStep!, next) : each)),
    'word',
  );
  const change = {
    taskId,
    versionNumber,
    fromStep: task.step,
    toStep: toStep!,
    cause: 'decided',
    reason: input.found.slice(0, 400),
  } as const;
  await recordStepChange(work, context, actor, child, { ...change, decisionId });
}

/** Leaves the task closed, for now: the card comes back by itself. */
export async function keepClosed(work: Work, context: Context, actor: PersonActor, settling: Settling): Promise<void> {
  await see(work, context, actor, settling);
  if (settling.input.words) await write(work, context, actor, settling);
}

/** Takes the task out of the program with the next version; with it goes what closed it. */
export async function takeOut(work: Work, context: Context, actor: PersonActor, settling: Settling): Promise<void> {
  const { input, decision, program } = settling;
  if (isOfStop(decision.kind)) {
    await see(work, context, actor, settling);
    await addLift(work, liftOf('takenOut', context, actor, settling, { fromDay: null, atStep: null }), decision.reportIds);
  }
  if (input.words) await note(work, context, actor, settling);
  await regrade(work, context, actor, settling, () => program.tasks.filter(({ taskId }) => taskId !== decision.taskId), 'word');
}

/** Words to the family: they stand on its page, and a text says that there is a word. */
export async function write(work: Work, context: Context, actor: PersonActor, settling: Settling): Promise<void> {
  await note(work, context, actor, settling);
  await tell(work, context, actor, settling);
}

/** Fewest characters of the finding. */
const LEAST_FOUND = 3;
const BY_MISTAKE = 'The family says that “Something hurt” was pressed by mistake.';

function liftOf(
  kind: 'lifted' | 'takenOut',
  context: Context,
  actor: PersonActor,
  { input, decision, child, decisionId }: Settling,
  again: { fromDay: CalendarDay | null; atStep: number | null },
) {
  const who = { childId: child.id, taskId: decision.taskId!, decisionId, liftedBy: actor.personId, liftedAt: context.now() };
  const found = input.found || (decision.kind === 'pressed' && kind === 'lifted' ? BY_MISTAKE : '');
  return { kind, found, spokeTo: input.spokeTo, ...again, ...who };
}

async function note(work: Work, context: Context, actor: PersonActor, { input, decision, child, decisionId }: Settling): Promise<void> {
  await addNote(work, {
    childId: child.id,
    taskId: decision.taskId,
    words: input.words,
    decisionId,
    writtenBy: actor.personId,
    writtenAt: context.now(),
  });
}

async function tell(work: Work, context: Context, actor: PersonActor, { child, decisionId }: Settling): Promise<void> {
  await enqueueMessage(work, context, actor, { child, kind: 'word', decisionId });
}
