import { z } from 'zod';
import { PLAIN_KINDS, plainCases, type Decision, type PlainKind } from '@/core/review';
import { nameOf } from '@/core/students';
import { childrenOf, inTransaction, wordsOfReports, workplaceOf } from '@/db';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import { answer, type Fault } from '../answer';
import type { Context } from '../context';
import { may } from '../may';
import { parseInput } from '../parseInput';
import { decide } from './decide';
import { loadDecisions } from './loadDecisions';

export interface PlainLine {
  readonly decision: Decision;
  readonly childName: string;
  readonly title: string;
  readonly step: number;
  readonly stepCount: number;
  readonly stepName: string;
  readonly version: number;
  /** The family's comment; empty for cards of another kind. */
  readonly comments: readonly string[];
}

/** The plain cases of a kind among the children whose program this person may change. */
export async function viewTogether(context: Context, actor: PersonActor, kind: PlainKind): Promise<readonly PlainLine[]> {
  const lines = await inTransaction(context.db, async (work) => {
    const own = (await childrenOf(work, actor.personId)).filter(({ access }) => may(actor, access, 'changeProgram'));
    const children = own.map(({ child }) => child);
    const { timeZone } = await workplaceOf(work);
    const { open, programs } = await loadDecisions(work, context, children, timeZone);
    const names = new Map(children.map((child) => [child.id, nameOf(child)]));
    const written =
      kind === 'comment'
        ? await wordsOfReports(
            work,
            open.filter((each) => each.kind === kind).flatMap(({ reportIds }) => reportIds),
          )
        : new Map<number, string>();
    return plainCases(open, kind).map((decision): PlainLine => {
      const program = programs.get(decision.childId)!;
      const task = program.tasks.find(({ taskId }) => taskId === decision.taskId);
      const steps = task?.content.ladder.steps ?? [];
      return {
        decision,
        childName: names.get(decision.childId)!,
        title: task?.content.title.en ?? '',
        step: task?.step ?? 0,
        stepCount: steps.length,
        stepName: steps[(decision.suggestion?.toStep ?? 0) - 1]?.name.en ?? '',
        version: program.number,
        comments: decision.reportIds.flatMap((id) => written.get(id) ?? []),
      };
    });
  });
  const looked = lines.map(({ decision }) => decision.childId);
  await context.looks.note(entryOf(actor, context.now(), looked, 'rounds.viewed'));
  return lines;
}

const inputSchema = z.object({
  kind: z.enum(PLAIN_KINDS),
  chosen: z
    .array(
      z.object({ childId: z.coerce.number().int().positive(), key: z.string().min(1).max(120), version: z.coerce.number().int().min(0) }),
    )
    .min(1, 'empty')
    .max(100, 'tooMany'),
});

const ANSWERS = { ready: 'up', tooHard: 'down', comment: 'read' } as const satisfies Record<PlainKind, string>;

export interface Together {
  readonly settled: number;
  /** Cards that stayed open, with the reason; the others are settled. */
  readonly left: readonly { readonly childId: number; readonly fault: Fault }[];
}

/**
 * Settles several plain cases, each by its own suggestion and in a transaction of its own: what somebody changed in between stays open, and is told.
 * @throws AppError invalid
 */
export async function decideTogether(context: Context, actor: PersonActor, raw: unknown): Promise<Together> {
  const { kind, chosen } = parseInput(inputSchema, raw);
  const settled = new Map<number, number>();
  const left: Together['left'][number][] = [];
  for (const { childId, key, version } of chosen) {
    // Each step that was settled here made one more version.
    const own = settled.get(childId) ?? 0;
    const given = { childId, key, answer: ANSWERS[kind], expectedVersion: version + own };
    // A card that is no longer routine stays open for a decision of its own.
    const isPlain = (decision: Decision, open: readonly Decision[]) => plainCases(open, kind).includes(decision);
    const answered = await answer(() => decide(context, actor, given, isPlain));
    if (answered.ok) settled.set(childId, own + 1);
    else left.push({ childId, fault: answered.fault });
  }
  return { settled: [...settled.values()].reduce((sum, count) => sum + count, 0), left };
}
