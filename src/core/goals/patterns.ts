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
  count('handWarmUp', 'Opens both hands wide and closes them fully before table work', 10, 10),
  count('handStrength', 'Opens clothespins with thumb and two fingers and sets them on a line', 10, 8, 'alone'),
  minutes('handStrength', 'Kneads and pinches firm putty without a rest', 5),
  count('wristExtension', 'Works on an upright surface with the wrist back', 10, 8),
  minutes('shoulderStability', 'Draws or builds at the wall with the arm held up', 5),
  count('fingerIsolation', 'Points, presses or taps with one finger, the others tucked', 10, 9),
  count('fingerOpposition', 'Picks up washers between thumb and pointer fingertip', 10, 8, 'alone'),
  count('inHandManipulation', 'Keeps small things in the palm while picking up the next with the same hand', 5, 4),
  rating('graspOnTools', 'Holds a drawing tool so that the fingers move it', [
    'in the fist',
    'fingers, arm moves',
    'fingers, hand moves',
    'fingers move',
  ]),
  count('bilateralCoordination', 'The helper hand holds while the working hand works', 10, 8),
  count('reciprocalHandUse', 'Turns lids off and on, one hand against the other', 6, 6, 'alone'),
  count('crossingMidline', 'Takes things from the other side with the working hand, without changing hands', 10, 8),
  count('handPreference', 'Takes up a tool from the middle with the same hand', 10, 9, 'alone', 5),
  count('forceModulation', 'Carries small things with tongs and drops none', 10, 8),
  count('scissors', 'Cuts along a straight path 6 mm wide and stays in it', 5, 4, 'words'),
  count('scissors', 'Cuts round a large circle, the paper turned by the helper hand', 5, 4, 'words'),
  count('folding', 'Matches the corners before pressing the fold', 5, 4, 'words'),
  count('tearing', 'Tears strips along a line between two pinches', 8, 6, 'alone'),
  count('gluing', 'Puts a dot of glue where it belongs, then the piece, and presses', 8, 7, 'alone'),
  count('colouringWithinBoundary', 'Fills a shape with color and stays in its boundary', 5, 4, 'alone'),
  count('preWriting', 'Copies circle, cross and square from a model', 5, 4, 'alone'),
  count('lettersAndName', 'Writes the letters of the name, each begun at the top', 5, 4, 'alone'),
  count('copyingSentences', 'Copies a short sentence with spaces between the words, on the line', 5, 4, 'alone'),
  count('eyeHandCoordination', 'Tosses a sock ball into a box two meters away', 10, 7, 'alone'),
  help('motorPlanning', 'Follows a chain of four moves in order after watching it once'),
  rating('toleranceOfTextures', 'Works with something wet or sticky', [
    'turns away',
    'touches with a tool',
    'one fingertip',
    'fingers',
    'whole hand',
  ]),
  help('selfCareFasteners', 'Closes and opens the zipper of a worn coat'),
  count('selfCareFasteners', 'Buttons a worn vest of four buttons', 4, 4, 'alone'),
  help('dressing', 'Puts on coat, boots and gloves in order'),
  help('laces', 'Crosses, tucks and pulls the first knot of a lace'),
  count('cutlery', 'Scoops from a bowl and brings it over a tray without spilling', 10, 8, 'alone'),
  count('wholeBodyCoordination', 'Jumps with feet together along marks on the floor', 10, 8, 'alone'),
];
