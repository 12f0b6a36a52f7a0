import { calendarDay } from '@/core/calendar';
import type { ProgramDraft } from '@/core/programs';
import { loadLibrary } from '../../../../library/loadLibrary';
import { atOtherStep, editDraft, minutesInWords, type LibraryTask } from './draftEdits';
import { findingWords } from './findingWords';
import { editHistory } from './useDraft';

const library: LibraryTask[] = loadLibrary().map((content, index) => ({ taskId: index + 1, taskVersionId: index + 101, content }));
const task = (slug: string) => library.find((each) => each.content.slug === slug)!;
const empty: ProgramDraft = { startsOn: calendarDay('2026-11-24'), endsOn: calendarDay('2026-12-07'), note: '', tasks: [] };

/** A draft with these tasks, placed one after the other. */
function draftWith(...slugs: string[]): ProgramDraft {
  return slugs.reduce((draft, slug) => editDraft(draft, { kind: 'add', task: task(slug), step: 3 }), empty);
}

const slugsOf = (draft: ProgramDraft) =>
  draft.tasks.map((planned) => library.find((each) => each.taskVersionId === planned.taskVersionId)!.content.slug);

describe('editing a draft', () => {
  it('places a task into its part, on school days, with one step of choice each way', () => {
    const draft = draftWith('work-vest-zip', 'crane-lift', 'open-the-shutters');
    expect(slugsOf(draft)).toEqual(['open-the-shutters', 'crane-lift', 'work-vest-zip']);
    expect(draft.tasks[1]).toMatchObject({ part: 'tableWork', step: 3, chooseFrom: 2, chooseTo: 4, weekdays: [1, 2, 3, 4, 5] });
  });

  it('keeps the choice on the ladder at its ends', () => {
    const first = editDraft(empty, { kind: 'add', task: task('crane-lift'), step: 1 });
    expect(first.tasks[0]).toMatchObject({ chooseFrom: 1, chooseTo: 2 });
    const last = editDraft(empty, { kind: 'add', task: task('crane-lift'), step: 7 });
    expect(last.tasks[0]).toMatchObject({ chooseFrom: 6, chooseTo: 7 });
  });

  it('moves a block to another day, and into the part of the row that it is dropped on', () => {
    const draft = draftWith('open-the-shutters', 'crane-lift');
    const moved = editDraft(draft, { kind: 'moveDay', index: 1, from: 1, to: 6, part: 'tableWork' });
    expect(moved.tasks[1]!.weekdays).toEqual([2, 3, 4, 5, 6]);
    const other = editDraft(draft, { kind: 'moveDay', index: 1, from: 1, to: 1, part: 'warmUp' });
    expect(other.tasks.map(({ part }) => part)).toEqual(['warmUp', 'warmUp']);
    // Two blocks of a task on one day are one.
    expect(editDraft(draft, { kind: 'moveDay', index: 1, from: 1, to: 2, part: 'tableWork' }).tasks[1]!.weekdays).toEqual([2, 3, 4, 5]);
  });

  it('what was touched is no longer the planner’s; a nail stays till it is taken out', () => {
    const one = draftWith('crane-lift');
    const filled = { ...one, tasks: one.tasks.map((each) => ({ ...each, mark: 'filled' as const })) };
    expect(editDraft(filled, { kind: 'toggleDay', index: 0, weekday: 6 }).tasks[0]).not.toHaveProperty('mark', 'filled');
    const nailed = editDraft(filled, { kind: 'nail', index: 0 });
    expect(nailed.tasks[0]!.mark).toBe('nailed');
    expect(editDraft(nailed, { kind: 'toggleDay', index: 0, weekday: 6 }).tasks[0]!.mark).toBe('nailed');
    expect(editDraft(nailed, { kind: 'nail', index: 0 }).tasks[0]!.mark).toBeUndefined();
  });

  it('every change can be taken back, the first one last, and no further', () => {
    const begun = { now: draftWith('crane-lift'), before: [] };
    const twice = [{ kind: 'note', note: 'a' } as const, { kind: 'remove', index: 0 } as const].reduce(editHistory, begun);
    expect(twice.now.tasks).toEqual([]);
    const once = editHistory(twice, { kind: 'undo' });
    expect(once.now).toMatchObject({ note: 'a', tasks: [{ part: 'tableWork' }] });
    const back = editHistory(editHistory(once, { kind: 'undo' }), { kind: 'undo' });
    expect(back).toEqual(begun);
  });

  it('moves tasks within their part only', () => {
    const draft = draftWith('open-the-shutters', 'crane-lift', 'tile-the-roof');
    expect(slugsOf(editDraft(draft, { kind: 'moveUp', index: 2 }))).toEqual(['open-the-shutters', 'tile-the-roof', 'crane-lift']);
    expect(slugsOf(editDraft(draft, { kind: 'moveDown', index: 1 }))).toEqual(['open-the-shutters', 'tile-the-roof', 'crane-lift']);
    expect(slugsOf(editDraft(draft, { kind: 'moveUp', index: 1 }))).toEqual(slugsOf(draft));
    expect(slugsOf(editDraft(draft, { kind: 'moveUp', index: 0 }))).toEqual(slugsOf(draft));
    expect(slugsOf(editDraft(draft, { kind: 'moveDown', index: 2 }))).toEqual(slugsOf(draft));
  });

  it('takes tasks out and leaves the draft before as it was', () => {
    const draft = draftWith('open-the-shutters', 'crane-lift');
    expect(slugsOf(editDraft(draft, { kind: 'remove', index: 0 }))).toEqual(['crane-lift']);
    expect(draft.tasks).toHaveLength(2);
  });

  it('turns days on and off, in the order of the week', () => {
    const draft = draftWith('crane-lift');
    const without = editDraft(draft, { kind: 'toggleDay', index: 0, weekday: 3 });
    expect(without.tasks[0]!.weekdays).toEqual([1, 2, 4, 5]);
    const again = editDraft(without, { kind: 'toggleDay', index: 0, weekday: 3 });
    expect(again.tasks[0]!.weekdays).toEqual([1, 2, 3, 4, 5]);
    expect(editDraft(draft, { kind: 'toggleDay', index: 0, weekday: 7 }).tasks[0]!.weekdays).toEqual([1, 2, 3, 4, 5, 7]);
  });

  it('changes one end of the span without the other, and the note', () => {
    const later = calendarDay('2026-12-20');
    expect(editDraft(empty, { kind: 'span', endsOn: later })).toMatchObject({ startsOn: empty.startsOn, endsOn: later });
    expect(editDraft(empty, { kind: 'note', note: 'Rest on Sunday' }).note).toBe('Rest on Sunday');
    expect(editDraft(empty, { kind: 'restore', draft: draftWith('crane-lift') }).tasks).toHaveLength(1);
  });

  it('moves the family’s choice along with the step, and keeps the step inside it', () => {
    const [planned] = draftWith('crane-lift').tasks;
    expect(atOtherStep(planned!, 5, 7)).toEqual({ step: 5, chooseFrom: 4, chooseTo: 6 });
    expect(atOtherStep(planned!, 7, 7)).toEqual({ step: 7, chooseFrom: 6, chooseTo: 7 });
    expect(atOtherStep(planned!, 1, 7)).toEqual({ step: 1, chooseFrom: 1, chooseTo: 2 });
  });

  it('tells the minutes with one digit', () => {
    expect(minutesInWords({ ...task('crane-lift').content, step: 3 })).toBe('4.8 min');
  });
});

describe('findings in words', () => {
  it('name the day and the numbers', () => {
    const finding = { severity: 'caution', code: 'overBudget', task: null, weekday: 6, minutes: 31, budget: 20 } as const;
    expect(findingWords(finding)).toBe(
      'Saturday: 31 minutes are planned, but this family has 20. Remove a task from that day, or plan fewer rounds.',
    );
  });

  it('name what is missing and what may replace it', () => {
    const { materials } = task('crane-lift').content;
    const missing = ['kitchen-tongs', 'cup'].map((id) => materials.find((material) => material.id === id)!);
    expect(findingWords({ severity: 'caution', code: 'missingAtHome', task: 0, materials: missing })).toBe(
      'Not on the family’s list of materials: pair of kitchen tongs (or clothespin); small cup (or paper cup).',
    );
  });

  it.each([
    ['noDays', { severity: 'error', code: 'noDays', task: 0 }, /No day is selected/],
    ['noTasks', { severity: 'error', code: 'noTasks', task: null }, /No tasks yet/],
  ] as const)('say how to mend %s', (_name, finding, words) => {
    expect(findingWords(finding)).toMatch(words);
  });
});
