import { checkLadder, type Ladder, type LadderFinding } from '@/core/ladder';
import type { TaskFinding } from '@/core/library';
import { judgeSafety, smallPartVerdict, type ThingInUse } from '@/core/safety';
import { loadLibrary } from '../../../../library/loadLibrary';
import desk from '../../../../messages/desk.en.json';
import { minutesSentence } from './doseWords';
import { packFaultWords } from '../tasks/packWords';
import { knobName, ladderFindingWords, safetyWords, smallPartWords, taskFindingWords } from './taskWords';

const crane = loadLibrary().find((task) => task.slug === 'crane-lift')!;
const placed = { severity: 'error', path: 'x' } as const;
const thing = { en: 'clothes pegs', es: 'ganchos' };

describe('findings of a ladder in words: what, where, how to mend it', () => {
  const say = (finding: object) => ladderFindingWords({ severity: 'error', ...finding } as LadderFinding, crane);

  it.each([
    [{ code: 'tooFewSteps', step: 1, count: 1 }, /at least two steps\. This one has 1\. Add one/],
    [{ code: 'unknownKnob', step: 2, knob: 'tempo' }, /Step 2 changes pace, which this task does not have/],
    [{ code: 'levelOutOfRange', step: 3, knob: 'tool', level: 4, levels: 3 }, /Step 3: tool is at level 5 of 3/],
    [{ code: 'equalSteps', step: 2, knobs: [] }, /Step 2 is the same as step 1\. Make one grading factor/],
    [{ code: 'easierStep', step: 3, knobs: ['tool'] }, /Step 3 is easier than step 2 \(tool\)\. Swap/],
    [{ code: 'mixedStep', step: 3, knobs: ['tool', 'itemSize'] }, /some of tool, item size got harder, some easier/],
    [{ code: 'demandFalls', step: 3, knobs: ['precision'] }, /measures are easier \(precision\)/],
    [{ code: 'manyKnobs', step: 2, knobs: ['tool', 'itemSize', 'position'] }, /changes 3 things at once: tool, item size, position/],
    [{ code: 'startOffLadder', step: 9, count: 7 }, /The starting step is 9, but the ladder has 7/],
    [{ code: 'startAtEnd', step: 1 }, /no easier or no harder neighbor/],
    [{ code: 'doesNotFit', step: 4, itemMm: 40, openingMm: 30 }, /an item of 40 mm does not go into an opening of 30 mm/],
    [{ code: 'bigJump', step: 5, times: 3.64 }, /Step 5 is a big jump: 3\.6 times/],
    [{ code: 'idleKnob', step: 1, knob: 'itemSize' }, /^Item size never changes/],
    [{ code: 'fewLevels', step: 1, knob: 'tool' }, /^Tool has only one level/],
    [{ code: 'sameKnobTwice', step: 1, knob: 'tool' }, /^Tool is listed twice/],
    [{ code: 'badWeight', step: 1, knob: 'tool' }, /^Tool has no weight/],
    [{ code: 'badMeasure', step: 1, knob: 'tool', measure: 'forceN' }, /^Tool: .* must be a number above 0/],
  ])('%j', (finding, words) => {
    expect(say(finding)).toMatch(words);
  });

  it('quote the reason that excuses many knobs', () => {
    const steps: Ladder['steps'] = [{ grade: {} }, { grade: { tool: 1, itemSize: 1, position: 1 }, manyKnobsReason: 'One set' }];
    const [excused] = checkLadder(crane.knobs, { steps, startStep: 1, startReason: 'x' });
    expect(ladderFindingWords(excused!, { knobs: crane.knobs, ladder: { steps } })).toMatch(/Your reason: One set$/);
  });

  it('have words for every code there is', () => {
    expect(Object.keys(desk.ladderFindings).sort()).toEqual([
      'badMeasure',
      'badWeight',
      'bigJump',
      'demandFalls',
      'doesNotFit',
      'easierStep',
      'equalSteps',
      'fewLevels',
      'idleKnob',
      'levelOutOfRange',
      'manyKnobs',
      'manyKnobsExcused',
      'mixedStep',
      'sameKnobTwice',
      'startAtEnd',
      'startOffLadder',
      'tooFewSteps',
      'unknownKnob',
    ]);
  });
});

