import type { Contact } from './childRecord';

/** Service and address by which a person is reached. */
export interface Reach {
  readonly way: 'text' | 'email';
  readonly at: string;
}

/**
 * Returns the contact that home practice is sent to: the first that may receive it by text or email and has a number or an address.
 * Null where a family is reached by call or on paper alone.
 * @example reachOf([{ ...grandmother, way: 'text', reach: '+1 900 555 0101', mayBeSent: 'practice' }]) // { way: 'text', at: '+1 900 555 0101' }
 */
export function reachOf(contacts: readonly Contact[], requested: Reach['way'] | null = null): Reach | null {
  const contact = reachContact(contacts, requested);
  return contact && { way: contact.way as Reach['way'], at: contact.reach };
}

/** The contact itself, with its quiet hours: by the service that is wished, where there is one. */
export function reachContact(contacts: readonly Contact[], requested: Reach['way'] | null = null): Contact | null {
  const reached = contacts.filter(
    ({ way, reach, mayBeSent }) => (way === 'text' || way === 'email') && reach !== '' && mayBeSent === 'practice',
  );
  return reached.find(({ way }) => way === requested) ?? reached[0] ?? null;
}

/** The services by which a family is reached, each once: where there are two it chooses. */
export function reachWays(contacts: readonly Contact[]): Reach['way'][] {
  return (['text', 'email'] as const).filter((way) => reachContact(contacts, way)?.way === way);
}
