import { AUDIT_ACTIONS } from '@/core/auditActions';
import messages from '../../../messages/desk.en.json';
import familyMessages from '../../../messages/family/en.json';
import { words } from './deskWords';

/** Details that a line of the access log may have beside its action. */
const DETAIL = {
  from: 'here',
  role: 'therapist',
  setting: 'x',
  to: 'y',
  task: 'z',
  table: 'reports',
  rows: 3,
  key: 4,
  days: 5,
  count: 2,
  clips: 1,
  facts: 'hand',
  reports: 1,
  versions: 1,
  messages: 1,
  who: 'Ines',
  version: 2,
  outcome: 'stored',
};

it.each(AUDIT_ACTIONS)('%s has words, which name no code', (action) => {
  // A key that is not found comes back as it is.
  const said = words(`audit.${action}`, DETAIL as never);
  expect(said).not.toContain('audit.');
  expect(said).not.toContain('{');
});

/** Common practice, no source: what is spelled otherwise in the United States. */
const BRITISH =
  /\b(practis|colour|neighbour|judgement|metres?\b|\w*(organ|recogn|summar|memor|apolog|real)is(e|ed|es|ing)\b|centre|licence|programme|behaviour|favour|grey\b)\w*/i;

/** Every text below a message, with the place where it stands. */
function textsOf(value: unknown, place = ''): [string, string][] {
  return typeof value === 'string'
    ? [[place, value]]
    : Object.entries(value as object).flatMap(([key, inner]) => textsOf(inner, `${place}.${key}`));
}

it('is spelled as its readers spell', () => {
  const spelled = textsOf({ messages, familyMessages }).filter(([, text]) => BRITISH.test(text));
  expect(spelled).toEqual([]);
  expect(BRITISH.test('who practises in kilometres')).toBe(true);
});
