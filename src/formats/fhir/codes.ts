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
  handOverHand: 'hand over hand',
  steadied: 'steadied at wrist or elbow',
  shown: 'shown',
  pointed: 'pointed out',
  words: 'told in words',
  alone: 'without help',
};

/** “Something hurt” was pressed, and said later to be a mistake: it stays on the record as that. */
export const MISTAKE = 'by-mistake';
const INJURY_WORDS: Readonly<Record<Danger | typeof MISTAKE, string>> = {
  pressed: '“Something hurt” was pressed, and nothing more was written',
  told: '“Something hurt” was pressed, and described',
  words: 'a possible injury: the words were read as one, or could not be read',
  [MISTAKE]: '“Something hurt” was pressed by mistake, as the caregiver said later',
};

const OWN = {
  'help-level': { title: 'Help that a task was done with', concepts: HELP_LEVELS.map((level) => [level, HELP_WORDS[level]] as const) },
  'observed-by': {
    title: 'Who saw it',
    concepts: [
      ['caregiver-reported', 'reported by a caregiver'],
      ['therapist-measured', 'seen or measured by the therapist'],
    ] as const,
  },
  what: {
    title: 'What is told of practice',
    concepts: [
      ['home-practice', 'a session of home practice'],
      ['own-measurement', 'a measurement at school'],
      ['good-repetitions', 'good repetitions, minutes or pieces'],
      ['step', 'step of the task’s ladder, 1 the easiest'],
      ['trials', 'trials'],
      ['minutes', 'minutes'],
      ['effort', 'how it felt'],
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
