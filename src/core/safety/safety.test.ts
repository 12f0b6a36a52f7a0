import type { Shape, TaskContent } from '../tasks';
import { HAZARDS } from '../vocabulary';
import { FOOD_ALLERGENS } from '../vocabulary/vocabulary';
import {
  cautionsFor,
  hasTrait,
  judgeSafety,
  safeSubstitutes,
  SAFETY_RULES,
  smallnessOf,
  thingsAt,
  type ChildForSafety,
  type ThingInUse,
} from '.';
import { loadLibrary } from '../../../library/loadLibrary';
import desk from '../../../messages/desk.en.json';
import en from '../../../messages/family/en.json';
import es from '../../../messages/family/es.json';

const child = (change: Partial<ChildForSafety> = {}): ChildForSafety => ({
  ageYears: 5,
  mouthsThings: false,
  scissorsAllowed: true,
  allergies: [],
  texturesAvoided: [],
  ...change,
});
const thing = (change: Partial<ThingInUse>): ThingInUse => ({
  id: 'thing',
  name: { en: 'thing', es: 'cosa' },
  hazards: [],
  allergens: [],
  textures: [],
  ...change,
});
const plain: Pick<TaskContent, 'ages' | 'moveHazards' | 'twins'> = { ages: { fromYears: 3, toYears: 10 }, moveHazards: [], twins: [] };
const judge = (things: ThingInUse[], who: ChildForSafety | null, task = plain) =>
  judgeSafety(task, things, who).findings.map(({ rule, severity }) => [rule, severity]);
const small: Shape = { kind: 'cylinder', diameterMm: 20, lengthMm: 2 };

