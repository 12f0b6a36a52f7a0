import { createTranslator } from 'use-intl/core';
import desk from '../../../messages/desk.en.json';

/** What the therapist's face says of codes: kinds, findings, faults, rules. The desk speaks English. */
export const words = createTranslator({ locale: 'en', messages: desk });
