import type { Instant } from '@/core/calendar';
import { tablesOf, type Work } from '../../work';
import type { SystemMark } from './read';

export async function markSystem(work: Work, name: SystemMark, at: Instant): Promise<void> {
  await tablesOf(work).update('system_marks', { marked_at: at }, { name });
}
