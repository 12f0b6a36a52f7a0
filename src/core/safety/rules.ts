import { HAZARDS, type Hazard } from '../vocabulary';

/** How near an adult has to be. Ordered: the later the nearer. */
export const SUPERVISION = ['near', 'stays', 'adultDoes'] as const;
export type Supervision = (typeof SUPERVISION)[number];

/** `block`: not for this child. `acknowledge`: only with the therapist's reason, which is kept. `caution`: said to all. */
export type SafetySeverity = 'block' | 'acknowledge' | 'caution';

export interface SafetyRule {
  readonly source: string;
  readonly supervision: Supervision;
}

const COMMON = 'common practice, no published source';

/** Every rule by its id, with the source it rests on (legal texts from memory). Its words are in messages/ under `safety`. */
export const SAFETY_RULES = {
  smallPart: {
    source: '16 CFR 1501.4, small-part cylinder, applied beyond 3 years to children who mouth things: common practice',
    supervision: 'stays',
  },
  smallBall: { source: '16 CFR 1500.18(a)(17) and 1500.19, small ball', supervision: 'stays' },
  balloon: { source: '16 CFR 1500.19, uninflated or broken balloons, under 8 years', supervision: 'stays' },
  allergen: { source: 'FALCPA 2004 and FASTER Act 2021, nine major food allergens', supervision: 'near' },
  latex: { source: COMMON, supervision: 'near' },
  scissorsNotAllowed: { source: COMMON, supervision: 'stays' },
  latexMaybe: { source: COMMON, supervision: 'near' },
  blade: { source: COMMON, supervision: 'stays' },
  knife: { source: COMMON, supervision: 'stays' },
  cord: { source: COMMON, supervision: 'stays' },
  band: { source: COMMON, supervision: 'stays' },
  bag: { source: COMMON, supervision: 'stays' },
  magnet: { source: COMMON, supervision: 'stays' },
  buttonCell: { source: COMMON, supervision: 'adultDoes' },
  foam: { source: COMMON, supervision: 'near' },
  soap: { source: COMMON, supervision: 'near' },
  paint: { source: COMMON, supervision: 'near' },
  notEaten: { source: COMMON, supervision: 'stays' },
  glue: { source: COMMON, supervision: 'near' },
  wetFloor: { source: COMMON, supervision: 'near' },
  breakable: { source: COMMON, supervision: 'near' },
  moving: { source: COMMON, supervision: 'near' },
  climbing: { source: COMMON, supervision: 'stays' },
  food: { source: COMMON, supervision: 'near' },
  hardPlastic: { source: COMMON, supervision: 'adultDoes' },
  pinch: { source: COMMON, supervision: 'near' },
  texture: { source: COMMON, supervision: 'near' },
  age: { source: COMMON, supervision: 'near' },
  precaution: { source: COMMON, supervision: 'near' },
} as const satisfies Record<string, SafetyRule>;

export type SafetyRuleId = keyof typeof SAFETY_RULES;

/** Hazards that are judged from sizes, lists and the child's age; all others are said as they are. */
const JUDGED = ['smallPart', 'wheat', 'latex', 'balloon', 'mayHoldLatex'] as const satisfies readonly Hazard[];
export type PlainHazard = Exclude<Hazard, (typeof JUDGED)[number]>;

export const PLAIN_HAZARDS: readonly (PlainHazard & SafetyRuleId)[] = HAZARDS.filter(
  (hazard): hazard is PlainHazard => !JUDGED.some((judged) => judged === hazard),
);
