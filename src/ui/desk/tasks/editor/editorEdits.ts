import type { Grade, KnobKey } from '@/core/knobs';
import { textOf, type LocalText } from '@/core/text';
import { withSpans, type TaskContent, type TaskStep } from '@/core/tasks';
import type { UsualLevel } from './usualLevels';

type Path = readonly (string | number)[];

/** Every change that the bench can make to a task. Steps and levels are counted from 0 here, as the content's lists are. */
export type EditorEdit =
  | { readonly kind: 'set'; readonly path: Path; readonly value: unknown }
  | { readonly kind: 'insert'; readonly path: Path; readonly value: unknown }
  | { readonly kind: 'removeAt'; readonly path: Path; readonly index: number }
  | { readonly kind: 'turn'; readonly step: number; readonly knob: KnobKey; readonly by: 1 | -1 }
  | { readonly kind: 'addStep'; readonly after: number }
  | { readonly kind: 'removeStep'; readonly step: number }
  | { readonly kind: 'moveStep'; readonly step: number; readonly by: 1 | -1 }
  | { readonly kind: 'addKnob'; readonly knob: KnobKey; readonly levels: readonly UsualLevel[]; readonly name?: LocalText }
  | { readonly kind: 'removeKnob'; readonly knob: KnobKey }
  | { readonly kind: 'removeLevel'; readonly knob: KnobKey; readonly level: number }
  | { readonly kind: 'takeLadder'; readonly grades: readonly Grade[]; readonly startStep: number }
  | { readonly kind: 'replace'; readonly content: TaskContent };

export function editTask(task: TaskContent, edit: EditorEdit): TaskContent {
  switch (edit.kind) {
    case 'set':
      return setAt(task, edit.path, () => edit.value) as TaskContent;
    case 'insert':
      return setAt(task, edit.path, (list) => [...((list as unknown[] | undefined) ?? []), edit.value]) as TaskContent;
    case 'removeAt':
      return setAt(task, edit.path, (list) => (list as unknown[]).filter((_, index) => index !== edit.index)) as TaskContent;
    case 'turn':
      return turned(task, edit);
    case 'addStep':
      return withSteps(
        task,
        [...task.ladder.steps.slice(0, edit.after + 1), copyOf(task.ladder.steps[edit.after]), ...task.ladder.steps.slice(edit.after + 1)],
        edit.after + 1,
        1,
      );
    case 'removeStep':
      return task.ladder.steps.length <= 1
        ? task
        : withSteps(
            task,
            task.ladder.steps.filter((_, index) => index !== edit.step),
            edit.step,
            -1,
          );
    case 'moveStep':
      return moved(task, edit.step, edit.by);
    case 'addKnob':
      return withKnob(task, edit.knob, edit.levels, edit.name);
    case 'removeKnob':
      return withoutKnob(task, edit.knob);
    case 'removeLevel':
      return withoutLevel(task, edit.knob, edit.level);
    case 'takeLadder':
      return withLadder(task, edit.grades, edit.startStep);
    case 'replace':
      return edit.content;
  }
}

/** A value deep in a task, changed without touching the rest. An `undefined` takes the key away. */
function setAt(node: unknown, [key, ...rest]: Path, change: (value: unknown) => unknown): unknown {
  if (key === undefined) return change(node);
  if (Array.isArray(node)) return node.map((item, index) => (index === key ? setAt(item, rest, change) : item));
  const record = (node ?? {}) as Record<string, unknown>;
  const value = setAt(record[key], rest, change);
  if (value !== undefined) return { ...record, [key]: value };
  const { [key]: _gone, ...others } = record;
  return others;
}

/** A knob has no more levels than this. */
const MOST_LEVELS = 10;
const EMPTY: LocalText = { en: '' };
const copyOf = (step: TaskStep | undefined): TaskStep => ({ name: EMPTY, how: EMPTY, grade: { ...step?.grade } });

function withGrades(task: TaskContent, change: (step: TaskStep) => TaskStep): TaskContent {
  return { ...task, ladder: { ...task.ladder, steps: task.ladder.steps.map(change) } };
}

