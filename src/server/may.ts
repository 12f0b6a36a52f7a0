import type { Access, Role } from '@/core/students';
import type { PersonActor } from './actor';

/** Acts on one student. */
export type ChildAct = 'readAccessLog' | 'readChild' | 'settleDecision' | 'changeProgram' | 'leadChild';
/** Acts on the workplace and its library. */
export type WorkplaceAct = 'makeTasks' | 'changeWorkplace' | 'addChildren' | 'seeProgress' | 'seeAllCaseloads' | 'changeTrust';

const BY_ACCESS = {
  readAccessLog: ['lead', 'shared'],
  readChild: ['lead', 'shared', 'assist'],
  settleDecision: ['lead', 'shared', 'assist'],
  changeProgram: ['lead', 'shared'],
  leadChild: ['lead'],
} as const satisfies Record<ChildAct, readonly Access[]>;

/** An assistant reads, logs and settles what needs no change, and changes nothing that is the therapist's, whatever the access. */
const BY_ROLE = {
  readAccessLog: ['therapist', 'supervisor'],
  readChild: ['therapist', 'assistant', 'supervisor'],
  settleDecision: ['therapist', 'assistant', 'supervisor'],
  changeProgram: ['therapist', 'supervisor'],
  leadChild: ['therapist', 'supervisor'],
  makeTasks: ['therapist', 'supervisor'],
  changeWorkplace: ['therapist', 'supervisor'],
  addChildren: ['therapist', 'supervisor'],
  seeProgress: ['therapist', 'supervisor'],
  seeAllCaseloads: ['supervisor'],
  /** Rules on what everyone can see, and for how long; and what is sent without a person. */
  changeTrust: ['supervisor'],
} as const satisfies Record<ChildAct | WorkplaceAct, readonly Role[]>;

/**
 * The one table of who may do what, asked by the screen that offers an act and by the use case that does it.
 * @param access the person's to the child; null where the act is about no child
 */
export function may(actor: Pick<PersonActor, 'role'>, access: Access, act: ChildAct): boolean;
export function may(actor: Pick<PersonActor, 'role'>, access: null, act: WorkplaceAct): boolean;
export function may({ role }: Pick<PersonActor, 'role'>, access: Access | null, act: ChildAct | WorkplaceAct): boolean {
  const roles: readonly Role[] = BY_ROLE[act];
  if (!roles.includes(role)) return false;
  const accesses: readonly Access[] | null = act in BY_ACCESS ? BY_ACCESS[act as ChildAct] : null;
  return accesses === null ? access === null : access !== null && accesses.includes(access);
}
