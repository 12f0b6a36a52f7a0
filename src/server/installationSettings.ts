import type { Language } from '@/core/text';

/** Settings of the installation, beside addresses and services. */
export interface InstallationSettings {
  /** Time zone offered to the first account; null where its browser proposes one. */
  readonly timeZone: string | null;
  /** Languages of families at first; null for every language. */
  readonly languages: readonly Language[] | null;
  /** True where everybody gives a second factor, whatever Settings say. */
  readonly factorRequired: boolean;
  /** The key by which the text service signs what it brings in; null where it brings nothing. */
  readonly incomingKey: string | null;
}

export const DEFAULT_INSTALLATION: InstallationSettings = { timeZone: null, languages: null, factorRequired: false, incomingKey: null };
