import { isFieldKnob, type KnobKey, type TaskKnob } from '@/core/knobs';
import type { LadderFinding } from '@/core/ladder';
import type { TaskFinding } from '@/core/library';
import type { SafetyFinding, SmallPartVerdict } from '@/core/safety';
import type { TaskContent, TaskStep } from '@/core/tasks';
import { words } from '../../shared/deskWords';
import { languageName } from '../../shared/languageName';

/** The field's name of a knob, or the name that the task gave its own. */
export function knobName(knobs: readonly TaskKnob[], knob: KnobKey): string {
  if (isFieldKnob(knob)) return words(`knobs.${knob}`);
  return knobs.find((known) => known.knob === knob)?.name?.en || knob.slice('own:'.length);
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** Describes a fault of a ladder, where it is, and how to fix it. */
export function ladderFindingWords(
  finding: LadderFinding,
  task: Pick<TaskContent, 'knobs'> & { readonly ladder: { readonly steps: readonly Pick<TaskStep, 'manyKnobsReason'>[] } },
): string {
  const { step } = finding;
  const before = step - 1;
  const name = (knob: KnobKey) => knobName(task.knobs, knob);
  switch (finding.code) {
    case 'tooFewSteps':
      return words('ladderFindings.tooFewSteps', { count: finding.count });
    case 'unknownKnob':
      return words('ladderFindings.unknownKnob', { step, knob: name(finding.knob) });
    case 'levelOutOfRange':
      return words('ladderFindings.levelOutOfRange', { step, knob: name(finding.knob), level: finding.level + 1, levels: finding.levels });
    case 'equalSteps':
    case 'easierStep':
    case 'mixedStep':
    case 'demandFalls':
      return words(`ladderFindings.${finding.code}`, { step, before, knobs: finding.knobs.map(name).join(', ') });
    case 'manyKnobs': {
      const knobs = finding.knobs.map(name).join(', ');
      const reason = task.ladder.steps[step - 1]?.manyKnobsReason;
      return finding.severity === 'note' && reason
        ? words('ladderFindings.manyKnobsExcused', { step, count: finding.knobs.length, knobs, reason })
        : words('ladderFindings.manyKnobs', { step, count: finding.knobs.length, knobs });
    }
    case 'startOffLadder':
      return words('ladderFindings.startOffLadder', { step, count: finding.count });
    case 'fewLevels':
    case 'sameKnobTwice':
    case 'badWeight':
      return words(`ladderFindings.${finding.code}`, { knob: capital(name(finding.knob)) });
    case 'badMeasure':
      return words('ladderFindings.badMeasure', { knob: capital(name(finding.knob)), measure: words(`measures.${finding.measure}`) });
    case 'startAtEnd':
      return words('ladderFindings.startAtEnd');
    case 'doesNotFit':
      return words('ladderFindings.doesNotFit', { step, item: finding.itemMm, opening: finding.openingMm });
    case 'bigJump':
      return words('ladderFindings.bigJump', { step, times: finding.times.toFixed(1) });
    case 'idleKnob':
      return words('ladderFindings.idleKnob', { knob: capital(name(finding.knob)) });
  }
}

/** Describes a fault of a task, where it is, and how to fix it. */
export function taskFindingWords(finding: TaskFinding, task: TaskContent): string {
  const name = (knob: KnobKey) => knobName(task.knobs, knob);
  switch (finding.code) {
    case 'ladder':
      return ladderFindingWords(finding.finding, task);
    case 'wording':
      return wordingWords(finding);
    case 'untranslated':
      return words('taskFindings.untranslated', { count: finding.count, language: languageName(finding.language) });
    case 'numberNotTarget':
      return words('taskFindings.numberNotTarget', { said: finding.said, asked: finding.asked });
    case 'leansOnStepBefore':
      return words('taskFindings.leansOnStepBefore', { said: finding.said });
    case 'handsNotTarget':
      return words('taskFindings.handsNotTarget');
    case 'titleNamesHazard':
      return words('taskFindings.titleNamesHazard', { said: finding.said });
    case 'placeNotNeeded':
      return words('taskFindings.placeNotNeeded', { thing: finding.thing.en, step: finding.step });
    case 'stepsOutside':
      return words('taskFindings.stepsOutside', { count: finding.count });
    case 'knobTwice':
      return words('taskFindings.knobTwice', { knob: capital(name(finding.knob)) });
    case 'ownKnobUnnamed':
      return words('taskFindings.ownKnobUnnamed', { knob: name(finding.knob) });
    case 'agesTurned':
      return words('taskFindings.agesTurned', { from: finding.from, to: finding.to });
    case 'longDose':
      return words('taskFindings.longDose', { minutes: finding.minutes, most: finding.most });
    case 'heavyOverCap':
      return words('taskFindings.heavyOverCap', { repetitions: finding.repetitions, cap: finding.cap });
    case 'noPiecesMaterial':
      return words('taskFindings.noPiecesMaterial', { pieces: finding.pieces });
    case 'materialTwice':
    case 'noShape':
      return words(`taskFindings.${finding.code}`, { thing: finding.thing.en });
    case 'materialOffLadder':
      return words('taskFindings.materialOffLadder', { thing: finding.thing.en, from: finding.from, to: finding.to, count: finding.count });
    case 'needUnknown':
      return words('taskFindings.needUnknown', { knob: name(finding.knob), id: finding.id });
    case 'substituteOffKnob':
      return words('taskFindings.substituteOffKnob', { thing: finding.thing.en, knob: name(finding.knob) });
    case 'substituteBreaks':
      return words('taskFindings.substituteBreaks', { thing: finding.thing.en, step: finding.step });
    case 'noTwin':
      return words('taskFindings.noTwin', { trait: finding.trait });
    case 'idleSetting':
      return words(`taskFindings.idleSettings.${finding.setting}`, { hole: finding.setting === 'shapeOrder' ? '{shape}' : '{mark}' });
    case 'noCue':
      return words('taskFindings.noCue');
  }
}

function wordingWords({ language, finding }: Extract<TaskFinding, { code: 'wording' }>): string {
  switch (finding.code) {
    case 'gradeTooHigh':
      return words('taskFindings.gradeTooHigh', {
        language: languageName(language),
        grade: finding.grade.toFixed(1),
        most: finding.most,
      });
    case 'longSentence':
      return words('taskFindings.longSentence', { words: finding.words, most: finding.most });
    case 'jargon':
      return words('taskFindings.jargon', { term: finding.term, plain: finding.plain });
  }
}

/** A finding of safety, with the thing that it speaks of. */
export function safetyWords({ rule, thing, of, asks }: SafetyFinding): string {
  const kind =
    rule === 'texture' ? words(`textures.${of as 'sticky'}`) : rule === 'allergen' ? words(`allergens.${of as 'wheat'}`) : (of ?? '');
  return words(`safety.${rule}`, {
    thing: capital(thing?.en ?? words('safety.theTask')),
    of: rule === 'precaution' ? capital(kind) : kind,
    asks: asks ?? '',
  });
}

/** Why a thing is, or is not, a small part. */
export function smallPartWords(verdict: SmallPartVerdict | null): string {
  if (!verdict) return words('smallParts.noShape');
  return verdict.fits ? words(`smallParts.${verdict.kind}`) : words(`smallParts.${verdict.kind}`, { over: verdict.overMm.toFixed(1) });
}

/** The names of all skills that a task practises: it is searched by them. */
export function skillsInWords(task: Pick<TaskContent, 'skill' | 'otherSkills'>): string {
  return [task.skill, ...task.otherSkills].map((skill) => words(`skills.${skill}`)).join(' ');
}