describe('findings of a task in words', () => {
  it.each<[object, RegExp]>([
    [{ code: 'stepsOutside', count: 3 }, /3 steps\. Most have 5 to 9/],
    [{ code: 'knobTwice', knob: 'tool' }, /^Tool is listed twice/],
    [{ code: 'ownKnobUnnamed', knob: 'own:wind' }, /own grading factor wind has no name/],
    [{ code: 'agesTurned', from: 9, to: 4 }, /9 to 4\. Swap the two numbers/],
    [{ code: 'longDose', minutes: 31, most: 20 }, /31 minutes\. More than 20 is a lot/],
    [{ code: 'heavyOverCap', repetitions: 60, cap: 40 }, /60 firm squeezes a day\. The most is 40/],
    [{ code: 'noPiecesMaterial', pieces: 10 }, /10 pieces a day/],
    [{ code: 'materialTwice', thing }, /clothes pegs is listed twice/],
    [{ code: 'noShape', thing }, /clothes pegs: shape and size are missing/],
    [{ code: 'materialOffLadder', thing, from: 2, to: 12, count: 7 }, /steps 2 to 12, but the ladder has 7/],
    [{ code: 'needUnknown', knob: 'tool', id: 'crowbar' }, /A level of tool needs “crowbar”/],
    [{ code: 'substituteOffKnob', thing, knob: 'tool' }, /sets tool to a level that does not exist/],
    [{ code: 'substituteBreaks', thing, step: 4 }, /With clothes pegs as the substitute, step 4/],
    [{ code: 'noTwin', trait: 'scissors' }, /This task needs scissors/],
    [{ code: 'noCue' }, /Add a cue/],
    [{ code: 'idleSetting', setting: 'shapeOrder' }, /write \{shape\} where a step names it/],
    [{ code: 'idleSetting', setting: 'markOrder' }, /write \{mark\} where a step describes/],
    [{ code: 'ladder', finding: { severity: 'error', code: 'startAtEnd', step: 1 } }, /no easier or no harder neighbor/],
    [{ code: 'wording', language: 'es', finding: { code: 'gradeTooHigh', grade: 8, most: 6 } }, /^Spanish: reading grade 8\.0\. Aim for 6/],
    [
      { code: 'wording', language: 'en', finding: { code: 'longSentence', words: 22, most: 18, sentence: '' } },
      /One sentence has 22 words\. Use at most 18/,
    ],
    [
      { code: 'wording', language: 'en', finding: { code: 'jargon', term: 'tripod', plain: 'thumb and two fingers' } },
      /“tripod” is a professional term\. For families, write “thumb and two fingers”/,
    ],
  ])('%j', (finding, words) => {
    expect(taskFindingWords({ ...placed, ...finding } as TaskFinding, crane)).toMatch(words);
  });

  it('name knobs by the field, by the task, or by their key', () => {
    expect(knobName([], 'itemSize')).toBe('item size');
    expect(knobName([{ knob: 'own:wind', name: { en: 'wind', es: 'viento' }, levels: [] }], 'own:wind')).toBe('wind');
    expect(knobName([], 'own:wind')).toBe('wind');
  });
});

describe('safety in words', () => {
  const used: ThingInUse = { id: 'x', name: { en: 'play dough', es: 'plastilina' }, hazards: [], allergens: ['wheat'], textures: ['soft'] };
  const found = (change: Partial<ThingInUse> = {}) =>
    judgeSafety({ ages: { fromYears: 3, toYears: 9 }, moveHazards: [], twins: [] }, [{ ...used, ...change }], {
      ageYears: 10,
      mouthsThings: false,
      scissorsAllowed: true,
      allergies: ['wheat'],
      texturesAvoided: ['soft'],
    }).findings.map(safetyWords);

  it('names the thing, the allergen, the texture, the ages', () => {
    expect(found()).toEqual([
      'Play dough: contains wheat.',
      'Play dough: soft, a texture that this student avoids. Never force it.',
      'Made for ages 3–9.',
    ]);
  });

  it('gives the reason of a small-part verdict', () => {
    expect(smallPartWords(smallPartVerdict({ kind: 'sphere', diameterMm: 30 }))).toMatch(
      /^Fits inside the small-parts cylinder \(31\.7 mm/,
    );
    expect(smallPartWords(smallPartVerdict({ kind: 'sphere', diameterMm: 40 }))).toMatch(/44\.4 mm or less/);
    expect(smallPartWords(smallPartVerdict({ kind: 'box', lengthMm: 72, widthMm: 12, heightMm: 15 }))).toBe(
      'Does not fit: 6.7 mm too long.',
    );
    expect(smallPartWords(null)).toMatch(/cannot run/);
  });
});

it('writes the minutes out', () => {
  expect(minutesSentence({ ...crane.dose, rounds: 2 })).toBe('1.5 min set up + 2 × (5 × 2 hands × 12 s + 15 s) + 1 min clean up = 7.0 min');
  expect(minutesSentence({ ...crane.dose, target: { kind: 'time', minutesPerRound: 3 }, hands: 'both' })).toBe(
    '1.5 min set up + 1 × (3 min + 15 s) + 1 min clean up = 5.8 min',
  );
});

it('says every fault of a pack with its path', () => {
  const faults = [
    { code: 'notJson', path: '', said: 'Unexpected end' },
    { code: 'form', path: 'tasks.0.title.en', said: 'Too small' },
    { code: 'sameSlug', path: 'tasks.1.slug', slug: 'crane-lift' },
    { code: 'unsound', path: 'tasks.0.ladder', finding: { ...placed, code: 'noCue' }, task: crane },
  ] as const;
  const said = packFaultWords({ faults, taken: ['star-beams'] });
  expect(said[0]).toMatch(/^The file is not JSON: Unexpected end/);
  expect(said.slice(1)).toEqual([
    'tasks.0.title.en: Too small.',
    'tasks.1.slug: “crane-lift” is listed twice in the pack. Give one another slug.',
    expect.stringMatching(/^tasks\.0\.ladder: Nothing in the setup guides the right movement/),
    '“star-beams” is a stock task or someone else’s. Give yours another slug.',
  ]);
});
