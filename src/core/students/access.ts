/** The parts that people have in a workplace. */
export const ROLES = ['therapist', 'assistant', 'supervisor'] as const;
export type Role = (typeof ROLES)[number];

/** How a child is somebody's: led, shared with another therapist, or helped with under the plan of the one who leads. */
export const ACCESSES = ['lead', 'shared', 'assist'] as const;
export type Access = (typeof ACCESSES)[number];
