import { say } from '../say';

export async function bench(): Promise<number> {
  say('bench');
  return 0;
}
