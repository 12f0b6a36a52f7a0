import { DEFAULT_OUTCOME_SETTINGS, type OutcomeSettings } from '../reports';
import { mostHelpAt, type TaskContent } from '../tasks';

/** How a session at a step of a task is judged: with the help that the step itself is made of. */
export function outcomeSettingsAt(
  content: Pick<TaskContent, 'knobs' | 'ladder'>,
  step: number,
  settings: OutcomeSettings = DEFAULT_OUTCOME_SETTINGS,
): OutcomeSettings {
  return { ...settings, mostHelp: mostHelpAt(content, step, settings.mostHelp) };
}
