import { HELP_LEVELS, type HelpLevel } from '../vocabulary';
import { SETTING_WORDS } from './settingWords';
import { doseAtStep } from './doseAtStep';
import { isNeededAt, knobOf, type TaskContent, type TaskLine } from './taskContent';

/** The levels of the help knob by their usual names, as a report names the help that was given. */
const HELP_OF_LEVEL: Readonly<Record<string, HelpLevel>> = {
  handOverHand: 'handOverHand',
  wristSupport: 'steadied',
  shown: 'shown',
  pointed: 'pointed',
  words: 'words',
  alone: 'alone',
};

/** The help that a step's own grade is made of; null where the task turns no such knob, or names its level in its own way. */
export function helpAtStep(content: Pick<TaskContent, 'knobs' | 'ladder'>, step: number): HelpLevel | null {
  const level = knobOf(content, 'help')?.levels[content.ladder.steps[step - 1]?.grade.help ?? 0];
  return HELP_OF_LEVEL[level?.usual ?? ''] ?? null;
}

/**
 * The most help with which a session at a step may count as reached: the larger of what is allowed anyway and what the
 * step's own grade is made of. A step that is done hand on hand is reached hand on hand.
 * @example mostHelpAt(roadLoop, 1, 'shown') // 'handOverHand'
 */
export function mostHelpAt(content: Pick<TaskContent, 'knobs' | 'ladder'>, step: number, allowed: HelpLevel): HelpLevel {
  const own = helpAtStep(content, step);
  return own !== null && HELP_LEVELS.indexOf(own) < HELP_LEVELS.indexOf(allowed) ? own : allowed;
}

/** Lines of a setting that hold only at steps with another kind of help, or with turns of the hands. */
const wordsOf = (setting: 'promptFading' | 'hands') => Object.values(SETTING_WORDS[setting]).map(({ en }) => en);

/**
 * The lines of a task that are said at a step. How help is faded is not said where there is nothing left to fade, nor turns of
 * the hands where both work at once.
 */
export function linesAt(content: Pick<TaskContent, 'knobs' | 'ladder' | 'dose' | LineList>, list: LineList, step: number): TaskLine[] {
  const help = helpAtStep(content, step);
  const idle = [
    ...(help === 'words' || help === 'alone' ? wordsOf('promptFading') : []),
    ...(doseAtStep(content, step).hands === 'both' ? wordsOf('hands') : []),
  ];
  return content[list].filter((line) => isNeededAt(line, step) && !idle.includes(line.en));
}

type LineList = 'helperSteps' | 'childSteps' | 'cues' | 'looksRight' | 'cautions';
