import type { Instant } from '@/core/calendar';
import type { Role } from '@/core/students';

/** Who acts. Every use case takes one; there is none that stands for nobody. */
export interface PersonActor {
  readonly kind: 'person';
  readonly personId: number;
  readonly name: string;
  readonly role: Role;
  readonly signInId: number;
  /** Till when the password, given lately, holds for what takes it once more. */
  readonly confirmedUntil: Instant;
}

/** A family, known by its private link alone. */
export interface FamilyActor {
  readonly kind: 'family';
  readonly linkId: number;
  readonly childId: number;
}
