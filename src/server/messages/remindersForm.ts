/** Reads the reminder form of a family or a therapist. Invalid values are refused by the use case. */
export function remindersForm(form: FormData): unknown {
  return {
    weekdays: form.getAll('day').map(Number),
    at: String(form.get('at') ?? ''),
    afterSilence: form.get('afterSilence') === 'yes',
    way: form.get('way'),
    mayName: form.get('mayName') === 'yes',
  };
}
