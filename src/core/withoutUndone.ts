interface Caused {
  readonly childId?: number;
  readonly taskId?: number;
  readonly cause?: string;
}

/**
 * A grade history without the steps that were undone, and without their undoing: nobody practiced there, so they are no try.
 * @param changes oldest first
 */
export function withoutUndone<Change extends Caused>(changes: readonly Change[]): Change[] {
  const kept: Change[] = [];
  for (const change of changes) {
    if (change.cause !== 'takenBack') {
      kept.push(change);
      continue;
    }
    const undone = kept.map((each) => each.childId === change.childId && each.taskId === change.taskId).lastIndexOf(true);
    if (undone >= 0) kept.splice(undone, 1);
  }
  return kept;
}
