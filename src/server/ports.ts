import type { Instant } from '@/core/calendar';
import type { Reach } from '@/core/child';
import type { Solve } from '@/core/plan';
import { hashOf } from './secrets';

/** The time, as every use case asks it. */
export type Clock = () => Instant;

export interface TextToSend {
  /** Who gets it, by our own name for them; the pretend phone needs no more. */
  readonly to: string;
  /** Their number or address; null where none is known. */
  readonly reach: Reach | null;
  readonly text: string;
  /** The same key is the same text: the service delivers it once, however often it is asked to. */
  readonly idempotencyKey: string;
}

export interface Receipt {
  /** True where the service had taken this very text before. */
  readonly repeated: boolean;
}

/** What sends messages: the pretend phone, or services of the house. May throw, or be slow; it never takes a text twice. */
export interface TextService {
  send(message: TextToSend): Promise<Receipt>;
  /** Forgets all that it keeps of one it reached. Forgetting again is no fault. */
  forget(to: string): Promise<void>;
}

export interface PhoneText {
  readonly key: string;
  readonly at: Instant;
  readonly text: string;
}

/** Solves weeks, on a thread that nobody else waits on. */
export interface Solver {
  readonly solve: Solve;
}

/** Where the backups of each day go. */
export interface Backups {
  /** Makes the day's backup, once, and takes away what is older than is kept. */
  make(day: string, migrations: readonly string[]): Promise<void>;
}

/** How bad the pretend network is. */
export interface Network {
  /** So many of the next texts that go out fail at their first try. */
  readonly fails: number;
  /** So long a text from a family is on its way. */
  readonly delaySeconds: number;
  /** Each text from a family comes twice. */
  readonly twice: boolean;
  /** Texts from families come in another order than they were sent. */
  readonly disorder: boolean;
}

/** A phone that can be looked at: the pretend one that stands in for a family's own. */
export interface PhoneOnShow {
  network(): Promise<Network>;
  setNetwork(network: Network): Promise<void>;
  /** Oldest first. */
  read(to: string): Promise<PhoneText[]>;
}

/** By what the text service knows who works here. */
export function personAddressOf(personId: number): string {
  return `person-${personId}`;
}

/** By what the text service knows somebody whom no child knows. */
export function strangerAddressOf(number: string): string {
  return `stranger-${hashOf(number).slice(0, 16)}`;
}

/** By what the text service knows a family. */
export function addressOf(childId: number): string {
  return `family-${childId}`;
}
