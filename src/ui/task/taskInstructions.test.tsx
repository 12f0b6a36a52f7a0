import { renderToStaticMarkup } from 'react-dom/server';
import type { ChildForSafety } from '@/core/safety';
import { placesFor, whenDone, type Hand } from '@/core/tasks';
import { loadLibrary } from '../../../library/loadLibrary';
import { familyWords, type FamilyWords } from '../shared/familyWords';
import { TableMapDrawing } from './TableMapDrawing';
import { TaskInstructions } from './TaskInstructions';

let spoken: Record<'en' | 'es', FamilyWords>;
beforeAll(async () => {
  spoken = { en: await familyWords('en'), es: await familyWords('es') };
});

const library = loadLibrary();
const task = (slug: string) => library.find((each) => each.slug === slug)!;
const care: ChildForSafety = { ageYears: 5, mouthsThings: true, scissorsAllowed: true, allergies: ['wheat'], texturesAvoided: [] };
const page = (
  slug: string,
  step: number,
  change: { hand?: Hand; language?: 'en' | 'es'; care?: ChildForSafety | null; pieces?: number } = {},
) =>
  renderToStaticMarkup(
    <TaskInstructions
      content={task(slug)}
      step={step}
      child={{ calledName: 'Odalys', hand: change.hand ?? 'right', care: change.care === undefined ? care : change.care }}
      words={spoken[change.language ?? 'en']}
      pieces={change.pieces ?? 0}
    />,
  );

describe('a task’s instructions', () => {
  it('name what this step needs, and what may replace it', () => {
    expect(page('clip-the-plans', 1)).toContain('flat hair clips × 6');
    expect(page('clip-the-plans', 1)).not.toContain('clothespins × 6');
    expect(page('clip-the-plans', 3)).toContain('clothespins × 6<span class="text-soft"> (or flat hair clips)');
  });

  it('carry the cautions that the rules compute, in the family’s words', () => {
    expect(page('sort-the-hardware', 4)).toContain('Stay with your child the whole time.');
    expect(page('sort-the-hardware', 4)).toContain('Small things: stay with your child all the time.');
    expect(page('sort-the-hardware', 1)).not.toContain('Small things');
    expect(page('brick-press', 1)).toContain('Play dough: this has wheat. Do not use it. Tell your therapist.');
    expect(page('brick-press', 1, { care: { ...care, allergies: [] } })).not.toContain('check the label');
    expect(page('cut-the-planks', 1, { language: 'es' })).toContain('Tijeras: de punta redonda.');
  });

  it('tell where every knob stands, whatever the step’s own words leave out', () => {
    expect(page('vest-buttons', 3)).toContain('At this step:</strong> the last pull · big, on a ribbon · on the table');
    expect(page('vest-buttons', 6, { language: 'es' })).toContain(
      'En este nivel:</strong> buscar el ojal, todo · grande, en una camisa · en la mesa',
    );
  });

  it('say how many pieces to get ready, where there are any', () => {
    expect(page('bundle-bands', 3, { pieces: 8 })).toContain('For today get 8 pieces ready.');
    expect(page('bundle-bands', 3, { pieces: 1, language: 'es' })).toContain('Para hoy prepare 1 pieza.');
    expect(page('bundle-bands', 3)).not.toContain('ready.');
  });

  it('show what a good one looks like for the working hand, described for who does not see it', () => {
    const scissors = page('wheel', 2);
    expect(scissors).toContain('aria-label="Thumb up on top of the scissors. The blades point away."');
    expect(page('wheel', 2, { language: 'es' })).toContain('aria-label="El pulgar arriba');
    // Only at the steps that it is of: feet together once the child jumps.
    expect(page('star-beams', 6)).toContain('Both feet leave the floor');
    expect(page('star-beams', 4)).not.toContain('Both feet leave the floor');
  });

  it('tell cues to the helper beside the steps', () => {
    expect(page('short-tools', 3)).toContain('A short tool can’t be held in the fist.');
  });
});

describe('the table map', () => {
  const draw = (hand: Hand) => {
    const places = placesFor(task('crane-lift'), hand);
    return renderToStaticMarkup(
      <TableMapDrawing places={places} wordsOf={(place) => place.what.en} hand={hand} childName="Odalys" label="map" />,
    );
  };
  const xOf = (markup: string, word: string) => Number(new RegExp(`<tspan x="([\\d.]+)"[^>]*>[^<]*${word}`).exec(markup)![1]);

  it('lies mirrored for the other hand, and in the middle where the hand is not settled', () => {
    expect(xOf(draw('right'), 'pile')).toBeGreaterThan(170);
    expect(xOf(draw('left'), 'pile')).toBeLessThan(170);
    expect(xOf(draw('right'), 'pile') + xOf(draw('left'), 'pile')).toBe(340);
    expect(xOf(draw('unsettled'), 'pile')).toBe(170);
  });

  it('fills the working hand, and points both ways where it is open', () => {
    const tips = (markup: string) => markup.match(/<path d="M-?\d+ -?\d+L/g)!.length;
    expect(draw('right').match(/<ellipse/g)).toHaveLength(1);
    expect(draw('unsettled').match(/<ellipse/g)).toHaveLength(2);
    expect([tips(draw('left')), tips(draw('unsettled'))]).toEqual([1, 2]);
  });

  it('draws things as large as they are: a pin of 75 mm on a table of a meter, so many as lie there', () => {
    const shape = { kind: 'box' as const, lengthMm: 75, widthMm: 12, heightMm: 10 };
    const markup = (count: number) =>
      renderToStaticMarkup(
        <TableMapDrawing
          places={[{ what: { en: 'pins' }, side: 'left', shape, count }]}
          wordsOf={(place) => place.what.en}
          hand="left"
          childName="x"
          label="map"
        />,
      );
    const drawn = (count: number) =>
      [...markup(count).matchAll(/width="([\d.]+)" height="[\d.]+" rx="1"/g)].map(([, wide]) => Number(wide));
    expect(drawn(1)).toEqual([25.5]);
    // Five have the room of one place: each smaller, all of one size.
    expect(drawn(9)).toHaveLength(5);
    expect(new Set(drawn(9)).size).toBe(1);
  });

  it('when it is done what was moved lies with what it was moved to, and no arrow goes', () => {
    const places = placesFor(task('crane-lift'), 'right', 3);
    const done = whenDone(places)!;
    expect(new Set(done.map(({ side }) => side)).size).toBe(1);
    expect(done.map(({ what }) => what.en).sort()).toEqual(places.map(({ what }) => what.en).sort());
    const [first, goal] = [places[0]!, places.find(({ side }) => side !== places[0]!.side)!];
    expect(done.find(({ what }) => what.en === first.what.en)!.side).toBe(goal.side);
    expect(whenDone(places.filter(({ side }) => side === first.side))).toBeNull();
    const markup = renderToStaticMarkup(
      <TableMapDrawing places={done} wordsOf={(place) => place.what.en} hand="right" childName="x" label="map" isDone />,
    );
    expect(markup).not.toContain('stroke-width="2.5"');
  });

  it('draws nothing to follow where there is one place alone', () => {
    const alone = placesFor({ materials: [], tableMap: [{ what: { en: 'tray', es: 'bandeja' }, place: 'middle' }] }, 'left');
    expect(
      renderToStaticMarkup(<TableMapDrawing places={alone} wordsOf={(place) => place.what.en} hand="left" childName="x" label="map" />),
    ).not.toContain('stroke-width="2.5"');
  });
});
