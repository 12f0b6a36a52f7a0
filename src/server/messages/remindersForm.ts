/** What a plain form wishes of reminders, the family's own or the therapist's; what is wrong in it is refused where it is taken in. */
export function remindersForm(form: FormData): unknown {
  return {
    weekdays: form.getAll('day').map(Number),
    at: String(form.get('at') ?? ''),
    afterSilence: form.get('afterSilence') === 'yes',
    way: form.get('way'),
    mayName: form.get('mayName') === 'yes',
  };
}
