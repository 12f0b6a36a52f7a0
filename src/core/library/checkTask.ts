import { checkHeavyGrip, HEAVY_GRIP_CAP, minutesOf, calculateDose } from '../dose';
import { checkAmountWords } from './checkAmountWords';
import { checkStandsAlone } from './checkStandsAlone';
import { isFieldKnob } from '../knobs';
import { checkLadder, type LadderFinding } from '../ladder';
import { matchHome } from '../materials';
import { hasTrait } from '../safety';
import type { Hazard } from '../vocabulary';
import { isNeededAt, mayChangeMarkOrder, mayChangeShapeOrder, type TaskContent } from '../tasks';
import { isTranslated, LANGUAGES, plain, TASK_LANGUAGES, textOf, type Language, type LocalText } from '../text';
import { checkWording, familyTextOf, MOST_GRADE, readingGrade } from '../wording';
import type { TaskFinding } from './taskFinding';

/** Steps that a ladder of a finished task has. Common practice, no published source. */
export const USUAL_STEPS = { least: 5, most: 12 } as const;
/** Minutes that one rich task takes. Common practice, no published source. */
export const MOST_MINUTES = 20;

/**
 * Everything that is wrong with a task, in the order of its parts: ladder, dose, materials, words. The task's form
 * (nothing empty, numbers in range) is the schema's to hold. Source: common practice, where no other is named.
 */
export function checkTask(task: TaskContent): TaskFinding[] {
  return [
    ...checkKnobs(task),
    ...checkSteps(task),
    ...checkAmountWords(task),
    ...checkStandsAlone(task),
    ...checkDose(task),
    ...checkPlaces(task),
    ...checkMaterials(task),
    ...checkCare(task),
    ...checkTitle(task),
    ...checkWords(task),
  ];
}

function checkKnobs({ knobs, materials }: TaskContent): TaskFinding[] {
  return knobs.flatMap(({ knob, name, levels }, index) => {
    const path = `knobs.${index}`;
    const findings: TaskFinding[] = [];
    if (knobs.findIndex((other) => other.knob === knob) < index) findings.push({ severity: 'error', path, code: 'knobTwice', knob });
    if (!isFieldKnob(knob) && !name) findings.push({ severity: 'error', path, code: 'ownKnobUnnamed', knob });
    const unknown = levels.flatMap((level) => level.needs ?? []).filter((id) => !materials.some((material) => material.id === id));
    for (const id of new Set(unknown)) findings.push({ severity: 'error', path, code: 'needUnknown', knob, id });
    return findings;
  });
}

function checkSteps({ knobs, ladder, ages }: TaskContent): TaskFinding[] {
  const findings = checkLadder(knobs, ladder).map((finding): TaskFinding => ({
    severity: finding.severity,
    path: pathOf(finding),
    code: 'ladder',
    finding,
  }));
  const count = ladder.steps.length;
  if (count >= 2 && (count < USUAL_STEPS.least || count > USUAL_STEPS.most))
    findings.push({ severity: 'warning', path: 'ladder', code: 'stepsOutside', count });
  if (ages.fromYears > ages.toYears)
    findings.push({ severity: 'error', path: 'ages', code: 'agesTurned', from: ages.fromYears, to: ages.toYears });
  return findings;
}

function pathOf(finding: LadderFinding): string {
  switch (finding.code) {
    case 'tooFewSteps':
    case 'startOffLadder':
    case 'startAtEnd':
    case 'idleKnob':
      return 'ladder';
    default:
      return `ladder.steps.${finding.step - 1}`;
  }
}

function checkDose({ dose, materials }: TaskContent): TaskFinding[] {
  const findings: TaskFinding[] = [];
  const minutes = minutesOf(dose);
  if (minutes > MOST_MINUTES)
    findings.push({ severity: 'warning', path: 'dose', code: 'longDose', minutes: Math.round(minutes), most: MOST_MINUTES });
  const [over] = checkHeavyGrip([{ dose, weekdays: [1] }]);
  if (over?.code === 'heavyGripOverCap')
    findings.push({ severity: 'warning', path: 'dose', code: 'heavyOverCap', repetitions: over.repetitions, cap: HEAVY_GRIP_CAP });
  const { piecesPerDay, unit } = calculateDose(dose, 1);
  // Sheets and bands are counted by the piece; water and clay are not, and have a count of one.
  if (unit === 'repetitions' && piecesPerDay > 1 && materials.every(({ count }) => count < piecesPerDay))
    findings.push({ severity: 'note', path: 'dose', code: 'noPiecesMaterial', pieces: piecesPerDay });
  return findings;
}

