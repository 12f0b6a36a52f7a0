import { hardnessOf, HARD_ENOUGH } from './passwordHardness';

describe('a password', () => {
  // From published lists of passwords that leaked most often, and of the ways people lengthen them (from memory).
  it.each([
    'passwordpassword',
    '123456789012',
    'qwertyuiop12',
    'iloveyou12345',
    'Password1234!',
    '1q2w3e4r5t6y',
    'aaaaaaaaaaaaaaaa',
    'football2026!',
    'January012026',
  ])('that many have is told: %s', async (password) => {
    expect(await hardnessOf(password, [])).toBeLessThan(HARD_ENOUGH);
  });

  it.each(['tarrow hill seven boats', 'kettle-ladder-moss-nine', 'vK9#pQ2zLw7!tR'])('that stands is taken: %s', async (password) => {
    expect(await hardnessOf(password, ['Ines Calloway-Brandt'])).toBeGreaterThanOrEqual(HARD_ENOUGH);
  });

  it('made of what tells of the person is weaker for that person', async () => {
    const telling = ['marit oyelaran', 'tarrowhill'];
    expect(await hardnessOf('tarrowhill 2026', telling)).toBeLessThan(HARD_ENOUGH);
    expect(await hardnessOf('tarrowhill 2026', [])).toBeGreaterThanOrEqual(HARD_ENOUGH);
  });
});
