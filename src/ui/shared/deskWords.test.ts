import { AUDIT_ACTIONS } from '@/core/auditActions';
import { words } from './deskWords';

/** What a line of the trail may tell beside its action. */
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
