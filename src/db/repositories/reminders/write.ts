import type { Reminders } from '@/core/students';
import { tablesOf, type Work } from '../../work';

export async function setRemindersOf(work: Work, childId: number, reminders: Reminders): Promise<void> {
  await tablesOf(work).update('children', { reminders: { ...reminders, weekdays: [...reminders.weekdays] } }, { id: childId });
}
