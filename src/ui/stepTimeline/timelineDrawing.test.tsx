import { renderToStaticMarkup } from 'react-dom/server';
import { LargeTimeline, SmallTimeline, type TimelineData } from './TimelineDrawing';
import { PracticeDots } from './pips';

const timeline: TimelineData = {
  demands: [0, 0.5, 1, 2],
  daysSpent: [0, 4, 12, 0],
  currentStep: 3,
  choose: { from: 2, to: 4 },
  outcomes: [['reached'], ['partly', 'struggled'], ['reached', 'saidNotDone'], []],
};
const names = [
  'a step whose name is far too long to stand under a tread, however wide it may have grown in all the weeks that a child has spent there',
  'one hand',
  'pegs',
  'washers',
];

describe('the small flight', () => {
  const drawn = renderToStaticMarkup(<SmallTimeline timeline={timeline} label="Crane lift: step 3 of 4, pegs" />);

  it('says in words what it shows', () => {
    expect(drawn).toMatch(/role="img"[^>]*><title>Crane lift: step 3 of 4, pegs</);
  });

  it('draws climbed steps whole and coming ones dashed', () => {
    expect(drawn.match(/class="coming"/g)).toHaveLength(1);
    expect(drawn.match(/class="climbed"/g)).toHaveLength(1);
  });

  it('stays small, since a yard holds hundreds', () => {
    expect(drawn.length).toBeLessThan(650);
  });
});

describe('the large flight', () => {
  const drawn = renderToStaticMarkup(<LargeTimeline timeline={timeline} names={names} label="Crane lift" />);

  it('names each step, whole in its title where the tread is too narrow', () => {
    for (const [index, name] of names.entries()) expect(drawn).toContain(`<title>${index + 1} ${name}</title>`);
    expect(drawn).toContain('…</tspan>');
  });

  it('draws one pip a session, each by its own shape', () => {
    const count = (kind: string) => drawn.split(`href="#pip-${kind}"`).length - 1;
    expect({
      reached: count('reached'),
      partly: count('partly'),
      struggled: count('struggled'),
      saidNotDone: count('saidNotDone'),
    }).toEqual({
      reached: 2,
      partly: 1,
      struggled: 1,
      saidNotDone: 1,
    });
  });

  it('brackets the family’s choice only where there is one', () => {
    const slate = (drawing: string) => drawing.includes('var(--color-slate)');
    expect(slate(drawn)).toBe(true);
    expect(slate(renderToStaticMarkup(<LargeTimeline timeline={{ ...timeline, choose: undefined }} names={names} label="x" />))).toBe(
      false,
    );
  });
});

describe('the fortnight', () => {
  const days = (['done', 'partly', 'saidNotDone', 'noWord', 'free', 'done'] as const).map((word) => ({ word }));

  it('says its counts, and tells no word and not done apart', () => {
    const drawn = renderToStaticMarkup(<PracticeDots days={days} />);
    expect(drawn).toContain('aria-label="Last 6 days: 2 all done, 1 partly done, 1 reported not done, 1 no report"');
    expect(drawn.match(/<use/g)).toHaveLength(5);
  });
});