/** Checks the table map: each thing on it at a step is one of the things needed there, by its ids or else by its words. */
function checkPlaces(task: TaskContent): TaskFinding[] {
  const wordsOf = (text: LocalText) =>
    plain(text.en)
      .split(/[^a-z]+/)
      .filter((word) => word.length > 3 || (word.length > 2 && word !== 'the'));
  const stem = (word: string) => word.slice(0, 4);
  return task.tableMap.flatMap((placed, index): TaskFinding[] => {
    if (placed.things) return [];
    const step = task.ladder.steps.findIndex((_, place) => {
      const needed = task.materials.filter((material) => isNeededAt(material, place + 1)).flatMap(({ name }) => wordsOf(name).map(stem));
      return !wordsOf(placed.what).some((word) => needed.includes(stem(word)));
    });
    return step < 0 ? [] : [{ severity: 'note', path: `tableMap.${index}`, code: 'placeNotNeeded', thing: placed.what, step: step + 1 }];
  });
}

function checkMaterials(task: TaskContent): TaskFinding[] {
  const count = task.ladder.steps.length;
  return task.materials.flatMap((material, index) => {
    const path = `materials.${index}`;
    const thing = material.name;
    const findings: TaskFinding[] = [];
    // A thing whose size grows with the steps is listed twice, each time for its own steps.
    const twice = task.materials.findIndex((other) => other.id === material.id && overlap(other, material, count));
    if (twice < index) findings.push({ severity: 'error', path, code: 'materialTwice', thing });
    const { from, to } = material.steps ?? { from: 1, to: count };
    if (from > to || to > count) findings.push({ severity: 'error', path, code: 'materialOffLadder', thing, from, to, count });
    if (!material.shape && material.sizeMm === undefined) findings.push({ severity: 'warning', path, code: 'noShape', thing });
    material.substitutes.forEach((substitute, place) =>
      findings.push(...checkSubstitute(task, material.id, substitute, `${path}.substitutes.${place}`)),
    );
    return findings;
  });
}

function overlap(a: TaskContent['materials'][number], b: TaskContent['materials'][number], count: number): boolean {
  return isNeededAt(a, b.steps?.from ?? 1, b.steps?.to ?? count);
}

/** With one substitute in and all else at home, the steps that need it must still get harder, or it is said. */
function checkSubstitute(
  task: TaskContent,
  replacedId: string,
  substitute: TaskContent['materials'][number]['substitutes'][number],
  path: string,
): TaskFinding[] {
  const thing: LocalText = textOf(substitute);
  const off = substitute.levels.find(({ knob, level }) => !task.knobs.find((known) => known.knob === knob)?.levels[level]);
  if (off) return [{ severity: 'error', path, code: 'substituteOffKnob', thing, knob: off.knob }];
  if (substitute.levels.length === 0) return [];
  const home = task.materials.map((material) => material.id).filter((id) => id !== replacedId);
  const id = substitute.id ?? 'substitute';
  const only = {
    ...task,
    materials: task.materials.map((material) =>
      material.id === replacedId ? { ...material, substitutes: [{ ...substitute, id }] } : material,
    ),
  };
  const broken = matchHome(only, [...home, id]).findings.find((finding) => finding.severity === 'error');
  return broken ? [{ severity: 'note', path, code: 'substituteBreaks', thing, step: broken.step }] : [];
}

/** Hazards that a title may name, and the hazards of things that answer to them. Common practice, no source. */
const NAMED_IN_TITLES: readonly (readonly [RegExp, readonly Hazard[]])[] = [
  [/\b(?:knife|knives)\b/i, ['knife']],
  [/\b(?:scissors?|snips?|snipping|cut|cuts|cutting)\b/i, ['blade', 'knife']],
  [/\b(?:strings?|cords?|ropes?|laces?|ribbons?|yarn)\b/i, ['cord']],
  [/\b(?:rubber|hair|elastic) ?bands?\b/i, ['band']],
  [/\bballoons?\b/i, ['balloon']],
  [/\bmagnets?\b/i, ['magnet']],
  [/\bglue\b/i, ['glue']],
  [/\b(?:plastic|zip) bags?\b/i, ['bag']],
  [/\b(?:soap|suds|lather)\b/i, ['soap', 'foam']],
  [/\b(?:climb|climbing)\b/i, ['climbing']],
  [/\b(?:cook|bake|eat|snack|taste)\b/i, ['food']],
];

