export { EVIDENCE_DAYS, RULE_NAMES, ruleFor, RULES } from './rules';
export type { BandSettings, MOfNSettings, Rule, RuleName, StreakSettings } from './rules';
export { askedHelp } from './promptFading';
export type { AskedHelp, PromptFading } from './promptFading';
export { remember, triesAt } from './remember';
export { suggestStep } from './suggestStep';
export type { Move, Suggestion, TaskStanding, Try, WhatWouldChange } from './suggestion';
