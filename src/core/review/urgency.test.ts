import { DECISION_KINDS, urgencyOf } from '.';
import { KIND_WEIGHTS } from './urgency';
import { inOrder } from './urgency';
import type { Decision, DecisionKind } from './decision';

const card = (childId: number, kind: DecisionKind, days: number | null = null): Decision => ({
  key: `${kind}:${childId}`,
  kind,
  childId,
  taskId: null,
  reportIds: [],
  textIds: [],
  clipIds: [],
  suggestion: null,
  days,
});
const orderOf = (cards: readonly Decision[], settled: Parameters<typeof inOrder>[1] = []) => inOrder(cards, settled).map(({ key }) => key);

describe('urgency (common practice, no source)', () => {
  it('days never let one kind overtake the next', () => {
    const kinds = [...DECISION_KINDS].sort((one, other) => KIND_WEIGHTS[other] - KIND_WEIGHTS[one]);
    expect(new Set(Object.values(KIND_WEIGHTS)).size).toBe(kinds.length);
    kinds.slice(1).forEach((kind, index) => {
      const { ofKind, ofDays } = urgencyOf({ kind, days: 10_000 });
      expect([kind, ofKind + ofDays < KIND_WEIGHTS[kinds[index]!]]).toEqual([kind, true]);
    });
  });

  it('longer silence comes first, and so does a nearer end', () => {
    expect(orderOf([card(1, 'quiet', 7), card(2, 'quiet', 12), card(3, 'ending', 4), card(4, 'ending', 0)])).toEqual([
      'quiet:2',
      'quiet:1',
      'ending:4',
      'ending:3',
    ]);
    expect(urgencyOf({ kind: 'quiet', days: 90 })).toEqual({ ofKind: 200, ofDays: 15 });
  });

  it('a child’s cards stand together, by its heaviest', () => {
    const cards = [card(1, 'ready'), card(2, 'quiet', 8), card(2, 'safetyWord'), card(3, 'question')];
    expect(orderOf(cards)).toEqual(['safetyWord:2', 'quiet:2', 'question:3', 'ready:1']);
  });

  it('what weighs the same stays as it came', () => {
    expect(orderOf([card(3, 'ready'), card(1, 'ready'), card(2, 'ready')])).toEqual(['ready:3', 'ready:1', 'ready:2']);
  });
});
