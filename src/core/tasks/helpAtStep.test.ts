import { loadLibrary } from '../../../library/loadLibrary';
import { applySettings, linesAt, mostHelpAt } from '.';
import { helpAtStep } from './helpAtStep';

const library = loadLibrary();
describe('the help that a step is made of', () => {
  it('a step whose grade is hand on hand is reached hand on hand', () => {
    const roadLoop = library.find(({ slug }) => slug === 'road-loop')!;
    expect(helpAtStep(roadLoop, 1)).toBe('handOverHand');
    expect(mostHelpAt(roadLoop, 1, 'shown')).toBe('handOverHand');
    expect(mostHelpAt(roadLoop, roadLoop.ladder.steps.length, 'shown')).toBe('shown');
  });

  it('“help a lot at first” never stands beside a step that is done by words or alone', () => {
    for (const task of library) {
      const faded = applySettings(task, { promptFading: 'mostToLeast' });
      faded.ladder.steps.forEach((_, index) => {
        const help = helpAtStep(faded, index + 1);
        const says = linesAt(faded, 'helperSteps', index + 1).some(({ en }) => /^Help a lot at first/.test(en));
        expect([task.slug, index + 1, says && (help === 'words' || help === 'alone')]).toEqual([task.slug, index + 1, false]);
      });
    }
  });
});
