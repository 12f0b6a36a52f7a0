import { plainCases } from '.';
import { RULES, type Suggestion } from '../stepRules';
import type { Decision } from './decision';

const suggestion = (change: Partial<Suggestion> = {}): Suggestion => ({
  move: 'up',
  toStep: 4,
  rule: RULES.streak,
  evidence: { reportIds: [1, 2, 3], sessionsAtStep: 3, reachedInARow: 3, reachedOnDays: 3, struggledInARow: 0, refused: 0 },
  tries: [],
  whatWouldChange: { code: 'oneNotReached' },
  ...change,
});
const card = (kind: Decision['kind'], change: Partial<Decision> = {}): Decision => ({
  key: `${kind}:1`,
  kind,
  childId: 1,
  taskId: 1,
  reportIds: [],
  textIds: [],
  clipIds: [],
  suggestion: suggestion(),
  days: null,
  ...change,
});
const count = (...open: Decision[]) => plainCases(open, 'ready').length;

describe('a plain case (our own choice)', () => {
  it('is the rule’s own move, with nothing against it', () => {
    expect(count(card('ready'))).toBe(1);
    expect(count(card('ready'), card('quiet', { suggestion: null }))).toBe(1);
    expect(count(card('tooHard'))).toBe(0);
    expect(count(card('ready', { suggestion: null }))).toBe(0);
  });

  it('was never tried before, and had no refusal', () => {
    const tried = { from: '2026-11-02' as never, sessions: 3, reached: 0, endedDown: true };
    expect(count(card('ready', { suggestion: suggestion({ tries: [tried] }) }))).toBe(0);
    const { evidence } = suggestion();
    expect(count(card('ready', { suggestion: suggestion({ evidence: { ...evidence, refused: 1 } }) }))).toBe(0);
  });

  it.each(['safetyWord', 'maybeHurt', 'unsafe', 'unsuitable', 'flooded', 'pressed', 'question', 'text'] as const)(
    'is none while “%s” of the same child is open',
    (kind) => {
      expect(count(card('ready'), card(kind, { suggestion: null, taskId: 2 }))).toBe(0);
      expect(count(card('ready'), card(kind, { suggestion: null, childId: 2 }))).toBe(1);
    },
  );
});
