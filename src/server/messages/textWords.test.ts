import { textWords } from './textWords';

it('writes in the family’s language, else in English, and names nobody', async () => {
  expect(await textWords('es', 'program')).toBe('Yard Steps: hay un nuevo plan de práctica. Abra su página privada: {link}');
  expect(await textWords('vi', 'newStep')).toBe('Yard Steps: There is a new step in the practice plan. Open your private page: {link}');
});
