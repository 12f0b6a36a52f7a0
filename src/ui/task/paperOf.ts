import { addDays, type CalendarDay } from '@/core/calendar';
import { factsOf } from '@/core/students';
import { doseAt, minutesOf, calculateDose } from '@/core/dose';
import type { Paper, PaperMap, PaperSize, PaperSlip, PaperTask } from '@/core/print';
import { askedOn, type ProgramTask } from '@/core/programs';
import { codeLettersOf } from '@/core/replies';
import { safeSubstitutes } from '@/core/safety';
import { callChild, isNeededAt, linesAt, mapsFor } from '@/core/tasks';
import { languageOf } from '@/core/text';
import type { PaperView } from '@/server/programs/viewPaper';
import { briefWeekday, dayLocale, longDay, weekdayName } from '../shared/days';
import type { FamilyWords } from '../shared/familyWords';
import { cautionLines } from './cautionLines';
import { targetWords } from './targetWords';

const WEEK = 7;
/** Columns that fit beside each other. */
const MOST_TASKS = 4;

export interface PaperOptions {
  readonly size: PaperSize;
  readonly isLarge: boolean;
  /** The slip's first day. */
  readonly from: CalendarDay;
}

/** A program on paper, in the family's words: what is closed, or was ended, is on no paper. */
export function paperOf(view: PaperView, words: FamilyWords, { size, isLarge, from }: PaperOptions): Paper {
  const { t, language } = words;
  const { child, program, closedTaskIds, emergencyNumber } = view;
  const tasks = (program?.tasks ?? []).filter(({ taskId }) => !closedTaskIds.includes(taskId));
  const locale = dayLocale(language);
  const groups = Array.from({ length: Math.ceil(tasks.length / MOST_TASKS) }, (_, index) =>
    tasks.slice(index * MOST_TASKS, (index + 1) * MOST_TASKS),
  );
  return {
    language: locale,
    size,
    isLarge,
    name: child.calledName,
    until: program ? t('paperUntil', { day: longDay(program.endsOn, locale) }) : '',
    tasks: tasks.map((task) => taskOf(task, view, words)),
    slips: groups.map((group) => slipOf(group, view, words, from)),
    hurt: t('paperHurt', { number: emergencyNumber }),
    care: t('care'),
  };
}

function taskOf(task: ProgramTask, { child, today, letters }: PaperView, words: FamilyWords): PaperTask {
  const { t, local } = words;
  const { step } = task;
  const content = callChild(task.content, { en: child.calledName });
  const dose = doseAt(task.dose, step);
  const care = factsOf(child, today);
  const about = { content, step, child: { calledName: child.calledName, hand: child.hand, care }, words, pieces: 0 };
  const needed = content.materials.filter((material) => isNeededAt(material, step));
  const lines = (list: 'helperSteps' | 'childSteps' | 'cues' | 'looksRight') => linesAt(content, list, step).map(local);
  const pieces = dose.piecesPerRepetition > 0 ? calculateDose(dose, 1).piecesPerDay : 0;
  return {
    letter: letters.get(task.taskId) ?? null,
    title: local(content.title),
    description: content.description ? local(content.description) : '',
    part: t(`parts.${task.part}`),
    how: local(content.ladder.steps[step - 1]!.how),
    amount: `${targetWords(dose, words)} · ${t('minutesAbout', { minutes: Math.max(1, Math.round(minutesOf(dose))) })}${dose.goodOne ? ` · ${t('goodOne', { what: local(dose.goodOne) })}` : ''}`,
    maps: mapsFor(content, child.hand, step).map(({ hand, places }): PaperMap => {
      const at = (side: 'left' | 'right' | 'middle' | 'far') =>
        places.filter((place) => place.side === side).map((place) => local(place.what));
      const caption = hand === 'unsettled' ? t('unsettled', { name: child.calledName }) : `${t('table')}: ${t(`mapHand.${hand}`)}`;
      return { caption, left: at('left'), right: at('right'), middle: at('middle'), far: at('far') };
    }),
    lists: [
      {
        heading: t('need'),
        lines: [
          ...needed.map((material) => {
            const other = safeSubstitutes(content, material, care)[0];
            const count = material.count > 1 ? ` × ${material.count}` : '';
            return `${local(material.name)}${count}${material.optional ? ` (${t('optional')})` : ''}${other ? ` (${t('orElse', { what: local(other) })})` : ''}`;
          }),
          ...(pieces > 0 ? [t('prepare', { pieces })] : []),
        ],
      },
      { heading: t('watchOut'), lines: cautionLines(about).filter(Boolean), isCaution: true },
      { heading: t('youDo'), lines: [...lines('helperSteps'), ...lines('cues')] },
      { heading: t('childDoes', { name: child.calledName }), lines: lines('childSteps') },
      { heading: t('looksRight'), lines: lines('looksRight') },
    ],
  };
}