describe('rules of safety', () => {
  it.each([
    ['small parts for a child who mouths things', thing({ shape: small }), child({ mouthsThings: true }), [['smallPart', 'acknowledge']]],
    [
      'small parts under three (16 CFR 1501)',
      thing({ shape: small }),
      child({ ageYears: 2 }),
      [
        ['smallPart', 'block'],
        ['age', 'caution'],
      ],
    ],
    ['small parts for any other child', thing({ shape: small }), child(), []],
    ['small parts, nobody named', thing({ shape: small }), null, [['smallPart', 'caution']]],
    ['a small ball', thing({ shape: { kind: 'sphere', diameterMm: 40 } }), child({ mouthsThings: true }), [['smallBall', 'acknowledge']]],
    ['balloons under eight (16 CFR 1500.19)', thing({ hazards: ['balloon'] }), child({ ageYears: 7 }), [['balloon', 'block']]],
    ['balloons from eight on', thing({ hazards: ['balloon'] }), child({ ageYears: 8 }), [['balloon', 'acknowledge']]],
    ['an allergen of this child', thing({ allergens: ['wheat'] }), child({ allergies: ['wheat'] }), [['allergen', 'block']]],
    ['an allergen of another child', thing({ allergens: ['wheat'] }), child({ allergies: ['milk'] }), []],
    ['latex stands apart', thing({ allergens: ['latex'] }), child({ allergies: ['latex'] }), [['latex', 'block']]],
    [
      'a blade where scissors are not allowed',
      thing({ hazards: ['blade'] }),
      child({ scissorsAllowed: false }),
      [
        ['scissorsNotAllowed', 'block'],
        ['blade', 'caution'],
      ],
    ],
    ['a blade where they are', thing({ hazards: ['blade'] }), child(), [['blade', 'caution']]],
    ['magnets for a child who mouths things', thing({ hazards: ['magnet'] }), child({ mouthsThings: true }), [['magnet', 'block']]],
    ['magnets for another', thing({ hazards: ['magnet'] }), child(), [['magnet', 'acknowledge']]],
    ['button cells', thing({ hazards: ['buttonCell'] }), child({ mouthsThings: true }), [['buttonCell', 'block']]],
    ['foam for a child who mouths things', thing({ hazards: ['foam'] }), child({ mouthsThings: true }), [['foam', 'acknowledge']]],
    ['a texture that is avoided', thing({ textures: ['sticky'] }), child({ texturesAvoided: ['sticky'] }), [['texture', 'acknowledge']]],
  ] as const)('%s', (_name, used, who, found) => {
    expect(judge([used], who)).toEqual(found);
  });

  it('knows each of the nine food allergens (FALCPA 2004, FASTER Act 2021; from memory)', () => {
    expect(FOOD_ALLERGENS).toHaveLength(9);
    for (const allergen of FOOD_ALLERGENS)
      expect(judge([thing({ allergens: [allergen] })], child({ allergies: [allergen] }))).toEqual([['allergen', 'block']]);
  });

  it('reads what the moves bring, and the ages', () => {
    expect(judge([], child(), { ...plain, moveHazards: ['wetFloor', 'moving', 'climbing'] })).toEqual([
      ['wetFloor', 'caution'],
      ['moving', 'caution'],
      ['climbing', 'caution'],
    ]);
    expect(judge([], child({ ageYears: 11 }))).toEqual([['age', 'caution']]);
  });

  it('asks for the nearest supervision of all, and puts what stops first', () => {
    const verdict = judgeSafety(
      plain,
      [thing({ hazards: ['glue'] }), thing({ id: 'cord', hazards: ['cord'] }), thing({ id: 'cell', hazards: ['buttonCell'] })],
      child({ mouthsThings: true }),
    );
    expect(verdict.supervision).toBe('adultDoes');
    expect(verdict.findings.map((finding) => finding.severity)).toEqual(['block', 'caution', 'caution']);
    expect(judgeSafety(plain, [], child())).toEqual({ findings: [], supervision: 'near' });
  });

  it('offers the twin that goes without', () => {
    const twins: TaskContent['twins'] = [
      { slug: 'tear', instead: 'scissors' },
      { slug: 'clay', instead: 'food' },
      { slug: 'big', instead: 'smallParts' },
    ];
    const twinOf = (used: ThingInUse, who: ChildForSafety) => judgeSafety({ ...plain, twins }, [used], who).findings[0]!.twin;
    expect(twinOf(thing({ hazards: ['blade'] }), child({ scissorsAllowed: false }))).toBe('tear');
    expect(twinOf(thing({ hazards: ['food'], allergens: ['milk'] }), child({ allergies: ['milk'] }))).toBe('clay');
    expect(twinOf(thing({ shape: small }), child({ mouthsThings: true }))).toBe('big');
  });

  it('names a source for every rule, and words in both languages', () => {
    for (const [rule, { source }] of Object.entries(SAFETY_RULES)) {
      expect(source).toMatch(/CFR|FALCPA|common practice/);
      expect([rule, rule in desk.safety, rule in en.safetyRules, rule in es.safetyRules]).toEqual([rule, true, true, true]);
    }
    // Small parts and allergens are judged from sizes and lists; every other hazard has its rule.
    for (const hazard of HAZARDS)
      if (!['wheat', 'latex', 'mayHoldLatex'].includes(hazard)) expect(Object.keys(SAFETY_RULES)).toContain(hazard);
  });
});

describe('what a family is told', () => {
  const library = loadLibrary();
  const task = (slug: string) => library.find((each) => each.slug === slug)!;
  const rulesAt = (slug: string, step: number, who: ChildForSafety | null) =>
    cautionsFor(task(slug), step, who).findings.map((finding) => finding.rule);

  it('is said once a rule, for the step at hand alone', () => {
    expect(rulesAt('crane-lift', 3, child())).toEqual(['pinch']);
    expect(rulesAt('crane-lift', 1, child())).toEqual(['pinch']);
    expect(rulesAt('sort-the-hardware', 1, child())).toEqual([]);
    expect(rulesAt('sort-the-hardware', 4, child())).toEqual(['smallPart']);
  });

  it('names an allergen only where it is this child’s', () => {
    expect(rulesAt('brick-press', 1, child())).not.toContain('allergen');
    expect(rulesAt('brick-press', 1, child({ allergies: ['wheat'] }))).toContain('allergen');
    expect(cautionsFor(task('cut-the-planks'), 1, null).supervision).toBe('stays');
  });

  it('knows scissors and food as traits', () => {
    expect(hasTrait(task('wheel'), 'scissors')).toBe(true);
    expect(hasTrait({ ...task('crane-lift'), moveHazards: ['food'] }, 'food')).toBe(true);
    expect(hasTrait(task('nail-taps'), 'scissors')).toBe(false);
    expect(thingsAt(task('pocket-the-washers'), 7, 8).map((used) => used.id)).toEqual(['washers', 'slit-box']);
  });
});

