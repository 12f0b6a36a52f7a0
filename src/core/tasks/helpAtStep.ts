import { HELP_LEVELS, type HelpLevel } from '../sessions';
import type { LocalText } from '../text';
import { SETTING_WORDS } from './settingWords';
import { knobOf, type TaskContent } from './taskContent';

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

/** What the helper does at a step. How help is faded is not said where there is nothing left to fade. */
export function helperStepsAt(content: Pick<TaskContent, 'knobs' | 'ladder' | 'helperSteps'>, step: number): LocalText[] {
  const help = helpAtStep(content, step);
  if (help !== 'words' && help !== 'alone') return content.helperSteps;
  const fading = Object.values(SETTING_WORDS.promptFading).map(({ en }) => en);
  return content.helperSteps.filter(({ en }) => !fading.includes(en));
}
