import type { HelpLevel } from '../vocabulary';
import type { Skill } from '../vocabulary';

/** A goal to begin from: its criterion in numbers that a therapist then makes the child's own. */
export interface GoalPattern {
  readonly skill: Skill;
  readonly statement: string;
  readonly measure:
    | { readonly kind: 'count'; readonly of: number; readonly to: number }
    | { readonly kind: 'minutes'; readonly to: number }
    | { readonly kind: 'help'; readonly to: HelpLevel }
    | { readonly kind: 'rating'; readonly levels: readonly string[] };
  readonly mostHelp: HelpLevel;
  readonly sessions: number;
}

const count = (skill: Skill, statement: string, of: number, to: number, mostHelp: HelpLevel = 'words', sessions = 3): GoalPattern => ({
  skill,
  statement,
  measure: { kind: 'count', of, to },
  mostHelp,
  sessions,
});
const help = (skill: Skill, statement: string, to: HelpLevel = 'alone', sessions = 3): GoalPattern => ({
  skill,
  statement,
  measure: { kind: 'help', to },
  mostHelp: to,
  sessions,
});
const minutes = (skill: Skill, statement: string, to: number): GoalPattern => ({
  skill,
  statement,
  measure: { kind: 'minutes', to },
  mostHelp: 'words',
  sessions: 3,
});
const rating = (skill: Skill, statement: string, levels: readonly string[]): GoalPattern => ({
  skill,
  statement,
  measure: { kind: 'rating', levels },
  mostHelp: 'alone',
  sessions: 3,
});

/** Goals to begin from, by skill, in our own words. Numbers are common practice, no source: each is made the child's own. */
export const GOAL_PATTERNS: readonly GoalPattern[] = [
  count('handWarmUp', 'Opens and closes both hands fully as a warm-up before table work', 10, 10),
  count('handStrength', 'Opens clothespins with a three-finger pinch and clips them onto a line', 10, 8, 'alone'),
  minutes('handStrength', 'Kneads and pinches firm therapy putty without a rest', 5),
  count('wristExtension', 'Draws or stamps on a vertical surface with the wrist in extension', 10, 8),
  minutes('shoulderStability', 'Works on a vertical surface at shoulder height without resting the arm', 5),
  count('fingerIsolation', 'Isolates the index finger to press or tap a target', 10, 9),
  count('fingerOpposition', 'Picks up small items with a pad-to-pad pinch of thumb and index finger', 10, 8, 'alone'),
  count('inHandManipulation', 'Holds small items in the palm and moves them to the fingertips one at a time', 5, 4),
  rating('graspOnTools', 'Uses a functional grasp on a drawing tool, with movement from the fingers', [
    'fisted grasp',
    'finger grasp, whole arm moves',
    'finger grasp, wrist moves',
    'finger grasp, fingers move',
  ]),
  count('bilateralCoordination', 'Stabilizes the paper or material with the helper hand during two-handed tasks', 10, 8),
  count('reciprocalHandUse', 'Opens and closes screw-top lids using both hands', 6, 6, 'alone'),
  count('crossingMidline', 'Reaches across midline with the dominant hand to pick up items without switching hands', 10, 8),
  count('handPreference', 'Picks up a tool presented at midline with the same hand', 10, 9, 'alone', 5),
  count('forceModulation', 'Grades force to carry small items with tongs without dropping or crushing them', 10, 8),
  count('scissors', 'Cuts along a straight line, staying within ¼ inch of the line', 5, 4, 'words'),
  count('scissors', 'Cuts out a 6-inch circle, turning the paper with the helper hand', 5, 4, 'words'),
  count('folding', 'Folds paper in half with the corners aligned within ¼ inch', 5, 4, 'words'),
  count('tearing', 'Tears paper along a line using a pinch with both hands', 8, 6, 'alone'),
  count('gluing', 'Applies glue and places the piece within its outline', 8, 7, 'alone'),
  count('colouringWithinBoundary', 'Colors within a shape, going outside the lines no more than ¼ inch', 5, 4, 'alone'),
  count('preWriting', 'Copies a circle, a cross and a square from a model', 5, 4, 'alone'),
  count('lettersAndName', 'Writes the letters of the first name with top-to-bottom formation', 5, 4, 'alone'),
  count('copyingSentences', 'Copies a short sentence with spaces between words and letters on the line', 5, 4, 'alone'),
  count('eyeHandCoordination', 'Tosses a beanbag into a box from 6 feet away', 10, 7, 'alone'),
  help('motorPlanning', 'Completes a four-step motor sequence in order after one demonstration'),
  rating('toleranceOfTextures', 'Participates in activities with wet or sticky textures', [
    'avoids',
    'touches with a tool',
    'touches with one fingertip',
    'uses the fingers',
    'uses the whole hand',
  ]),
  help('selfCareFasteners', 'Engages and zips a coat zipper while wearing the coat'),
  count('selfCareFasteners', 'Buttons a four-button vest while wearing it', 4, 4, 'alone'),
  help('dressing', 'Puts on coat, boots and gloves in order for recess or dismissal'),
  help('laces', 'Ties the first knot of a shoelace'),
  count('cutlery', 'Scoops with a spoon and carries it to a bowl without spilling', 10, 8, 'alone'),
  count('wholeBodyCoordination', 'Jumps with two feet together along a line of floor markers', 10, 8, 'alone'),
];