it.each([
  [2.99, 'block'],
  [3, 'acknowledge'],
  [3.01, 'acknowledge'],
])('a child of %d years who mouths things meets a small part: %s (16 CFR 1501: under three)', (ageYears, severity) => {
  const washer = thing({ shape: { kind: 'cylinder', lengthMm: 3, diameterMm: 20 } });
  expect(judge([washer], child({ ageYears, mouthsThings: true }))).toContainEqual(['smallPart', severity]);
});

describe('a finding’s key, by which a therapist’s reason is kept', () => {
  const stone = thing({ id: 'stone', hazards: ['smallPart'] });
  const keys = (things: ThingInUse[], who: ChildForSafety) => judgeSafety(plain, things, who).findings.map(({ key }) => key);

  it('names rule, thing and what of it, so that a reason for one thing is none for another', () => {
    const mouthing = child({ mouthsThings: true });
    expect(keys([stone, { ...stone, id: 'bead' }], mouthing)).toEqual(['smallPart:stone', 'smallPart:bead']);
    expect(keys([thing({ id: 'dough', allergens: ['wheat'] })], child({ allergies: ['wheat'] }))).toEqual(['allergen:dough:wheat']);
  });

  it('says the same of the same thing once', () => {
    expect(keys([stone, stone], child({ mouthsThings: true }))).toEqual(['smallPart:stone']);
  });
});

it.each(['magnet', 'buttonCell', 'bag', 'band', 'food', 'foam', 'soap', 'paint'] as const)(
  '%s: asked or refused for a child who mouths things, milder for one who does not',
  (hazard) => {
    const severity = (mouthsThings: boolean) => judge([thing({ hazards: [hazard] })], child({ mouthsThings }))[0]![1];
    const swallowed = hazard === 'magnet' || hazard === 'buttonCell';
    expect([severity(true), severity(false)]).toEqual(swallowed ? ['block', 'acknowledge'] : ['acknowledge', 'caution']);
  },
);

it('a family reads each rule once, however many things it holds for, and each allergen by its thing', () => {
  const two = {
    ...loadLibrary()[0]!,
    materials: ['bag', 'sack'].map((id) => ({ ...thing({ id, hazards: ['bag'] }), looseParts: [], count: 1 })),
  };
  const rules = cautionsFor(two as never, 1, child()).findings.map(({ rule }) => rule);
  expect(rules).toEqual(['bag']);
  const doughs = {
    ...two,
    materials: ['dough', 'paste'].map((id) => ({ ...thing({ id, allergens: ['wheat'] }), looseParts: [], count: 1 })),
  };
  expect(cautionsFor(doughs as never, 1, child({ allergies: ['wheat'] })).findings.map(({ key }) => key)).toEqual([
    'allergen:dough:wheat',
    'allergen:paste:wheat',
  ]);
});

