import { matchHome, offeredLevels } from '.';
import { checkLadder, proposeLadder } from '../ladder';
import { smallnessOf, thingsAt } from '../safety';
import { loadLibrary } from '../../../library/loadLibrary';

const library = loadLibrary();
const task = (slug: string) => library.find((each) => each.slug === slug)!;
const clips = task('clip-the-plans');
const all = (slug: string) => task(slug).materials.map((material) => material.id);
const without = (slug: string, ...ids: string[]) => all(slug).filter((id) => !ids.includes(id));

describe('a home against a task', () => {
  it('with everything changes nothing', () => {
    const match = matchHome(clips, all('clip-the-plans'));
    expect(match.standings.every((standing) => standing.kind === 'atHome')).toBe(true);
    expect(match.task).toEqual(clips);
    expect(match).toMatchObject({ changedSteps: [], findings: [] });
  });

  it('says what is missing and what may replace it', () => {
    const match = matchHome(clips, []);
    expect(match.standings.map((standing) => [standing.material.id, standing.kind])).toEqual([
      ['hair-clips', 'missing'],
      ['clothes-pegs', 'missing'],
      ['card', 'missing'],
      ['marker', 'missing'],
    ]);
    expect(match.standings[2]).toMatchObject({ kind: 'missing', offers: [{ id: 'box' }] });
  });

  it('puts the substitute in, with what it does to the grade, and checks the ladder again', () => {
    // Weak clips in place of strong pegs: the step whose point was the strength is no harder now.
    const match = matchHome(clips, without('clip-the-plans', 'clothes-pegs'));
    expect(match.standings[1]).toMatchObject({ kind: 'replaced', by: { id: 'hair-clips' }, count: 6 });
    expect(match.task.ladder.steps.map((step) => step.grade.resistance)).toEqual([0, 0, 0, 0, 0, 0]);
    expect(match.changedSteps).toEqual([2, 3, 4, 5, 6]);
    expect(match.findings).toContainEqual(expect.objectContaining({ code: 'equalSteps', step: 2 }));
    expect(match.task.materials[1]).toMatchObject({ id: 'hair-clips', name: { en: 'flat hair clips' } });
  });

  it('looks only at the steps that are meant', () => {
    expect(
      matchHome(clips, without('clip-the-plans', 'hair-clips', 'marker'), 2, 2).standings.every((standing) => standing.kind === 'atHome'),
    ).toBe(true);
  });

  it('carries the substitute’s size and cautions into safety', () => {
    const home = without('cut-the-planks', 'marker');
    expect(matchHome(task('cut-the-planks'), home).standings.at(-1)!.kind).toBe('missing');
    const peels = matchHome(task('peel-the-labels'), [...without('peel-the-labels', 'big-stickers')]);
    expect(peels.standings[0]).toMatchObject({ kind: 'replaced', by: { id: 'stickers' } });
    expect(thingsAt(peels.task, 1, 1).map(smallnessOf)).toContain('smallPart');
  });

  it('counts anew where one of a thing takes several of another', () => {
    const changed = {
      ...clips,
      materials: [{ ...clips.materials[2]!, count: 3, substitutes: [{ ...clips.materials[2]!.substitutes[0]!, times: 1.5 }] }],
    };
    expect(matchHome(changed, ['box']).standings[0]).toMatchObject({ kind: 'replaced', count: 5 });
    expect(matchHome(changed, ['box']).task.materials[0]!.count).toBe(5);
  });
});

describe('what a home can offer', () => {
  it('is every level whose things are there', () => {
    expect(offeredLevels(clips, all('clip-the-plans'))).toEqual({
      hands: [0, 1, 2],
      resistance: [0, 1],
      precision: [0, 1],
      surface: [0, 1],
    });
    expect(offeredLevels(clips, ['clothes-pegs']).resistance).toEqual([1]);
    expect(offeredLevels(clips, []).resistance).toEqual([]);
  });

  it('goes into the search: a ladder with only what is there, and which knob is used up', () => {
    const start = clips.ladder.steps[0]!.grade;
    const proposed = proposeLadder({
      knobs: clips.knobs,
      start,
      offered: offeredLevels(clips, without('clip-the-plans', 'clothes-pegs')),
      easierSteps: 0,
      harderSteps: 6,
    });
    expect(proposed.steps.every((step) => step.grade.resistance === 0)).toBe(true);
    expect(proposed.missing.harder).toBe(2);
    expect(proposed.usedUp).toContainEqual({ way: 'harder', knob: 'resistance', because: 'notOffered' });
    expect(
      checkLadder(clips.knobs, { steps: proposed.steps, startStep: 1, startReason: 'x' }).filter((finding) => finding.severity === 'error'),
    ).toEqual([]);
  });
});
