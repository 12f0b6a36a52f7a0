import { normalEmail } from '.';

describe('an e-mail address in its one form', () => {
  it.each([
    [' Ines@TarrowHill.example ', 'ines@tarrowhill.example'],
    ["o'neil+yard@school.k12.example", "o'neil+yard@school.k12.example"],
    ['a@b-c.example', 'a@b-c.example'],
  ])('%j is %s', (text, email) => {
    expect(normalEmail(text)).toBe(email);
  });

  it.each([
    'ínes@tarrowhill.example',
    'ines@tarrowhill.exämple',
    'i\u200bnes@tarrowhill.example',
    'ines@tarrowhill.example\u0000',
    // The Kelvin sign becomes a plain k in small letters.
    '\u212aim@tarrowhill.example',
    'ines@tarrowhill',
    'ines@@tarrowhill.example',
    'ines tarrow@hill.example',
    '"ines"@tarrowhill.example',
    'ines@-hill.example',
    'ines@hill-.example',
    'ines@.example',
    '@tarrowhill.example',
    `${'a'.repeat(65)}@tarrowhill.example`,
    `ines@${'a.'.repeat(95)}example`,
    '',
  ])('%j is none', (text) => {
    expect(normalEmail(text)).toBeNull();
  });
});
