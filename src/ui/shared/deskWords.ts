import { createTranslator } from 'use-intl/core';
import desk from '../../../messages/desk.en.json';

/** Translates codes for the therapist: kinds, findings, faults, rules. These screens are in English. */
export const words = createTranslator({ locale: 'en', messages: desk });