describe('what was let through before', () => {
  const plainTask = { ages: { fromYears: 3, toYears: 9 }, moveHazards: [], twins: [] };
  const child = (change: Partial<ChildForSafety> = {}): ChildForSafety => ({
    ageYears: 5,
    mouthsThings: true,
    scissorsAllowed: true,
    allergies: [],
    texturesAvoided: [],
    ...change,
  });
  const thing = (change: Partial<ThingInUse> = {}): ThingInUse => ({
    id: 'thing',
    name: { en: 'thing' },
    hazards: [],
    allergens: [],
    textures: [],
    ...change,
  });
  const rules = (...given: Parameters<typeof judgeSafety>) =>
    judgeSafety(...given).findings.map(({ rule, severity }) => `${rule} ${severity}`);

  it('hazards that the moves bring are judged like those of things (A2, A3)', () => {
    const moves = { ...plainTask, moveHazards: ['smallPart', 'balloon', 'latex', 'wheat', 'blade'] as const };
    expect(
      rules(
        { ...moves, moveHazards: [...moves.moveHazards] },
        [],
        child({ ageYears: 2, allergies: ['latex', 'wheat'], scissorsAllowed: false }),
      ),
    ).toEqual(expect.arrayContaining(['smallPart block', 'balloon block', 'latex block', 'allergen block', 'scissorsNotAllowed block']));
  });

  it('a declared small part counts whatever the outer shape, and what comes off is a part of its own (A4)', () => {
    const big = { kind: 'box', lengthMm: 100, widthMm: 100, heightMm: 100 } as const;
    expect(smallnessOf({ shape: big, hazards: ['smallPart'] })).toBe('smallPart');
    const lid = {
      id: 'lid',
      name: { en: 'lid' },
      shape: { kind: 'cylinder', diameterMm: 28, lengthMm: 14 },
      hazards: [],
      allergens: [],
      textures: [],
    } as const;
    expect(rules(plainTask, [thing({ shape: big, looseParts: [lid] })], child())).toEqual(['smallPart acknowledge']);
  });

  it.each([
    // The bolt itself is small at step 5; the cap of a small bottle, the pea of dough, a torn tile of 30 mm are there only at some steps.
    ['lid-works', 3, 4],
    ['rivet-maker', 4, 5],
    ['tile-the-roof', 7, 8],
    ['bolt-and-nut', 4, 5],
  ])('in the library, what comes off at %s is asked about at step %d not, at step %d it is', (slug, without, with_) => {
    const task = loadLibrary().find((each) => each.slug === slug)!;
    const who = child({ ageYears: 7, scissorsAllowed: true });
    const small_ = (step: number) => judgeSafety(task, thingsAt(task, step, step), who).findings.some(({ rule }) => rule === 'smallPart');
    expect([small_(without), small_(with_)]).toEqual([false, true]);
  });

  it('a size without a shape is judged as a ball (A5)', () => {
    expect(rules(plainTask, [thing({ sizeMm: 8 })], child({ ageYears: 2 }))).toEqual(['smallPart block', 'age caution']);
  });

  it('allergies are known however they are written; bands and balloons may be of latex (A7)', () => {
    expect(rules(plainTask, [thing({ allergens: ['latex'] })], child({ allergies: ['Latex '] }))).toEqual(['latex block']);
    expect(rules(plainTask, [thing({ hazards: ['band'] })], child({ allergies: ['latex'], mouthsThings: false }))).toEqual([
      'latexMaybe acknowledge',
      'band caution',
    ]);
  });

  it('a knife is no pair of scissors: it has words of its own, and a family without scissors may have it', () => {
    expect(rules(plainTask, [thing({ hazards: ['knife'] })], child({ scissorsAllowed: false }))).toEqual(['knife caution']);
  });

  it('never offers a substitute that a rule stops for this child', () => {
    const substitutes = [
      { en: 'flour', id: 'flour', hazards: [], allergens: ['wheat' as const], textures: [], levels: [] },
      { en: 'rice cakes', id: 'rice', hazards: [], allergens: [], textures: [], levels: [] },
    ];
    expect(safeSubstitutes(plainTask, { substitutes }, child({ allergies: ['wheat'] })).map(({ en }) => en)).toEqual(['rice cakes']);
    expect(safeSubstitutes(plainTask, { substitutes }, null)).toHaveLength(2);
  });
});