function checkTitle({ title, materials, moveHazards }: TaskContent): TaskFinding[] {
  const brought = new Set<Hazard>([...moveHazards, ...materials.flatMap(({ hazards }) => hazards)]);
  return NAMED_IN_TITLES.flatMap(([named, hazards]): TaskFinding[] => {
    const said = named.exec(title.en)?.[0];
    const isUnsaid = said !== undefined && !hazards.some((hazard) => brought.has(hazard));
    return isUnsaid ? [{ severity: 'warning', path: 'title', code: 'titleNamesHazard', said }] : [];
  });
}

function checkCare(task: TaskContent): TaskFinding[] {
  const findings: TaskFinding[] = [];
  for (const trait of ['scissors', 'food'] as const) {
    if (hasTrait(task, trait) && !task.twins.some((twin) => twin.instead === trait))
      findings.push({ severity: 'warning', path: 'twins', code: 'noTwin', trait });
  }
  if (task.settings.shapeOrder && task.shape === undefined && !mayChangeShapeOrder(task))
    findings.push({ severity: 'warning', path: 'settings', code: 'idleSetting', setting: 'shapeOrder' });
  if (task.settings.markOrder && !mayChangeMarkOrder(task))
    findings.push({ severity: 'warning', path: 'settings', code: 'idleSetting', setting: 'markOrder' });
  if (task.cues.length === 0) findings.push({ severity: 'warning', path: 'cues', code: 'noCue' });
  return findings;
}

/**
 * Checks the words. One short text has no meaningful grade, so the grade is that of all the words together; everything else is
 * checked text by text.
 */
function checkWords(task: TaskContent): TaskFinding[] {
  const whole = LANGUAGES.flatMap((language): TaskFinding[] => {
    const grade = readingGrade(familyTextOf(task, language), language);
    if (grade === null || grade <= MOST_GRADE) return [];
    return [{ severity: 'error', path: 'words', code: 'wording', language, finding: { code: 'gradeTooHigh', grade, most: MOST_GRADE } }];
  });
  const single = familyTexts(task).flatMap(({ path, text }) =>
    LANGUAGES.flatMap((language) =>
      checkWording(text[language] ?? '', language)
        .findings.filter((finding) => finding.code !== 'gradeTooHigh')
        .map((finding): TaskFinding => ({ severity: 'warning', path, code: 'wording', language, finding })),
    ),
  );
  const begun = LANGUAGES.filter((language) => TASK_LANGUAGES.some((each) => each === language) || isTranslated(task.title, language));
  const untranslated = begun.flatMap((language): TaskFinding[] => {
    const count = familyTexts(task).filter(({ text }) => !isTranslated(text, language)).length;
    return count ? [{ severity: 'note', path: 'words', code: 'untranslated', language, count }] : [];
  });
  return [...whole, ...single, ...untranslated];
}

/** Every text that a family reads, with its place. */
export function familyTexts(task: TaskContent): { readonly path: string; readonly text: LocalText }[] {
  const listed = (['helperSteps', 'childSteps', 'cues', 'looksRight', 'cautions'] as const).flatMap((list) =>
    task[list].map((text, index) => ({ path: `${list}.${index}`, text })),
  );
  const steps = task.ladder.steps.map((step, index) => ({ path: `ladder.steps.${index}`, text: step.how }));
  const goodOne = task.dose.goodOne ? [{ path: 'dose.goodOne', text: task.dose.goodOne }] : [];
  return [
    ...(task.description ? [{ path: 'description', text: task.description }] : []),
    ...(task.story ? [{ path: 'story', text: task.story }] : []),
    ...steps,
    ...goodOne,
    ...listed,
    { path: 'stopRule', text: task.stopRule },
  ];
}

/**
 * The languages in which a family can be offered these tasks: everything that is read at home, the cautions first of all, is written in
 * them. The language that every text has is always one.
 */
export function languagesOf(tasks: readonly TaskContent[]): Language[] {
  return LANGUAGES.filter((language) => tasks.every((task) => familyTexts(task).every(({ text }) => isTranslated(text, language))));
}
