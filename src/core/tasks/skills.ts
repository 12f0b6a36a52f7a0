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

/** What a material can do to a child who should not have it. */
export const HAZARDS = ['smallPart', 'blade', 'wheat', 'latex', 'cord', 'wetFloor', 'moving', 'glue'] as const;
export type Hazard = (typeof HAZARDS)[number];
