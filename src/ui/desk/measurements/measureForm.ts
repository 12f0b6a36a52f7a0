import { WATCH_ITEMS } from '@/core/vocabulary';

/** Reads a measurement from a plain form; an empty field gives nothing, and faults are refused by the use case. */
export function measureForm(form: FormData): unknown {
  const text = (name: string) => String(form.get(name) ?? '').trim();
  const number = (name: string) => (text(name) === '' ? null : Number(text(name).replace(',', '.')));
  const [taskId, step] = text('taskStep').split(':');
  // A level is chosen together with its goal.
  const [ofLevel, level] = text('level').split(':');
  return {
    goalId: level ? Number(ofLevel) : number('goalId'),
    taskId: taskId ? Number(taskId) : null,
    step: step ? Number(step) : null,
    measuredOn: text('measuredOn'),
    good: number('good'),
    trials: number('trials'),
    help: text('help') || null,
    level: level ? Number(level) : null,
    minutes: number('minutes'),
    watched: Object.fromEntries(WATCH_ITEMS.map((item) => [item, text(`watch_${item}`)])),
    note: text('note'),
  };
}
