import type { Instant } from '@/core/calendar';
import type { Reach } from '@/core/students';
import type { ClipFile } from '@/core/videos';
import type { Solve } from '@/core/planner';
import type { Result } from '@/core/result';
import type { ClipIssue, ClipOptions, ReadClip } from '@/formats/clip';
import type { PictureIssue, PictureOptions } from '@/formats/picture';
import { hashOf } from './secrets';

/** The time, as every use case asks it. */
export type Clock = () => Instant;

export interface TextToSend {
  /** Recipient, by our own name for them; the pretend phone needs no more. */
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

/** Sends messages: the pretend phone, or services of the workplace. May throw, or be slow; it never sends a message twice. */
export interface TextService {
  /** Whether anything is set up that reaches a family in this way; null for one of whom no number or address is known. Left out where all are reached. */
  reaches?(way: Reach['way'] | null): boolean;
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

/** Keeps files by their content: the same bytes have the same name, and are kept once. */
export interface MediaStore {
  /** Gives back the name: what is given back is on the disk. */
  put(bytes: Uint8Array): Promise<string>;
  /** Null where there is none of that name. @param span bytes, both ends in; all where left out */
  read(name: string, span?: { readonly start: number; readonly end: number }): Promise<ReadableStream<Uint8Array> | null>;
  /** @throws Error where there is none of that name */
  whole(name: string): Promise<Uint8Array>;
  /** Taking away what is not there is no fault. */
  drop(name: string): Promise<void>;
  /** Takes away what a crash left of a file that was being written; the file itself stays. */
  dropHalves(name: string): Promise<void>;
  /** How many bytes are free where files are kept. */
  freeBytes(): Promise<number>;
}

export interface RenditionOptions extends Pick<ReadClip, 'type' | 'fromSeconds' | 'seconds'> {
  /** The moments of which still pictures are wished, from where the clip begins. */
  readonly stillsAt: readonly number[];
}

/** A file that was made of a clip. */
export interface MadeFile extends Omit<ClipFile, 'bytes'> {
  readonly content: Uint8Array;
}

/** Reads and compresses videos and pictures, on threads and in processes that block no one else. */
export interface ClipWorkshop {
  readClip(file: Uint8Array, options: ClipOptions): Promise<Result<ReadClip, ClipIssue>>;
  readPicture(file: Uint8Array, options: PictureOptions): Promise<Result<Uint8Array, PictureIssue>>;
  /** A small form, a poster and stills; null where this machine has nothing to make them with. */
  makeForms(original: Uint8Array, options: RenditionOptions): Promise<readonly MadeFile[] | null>;
}

/** Destination of the daily backups. */
export interface Backups {
  /** Makes the day's backup, once, and takes away what is older than is kept. */
  make(day: string, migrations: readonly string[]): Promise<void>;
}

/** How bad the pretend network is. */
export interface Network {
  /** Number of the next messages that fail at their first try. */
  readonly fails: number;
  /** Delay of a family's text. */
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

/** Returns the text service's name for a member of staff. */
export function personAddressOf(personId: number): string {
  return `person-${personId}`;
}

/** Returns the text service's name for an unknown sender. */
export function strangerAddressOf(number: string): string {
  return `stranger-${hashOf(number).slice(0, 16)}`;
}

/** Returns the text service's name for a family. */
export function addressOf(childId: number): string {
  return `family-${childId}`;
}