function slipOf(
  tasks: readonly ProgramTask[],
  { child, program, letters, link }: PaperView,
  words: FamilyWords,
  from: CalendarDay,
): PaperSlip {
  const { t, local, language } = words;
  const locale = dayLocale(language);
  const code = codeLettersOf(languageOf(language));
  const days = Array.from({ length: WEEK }, (_, index) => addDays(from, index));
  const letterOf = <Meaning extends string>(of: Readonly<Record<string, Meaning>>, meaning: Meaning) =>
    Object.keys(of).find((letter) => of[letter] === meaning) ?? '';
  const doseOf = (task: ProgramTask) => calculateDose(doseAt(task.dose, task.step), 1);
  const [first] = tasks;
  const { handTurns, perDay, perHand } = doseOf(first!);
  const example = `${letters.get(first!.taskId) ?? ''}${handTurns === 2 ? `${code.left}${perHand}${code.right}${perHand}` : perDay || 1}`;
  return {
    title: t('slip.title', { name: child.calledName }),
    span: t('slip.span', {
      from: `${weekdayName(days[0]!, locale)}, ${longDay(days[0]!, locale)}`,
      to: `${weekdayName(days.at(-1)!, locale)}, ${longDay(days.at(-1)!, locale)}`,
    }),
    how: t('slip.how'),
    day: t('slip.day'),
    rows: { howMany: t('slip.howMany'), help: t('slip.myHelp'), effort: t('slip.howHard') },
    days: days.map((day) => ({ name: briefWeekday(day, locale), date: longDay(day, locale) })),
    tasks: tasks.map((task) => {
      const calculated = doseOf(task);
      const of = calculated.perDay > 0 ? t('ofTarget', { target: calculated.perDay }) : '';
      return {
        letter: letters.get(task.taskId) ?? '',
        title: local(task.content.title),
        amount: targetWords(doseAt(task.dose, task.step), words),
        boxes:
          calculated.handTurns === 2
            ? [
                { before: code.left, after: '' },
                { before: code.right, after: '' },
              ]
            : [{ before: '', after: of }],
        asked: days.map((day) => askedOn(program, day).includes(task)),
      };
    }),
    helpLetters: Object.keys(code.help),
    effortLetters: Object.keys(code.effort),
    notDone: code.notDone,
    legend: [
      { heading: t('slip.howMany'), words: t('slip.legendMany', { left: code.left, right: code.right }) },
      {
        heading: t('slip.myHelp'),
        words: t('slip.legendHelp', {
          none: letterOf(code.help, 'alone'),
          words: letterOf(code.help, 'words'),
          show: letterOf(code.help, 'shown'),
          hands: letterOf(code.help, 'handOverHand'),
        }),
      },
      {
        heading: t('slip.howHard'),
        words: t('slip.legendHard', {
          hard: letterOf(code.effort, 'tooHard'),
          right: letterOf(code.effort, 'right'),
          easy: letterOf(code.effort, 'tooEasy'),
        }),
      },
      {
        heading: t('slip.notDone'),
        words: t('slip.legendNot', {
          cross: code.notDone,
          time: letterOf(code.reasons, 'time'),
          ill: letterOf(code.reasons, 'ill'),
          refused: letterOf(code.reasons, 'refused'),
          missing: letterOf(code.reasons, 'missing'),
          tooHard: letterOf(code.reasons, 'tooHard'),
          other: letterOf(code.reasons, 'other'),
        }),
      },
    ],
    note: t('slip.note'),
    byText: t('slip.byText', { example }),
    link: link === null ? null : { address: link, words: t('slip.orReport') },
    code: `${child.id}-${program!.number}`,
  };
}
