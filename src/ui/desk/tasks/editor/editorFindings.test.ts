import { loadLibrary } from '../../../../../library/loadLibrary';
import { editorFindings, editorFindingWords } from './editorFindings';

const crane = loadLibrary().find((task) => task.slug === 'crane-lift')!;
const wordsOf = (change: Partial<typeof crane>) => {
  const task = { ...crane, ...change };
  return editorFindings(task)
    .filter((finding) => finding.code === 'form')
    .map((finding) => editorFindingWords(finding, task));
};

describe('what the form of a task lacks', () => {
  it('is nothing for a whole one', () => {
    expect(wordsOf({})).toEqual([]);
  });

  it('is said once for both languages, with its place', () => {
    expect(wordsOf({ title: { en: '', es: '' } })).toEqual(['Title: still empty.']);
    expect(wordsOf({ title: { en: 'Lift', es: '' } })).toEqual(['Title: still empty in Spanish.']);
    const steps = crane.ladder.steps.map((step, index) => (index === 2 ? { ...step, how: { en: '', es: '' } } : step));
    expect(wordsOf({ ladder: { ...crane.ladder, steps } })).toEqual(['Ladder, step 3, how: still empty.']);
    expect(wordsOf({ helperSteps: [] })).toEqual(['Steps for the helper: still empty.']);
  });

  it('names a number that is out of range', () => {
    expect(wordsOf({ dose: { ...crane.dose, rounds: 99 } })[0]).toMatch(/^Dose, rounds: too big/);
  });

  it('stands beside what the checks find', () => {
    const task = { ...crane, cues: [], title: { en: '', es: '' } };
    expect(editorFindings(task).map((finding) => finding.code)).toEqual(expect.arrayContaining(['noCue', 'form']));
  });
});
