import type { CodeableConcept, CodeSystem } from '@medplum/fhirtypes';
import { DANGERS, type Danger } from '@/core/safety';
import { HELP_LEVELS, type HelpLevel } from '@/core/vocabulary';

/** Base address of our own codes. It names them; nothing has to be found there, since the bundle carries them. */
const BASE = 'https://yard-steps.example/fhir';
export const systemOf = (name: string) => `${BASE}/CodeSystem/${name}`;
export const planUrl = (slug: string) => `${BASE}/PlanDefinition/${slug}`;
/** The task that such an address names; null for another address. */
export const slugOfPlan = (url: string) => (url.startsWith(`${BASE}/PlanDefinition/`) ? url.slice(`${BASE}/PlanDefinition/`.length) : null);
/** Extensions for content that FHIR has no place for. */
export const EXTENSIONS = { goal: `${BASE}/StructureDefinition/goal-content`, step: `${BASE}/StructureDefinition/step` } as const;

const HELP_WORDS: Readonly<Record<HelpLevel, string>> = {
  handOverHand: 'full physical help (hand over hand)',
  steadied: 'partial physical help',
  shown: 'model',
  pointed: 'gesture cue',
  words: 'verbal cue',
  alone: 'independent',
};

/** “Something hurt” was pressed, and said later to be a mistake: it stays on the record as that. */
export const MISTAKE = 'by-mistake';
const INJURY_WORDS: Readonly<Record<Danger | typeof MISTAKE, string>> = {
  pressed: 'The caregiver pressed “Something hurt” and wrote no comment',
  told: 'The caregiver pressed “Something hurt” and described it',
  words: 'Possible injury: a comment may describe one, or could not be read',
  [MISTAKE]: 'The caregiver later said that “Something hurt” was pressed by mistake',
};

const OWN = {
  'help-level': { title: 'Level of help', concepts: HELP_LEVELS.map((level) => [level, HELP_WORDS[level]] as const) },
  'observed-by': {
    title: 'Observed by',
    concepts: [
      ['caregiver-reported', 'reported by a caregiver'],
      ['therapist-measured', 'measured by the therapist at school'],
    ] as const,
  },
  what: {
    title: 'Observations about practice',
    concepts: [
      ['home-practice', 'home practice session'],
      ['own-measurement', 'school data'],
      ['good-repetitions', 'successful repetitions, minutes or pieces'],
      ['step', 'step of the task, 1 is the easiest'],
      ['trials', 'trials'],
      ['minutes', 'minutes'],
      ['effort', 'difficulty'],
      ['left-hand', 'with the left hand'],
      ['right-hand', 'with the right hand'],
      ['injury', 'pain or an injury was reported'],
    ] as const,
  },
  injury: {
    title: 'How pain or an injury was reported',
    concepts: ([...DANGERS, MISTAKE] as const).map((danger) => [danger, INJURY_WORDS[danger]] as const),
  },
} as const;
type OwnSystem = keyof typeof OWN;

/** Builds one of our own codes. */
export function ownCode(system: OwnSystem, code: string): CodeableConcept {
  const display = (OWN[system].concepts as readonly (readonly [string, string])[]).find(([known]) => known === code)![1];
  return { coding: [{ system: systemOf(system), code, display }], text: display };
}

/** Left and right as SNOMED CT names them (from memory: qualifier values). */
export const SIDES = {
  left: { coding: [{ system: 'http://snomed.info/sct', code: '7771000', display: 'Left' }] },
  right: { coding: [{ system: 'http://snomed.info/sct', code: '24028007', display: 'Right' }] },
} as const satisfies Record<string, CodeableConcept>;

/** Why a value is missing, as HL7 names it (data-absent-reason, from memory). */
export function absent(code: 'not-performed' | 'asked-unknown'): CodeableConcept {
  return { coding: [{ system: 'http://terminology.hl7.org/CodeSystem/data-absent-reason', code }] };
}

/** Our own codes, published with whatever uses them. */
export function ownCodeSystems(): CodeSystem[] {
  return (Object.keys(OWN) as OwnSystem[]).map((name) => ({
    resourceType: 'CodeSystem',
    id: name,
    url: systemOf(name),
    name: name.replace(/(^|-)(\w)/g, (_, _dash, letter: string) => letter.toUpperCase()),
    title: OWN[name].title,
    status: 'active',
    content: 'complete',
    concept: OWN[name].concepts.map(([code, display]) => ({ code, display })),
  }));
}
