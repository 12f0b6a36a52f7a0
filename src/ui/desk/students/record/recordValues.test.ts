import { childRecordSchema } from '@/core/students';
import { exampleChild } from '../../../../../tests/fixtures/tarrowHill';
import { NEW_CONTACT, recordFrom, valuesFrom } from './recordValues';

it('a record comes back from its form as it went in', () => {
  const child = exampleChild({
    hand: 'unsettled',
    leaningHand: 'left',
    allergies: ['wheat: rash', 'kiwi'],
    precautions: [{ words: 'loose joints', asks: ['weightOnHands'] }],
    contacts: [
      {
        name: 'Abuela',
        relation: 'grandmother',
        language: 'es',
        way: 'call',
        reach: '',
        quiet: { from: '20:00', to: '07:00' },
        mayBeSent: 'reminders',
      },
    ],
    practiceWeekdays: [1, 3, 5],
  });
  const { id: _id, school: _school, visitDays: _days, timeZone: _zone, taskSettings: _settings, leftOn: _left, ...record } = child;
  expect(childRecordSchema.parse(recordFrom(valuesFrom(child)))).toEqual(record);
});

it('languages at home are written by their names, and read by name or code', () => {
  const values = valuesFrom(exampleChild({ homeLanguages: ['es', 'ht'] }));
  expect(values.homeLanguages).toBe('Spanish, Haitian Creole');
  expect(recordFrom({ ...values, homeLanguages: 'spanish, HT; Portuguese' }).homeLanguages).toEqual(['es', 'ht', 'pt']);
  const read = childRecordSchema.safeParse(recordFrom({ ...values, homeLanguages: 'Yardish' }));
  expect(read.error?.issues.map(({ path }) => path[0])).toEqual(['homeLanguages']);
});

it('a hand that is settled leans to none, and what was left empty is refused by its place', () => {
  const values = { ...valuesFrom(exampleChild({ hand: 'left' })), leaningHand: 'right' as const };
  expect(recordFrom(values).leaningHand).toBeNull();
  const read = childRecordSchema.safeParse(
    recordFrom({ ...values, minutesPerDay: '', contacts: [{ ...NEW_CONTACT, quietFrom: '20:00' }] }),
  );
  expect(read.error?.issues.map(({ path }) => path.join('.'))).toEqual(['minutesPerDay', 'contacts.0.name', 'contacts.0.quiet.to']);
});
