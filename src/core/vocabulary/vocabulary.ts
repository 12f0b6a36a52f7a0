/** The skills that are practised, in the field's own terms. */
export const SKILLS = [
  'handWarmUp',
  'handStrength',
  'wristExtension',
  'shoulderStability',
  'fingerIsolation',
  'fingerOpposition',
  'inHandManipulation',
  'graspOnTools',
  'bilateralCoordination',
  'reciprocalHandUse',
  'crossingMidline',
  'handPreference',
  'forceModulation',
  'scissors',
  'folding',
  'tearing',
  'gluing',
  'colouringWithinBoundary',
  'preWriting',
  'lettersAndName',
  'copyingSentences',
  'eyeHandCoordination',
  'motorPlanning',
  'toleranceOfTextures',
  'selfCareFasteners',
  'dressing',
  'laces',
  'cutlery',
  'wholeBodyCoordination',
] as const;
export type Skill = (typeof SKILLS)[number];

/** A session's parts in the order in which they are done; each a container of its own with a definite end. */
export const PARTS = ['warmUp', 'tableWork', 'writing', 'selfCare'] as const;
export type Part = (typeof PARTS)[number];

/** Hazards of a material or move to a child who should not have it. */
export const HAZARDS = [
  'smallPart',
  'blade',
  'knife',
  'wheat',
  'latex',
  'cord',
  'band',
  'balloon',
  'bag',
  'magnet',
  'buttonCell',
  'foam',
  'soap',
  'paint',
  'glue',
  'wetFloor',
  'breakable',
  'moving',
  'climbing',
  'food',
  'hardPlastic',
  'pinch',
  'notEaten',
  'mayHoldLatex',
] as const;
export type Hazard = (typeof HAZARDS)[number];

/** The nine major food allergens of US law (FALCPA 2004, FASTER Act 2021; from memory); latex stands apart. */
export const FOOD_ALLERGENS = ['milk', 'egg', 'fish', 'shellfish', 'treeNuts', 'peanut', 'wheat', 'soy', 'sesame'] as const;
export const ALLERGENS = [...FOOD_ALLERGENS, 'latex'] as const;
export type Allergen = (typeof ALLERGENS)[number];

/** Textures that a child may avoid. */
export const TEXTURES = ['sticky', 'wet', 'foam', 'sandy', 'soft'] as const;
export type Texture = (typeof TEXTURES)[number];

/** The looks in which a task can be dressed without touching its mechanics; the first is the stock tasks' own. */
export const SKINS = ['buildersYard', 'weatherStation', 'marketStall'] as const;
export type Skin = (typeof SKINS)[number];

/** Things that a task may ask to look for, besides the count. Common practice, no source. */
export const WATCH_ITEMS = ['thumbUp', 'whichHand', 'onTheLine', 'pressure', 'lookedAtModel', 'refused'] as const;
export type WatchItem = (typeof WATCH_ITEMS)[number];

/** Possible answers for each thing to look for. */
export const WATCH_ANSWERS = {
  thumbUp: ['yes', 'notYet'],
  whichHand: ['left', 'right', 'both'],
  onTheLine: ['yes', 'notYet'],
  pressure: ['light', 'fine', 'hard'],
  lookedAtModel: ['yes', 'notYet'],
  refused: ['yes', 'no'],
} as const satisfies Record<WatchItem, readonly string[]>;
export type WatchAnswer = (typeof WATCH_ANSWERS)[WatchItem][number];
/** Answers given, by the thing that was looked for. */
export type Watched = Readonly<Partial<Record<WatchItem, WatchAnswer>>>;

/** The three rules by which schools of thought suggest steps. Common practice, no source. */
export const RULE_NAMES = ['streak', 'mOfN', 'band'] as const;

/** How much help was given, most first. The index is the order: a larger one is less help. */
export const HELP_LEVELS = ['handOverHand', 'steadied', 'shown', 'pointed', 'words', 'alone'] as const;
export type HelpLevel = (typeof HELP_LEVELS)[number];