function turned(task: TaskContent, { step, knob, by }: Extract<EditorEdit, { kind: 'turn' }>): TaskContent {
  const last = (task.knobs.find((known) => known.knob === knob)?.levels.length ?? 1) - 1;
  const steps = task.ladder.steps.map((each, index) =>
    index === step ? { ...each, grade: { ...each.grade, [knob]: Math.min(last, Math.max(0, (each.grade[knob] ?? 0) + by)) } } : each,
  );
  return { ...task, ladder: { ...task.ladder, steps } };
}

/** After a step came or went at `place`: the start and what the materials are needed for move along. */
function withSteps(task: TaskContent, steps: TaskStep[], place: number, by: 1 | -1): TaskContent {
  const count = steps.length;
  const within = (step: number) => Math.min(count, Math.max(1, step));
  const { startStep } = task.ladder;
  const start = within(startStep - 1 > place || (by > 0 && startStep - 1 === place) ? startStep + by : startStep);
  const shifted = withSpans(task, ({ from, to }) => {
    const begin = from - 1 > place || (by > 0 && from - 1 === place) ? from + by : from;
    const end = to - 1 >= place ? to + by : to;
    return { from: within(begin), to: within(Math.max(begin, end)) };
  });
  return { ...shifted, ladder: { ...task.ladder, startStep: start, steps } };
}

function moved(task: TaskContent, step: number, by: 1 | -1): TaskContent {
  const steps = [...task.ladder.steps];
  const other = steps[step + by];
  if (!other) return task;
  steps[step + by] = steps[step]!;
  steps[step] = other;
  return { ...task, ladder: { ...task.ladder, steps } };
}

function withKnob(task: TaskContent, knob: KnobKey, offered: readonly UsualLevel[], name?: LocalText): TaskContent {
  if (task.knobs.some((known) => known.knob === knob)) return task;
  const usual = offered.slice(0, MOST_LEVELS);
  const levels = usual.length >= 2 ? usual : [EMPTY, EMPTY];
  const knobs = [...task.knobs, { knob, ...(name ? { name } : {}), levels }];
  // In its middle there is a way to either side.
  const middle = Math.floor((levels.length - 1) / 2);
  return withGrades({ ...task, knobs }, (step) => ({ ...step, grade: { ...step.grade, [knob]: middle } }));
}

function withoutKnob(task: TaskContent, knob: KnobKey): TaskContent {
  if (task.knobs.length <= 1) return task;
  return withGrades({ ...task, knobs: task.knobs.filter((known) => known.knob !== knob) }, (step) => {
    const { [knob]: _gone, ...grade } = step.grade;
    return { ...step, grade };
  });
}

/** Steps at the level that goes stand at the next easier one; those above it keep their level, which has moved down. */
function withoutLevel(task: TaskContent, knob: KnobKey, level: number): TaskContent {
  const known = task.knobs.find((each) => each.knob === knob);
  if (!known || known.levels.length <= 2) return task;
  const knobs = task.knobs.map((each) => (each === known ? { ...each, levels: each.levels.filter((_, index) => index !== level) } : each));
  return withGrades({ ...task, knobs }, (step) => {
    const at = step.grade[knob] ?? 0;
    return { ...step, grade: { ...step.grade, [knob]: at >= level ? Math.max(0, at - 1) : at } };
  });
}

const gradeKey = (task: TaskContent, grade: Grade) => task.knobs.map(({ knob }) => grade[knob] ?? 0).join();

/** A proposed ladder: steps that stand on it already keep their words, new ones are called by the level that moved. */
function withLadder(task: TaskContent, grades: readonly Grade[], startStep: number): TaskContent {
  const steps = grades.map((grade, index): TaskStep => {
    const known = task.ladder.steps.find((step) => gradeKey(task, step.grade) === gradeKey(task, grade));
    if (known) return { ...known, grade: { ...grade } };
    const before = grades[index - 1];
    const movedKnob = before && task.knobs.find(({ knob }) => (before[knob] ?? 0) !== (grade[knob] ?? 0));
    const level = movedKnob?.levels[grade[movedKnob.knob] ?? 0];
    return { name: level ? textOf(level) : EMPTY, how: EMPTY, grade: { ...grade } };
  });
  const materials = task.materials.map((material) =>
    material.steps
      ? { ...material, steps: { from: Math.min(material.steps.from, steps.length), to: Math.min(material.steps.to, steps.length) } }
      : material,
  );
  return { ...task, materials, ladder: { ...task.ladder, steps, startStep } };
}
