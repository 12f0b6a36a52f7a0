import type { LeftOut, PlanRule, WhyNot } from '@/core/planner';
import type { LocalText } from '@/core/text';
import type { Part, Skill } from '@/core/vocabulary';
import { words } from '../../shared/deskWords';
import { safetyWords } from '../parts/taskWords';

/** A rule as it stands in the way of something. */
const RULES: Readonly<Record<PlanRule, string>> = {
  minutes: 'the family’s minutes per day',
  daysOfTask: 'a task is done on two to five days a week',
  gripRest: 'a hand rests the day after firm gripping',
  gripCap: 'so many firm repetitions a day at most',
  newTasks: 'two new tasks a week at most',
  family: 'one task of a kind, even in another theme',
  warmUpFirst: 'a day begins with a warm-up',
  parts: 'every part of the session is in the week',
  pinned: 'pinned tasks stay',
  banned: 'tasks you removed stay out',
};

/** Rules that can't hold together, as a sentence's end. */
export function rulesInWords(rules: readonly PlanRule[]): string {
  return rules.map((rule) => RULES[rule]).join('; ');
}

const shapeName = (shape: string) => shape.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);

/** The first reason why a task is not looked at. */
export function leftOutWords(why: LeftOut): string {
  switch (why.kind) {
    case 'closed':
      return 'on hold after an injury report, until you reopen it.';
    case 'age':
      return 'for another age.';
    case 'dressNotWanted':
      return 'the family asked not to get this theme.';
    case 'fitsLess':
      return 'a weaker match than the tasks that were considered.';
    case 'safety':
      return safetyWords(why.finding);
    case 'triedInVain':
      return `step ${why.step} was tried twice without success. Check it at school first.`;
    case 'shapeLater':
      return `${shapeName(why.before)} comes before it in the order chosen for this student.`;
    case 'notAtHome':
      return `not at home: ${why.materials.map(({ name }) => name.en).join(', ')}.`;
    case 'takesTooLong':
      return `takes ${Math.round(why.minutes)} minutes, more than the family has on a day.`;
  }
}

interface Names {
  readonly task: (taskId: number) => LocalText | undefined;
  readonly goal: (goalId: number) => string;
}

/** Why a task that could stand is not in the week. */
export function whyNotWords(why: WhyNot, { task, goal }: Names): string {
  if (why.kind === 'rules') return `With this task, these rules cannot all be kept: ${rulesInWords(why.rules)}.`;
  const out = why.out.map((taskId) => task(taskId)?.en ?? '').filter(Boolean);
  const less = why.less.map(({ goalId, by }) => `“${goal(goalId)}” would get ${Math.round(by)} fewer`);
  const said = [...(out.length > 0 ? [`It would replace ${out.join(' and ')}`] : []), ...less];
  if (said.length === 0)
    return why.by < 0.05 ? 'Fits as well as this week’s tasks. You could use it.' : 'Adds a task without helping any goal.';
  return `${said.join('; ')}.`.replace(/^./, (first) => first.toUpperCase());
}

/** Why a task is in the week. */
export function whyWords(
  {
    days,
    isUnderWay,
    isNew,
    isLiked,
    isOfTheme,
    packs,
    step,
    heavy,
  }: {
    readonly days: number;
    readonly isUnderWay: boolean;
    readonly isNew: boolean;
    readonly isLiked: boolean;
    readonly isOfTheme: boolean;
    readonly packs: number;
    readonly step: number;
    readonly heavy: boolean;
  },
  goals: readonly string[],
  part: Part,
  skill: Skill,
): string {
  const reasons = [
    ...goals.map((goal) => `for “${goal}”`),
    ...(goals.length === 0 && part === 'warmUp' ? ['each day begins with a warm-up'] : []),
    ...(goals.length === 0 && part !== 'warmUp' ? [`trains ${words(`skills.${skill}`)}`] : []),
    isUnderWay ? `continues at step ${step}` : isNew ? `new, begins at step ${step}` : `stayed at step ${step} before`,
    ...(heavy ? ['firm grip, a day between'] : []),
    ...(isLiked ? ['of what the student likes'] : []),
    ...(isOfTheme ? ['in this week’s theme'] : []),
    ...(packs > 0 ? [`${packs} ${packs === 1 ? 'thing' : 'things'} to pack`] : []),
  ];
  return `${days} ${days === 1 ? 'day' : 'days'}: ${reasons.join(', ')}.`;
}

const PART_WORDS = { warmUp: 'Warm-up', tableWork: 'Table work', writing: 'Writing', selfCare: 'Self-care' } as const satisfies Record<
  Part,
  string
>;

export const partWords = (part: Part): string => PART_WORDS[part];
