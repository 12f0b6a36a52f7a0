export { childrenWithReminders, remindersOf } from './read';
export { setRemindersOf } from './write';
