import type { PartKind, Work } from '@/db';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { writeNextVersion, type VersionOptions } from '../programs/nextVersion';
import type { Settling } from './settling';

/** The next version as a decision makes it: span and note stay as they were sent. Gives back its number. */
export function regrade(
  work: Work,
  context: Context,
  actor: PersonActor,
  { input, child, program, decisionId }: Settling,
  tasksFor: VersionOptions['tasksFor'],
  text: PartKind,
): Promise<number> {
  const { startsOn, endsOn, resumesOn, isEnded, note } = program;
  const { expectedVersion } = input;
  return writeNextVersion(work, context, actor, {
    child,
    expectedVersion,
    startsOn,
    endsOn,
    resumesOn,
    isEnded,
    note,
    reason: 'regrade',
    tasksFor,
    text,
    decisionId,
  });
}
