import type { Language } from '@/core/text';

/** What the settings of the installation say of the house, beside addresses and services. */
export interface InstallationSettings {
  /** What the first account is offered; null where its browser says it. */
  readonly timeZone: string | null;
  /** What families may be written to in at first; null where that is every language. */
  readonly languages: readonly Language[] | null;
  /** True where everybody gives a second factor, whatever Settings say. */
  readonly factorRequired: boolean;
  /** The key by which the text service signs what it brings in; null where it brings nothing. */
  readonly incomingKey: string | null;
}

export const DEFAULT_INSTALLATION: InstallationSettings = { timeZone: null, languages: null, factorRequired: false, incomingKey: null };
