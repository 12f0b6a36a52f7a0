import type { Instant } from '@/core/calendar';
import type { Role } from '@/core/students';

/** Person who acts. Every use case takes one; there is no anonymous actor. */
export interface PersonActor {
  readonly kind: 'person';
  readonly personId: number;
  readonly name: string;
  readonly role: Role;
  readonly signInId: number;
  /** Moment until which a recent password confirmation holds. */
  readonly confirmedUntil: Instant;
}

/** A family, known by its private link alone. */
export interface FamilyActor {
  readonly kind: 'family';
  readonly linkId: number;
  readonly childId: number;
}
