import { addJobs, addMessage, type NewMessage, type Work } from '@/db';
import { deliverJob } from '../jobs/jobs';

/** Writes a message, and the job that hands it over, in the transaction of what it tells of. */
export async function putInPost(work: Work, message: NewMessage): Promise<number> {
  const messageId = await addMessage(work, message);
  await addJobs(work, [deliverJob(messageId, message.createdAt)]);
  return messageId;
}
