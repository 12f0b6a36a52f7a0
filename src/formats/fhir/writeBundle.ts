import type {
  Bundle,
  CarePlan,
  Communication,
  Resource,
  Goal,
  Observation,
  ObservationComponent,
  Patient,
  PlanDefinition,
  Provenance,
  Reference,
  TimingRepeat,
} from '@medplum/fhirtypes';
import { nameOf } from '@/core/students';
import { doseAt, calculateDose } from '@/core/dose';
import type { ProgramTask } from '@/core/programs';
import { absent, EXTENSIONS, MISTAKE, ownCode, ownCodeSystems, planUrl, SIDES } from './codes';
import type { FhirRecord } from './record';

const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;

/**
 * A child's record as a FHIR R4 bundle: the patient with a called name and an initial alone, the program in force as a care plan with its
 * tasks' ladders as plan definitions, goals, what caregivers reported and what the therapist measured as observations that are told apart,
 * messages, and who changed which step when and why. Our own codes come along.
 * Source: HL7 FHIR R4 (4.0.1), https://hl7.org/fhir/R4/.
 */
export function writeFhir(record: FhirRecord): Bundle {
  const subject: Reference<Patient> = { reference: `Patient/child-${record.child.id}` };
  const resources: Resource[] = [
    patientOf(record),
    ...ownCodeSystems(),
    ...(record.program?.tasks ?? []).map(planDefinitionOf),
    ...(record.program ? [carePlanOf(record, subject)] : []),
    ...record.goals.map((goal) => goalOf(goal, subject)),
    ...record.sessions.map((session) => sessionOf(session, subject)),
    ...record.measurements.map((measurement) => measurementOf(measurement, subject)),
    ...record.messages.map((message) => communicationOf(message, subject)),
    ...(record.program ? record.changes.map((change) => provenanceOf(change, record)) : []),
  ];
  return {
    resourceType: 'Bundle',
    type: 'collection',
    timestamp: iso(record.writtenAt),
    entry: resources.map((resource) => ({ fullUrl: `https://yard-steps.example/fhir/${resource.resourceType}/${resource.id}`, resource })),
  };
}

const iso = (moment: number) => new Date(moment).toISOString();

function patientOf({ child }: FhirRecord): Patient {
  return {
    resourceType: 'Patient',
    id: `child-${child.id}`,
    active: true,
    name: [{ use: 'usual', text: nameOf(child), given: [child.calledName] }],
  };
}

/** A task as its ladder: each step with what is done and how much of it. */
function planDefinitionOf({ content, dose }: ProgramTask): PlanDefinition {
  return {
    resourceType: 'PlanDefinition',
    id: content.slug,
    url: planUrl(content.slug),
    title: content.title.en,
    name: `Task_${content.slug.replaceAll('-', '_')}`,
    status: 'active',
    ...(content.description && { description: content.description.en }),
    ...(content.why && { purpose: content.why.en }),
    action: content.ladder.steps.map((step, index) => ({
      prefix: String(index + 1),
      title: step.name.en,
      description: step.how.en,
      textEquivalent: amountOf(calculateDose(doseAt(dose, index + 1), 1).perDay),
    })),
  };
}

const amountOf = (perDay: number) => (perDay > 0 ? `${perDay} a day` : 'no count');

function carePlanOf({ program, child, goals }: FhirRecord, subject: Reference<Patient>): CarePlan {
  const { number, startsOn, endsOn, isEnded, tasks, note } = program!;
  const open = goals.filter(({ closedOn }) => closedOn === null);
  return {
    resourceType: 'CarePlan',
    id: `child-${child.id}-program-${number}`,
    status: isEnded ? 'completed' : 'active',
    intent: 'plan',
    title: `Home practice, version ${number}`,
    subject,
    period: { start: startsOn, end: endsOn },
    ...(open.length && { goal: open.map(({ id }) => ({ reference: `Goal/goal-${id}` })) }),
    activity: tasks.map(({ content, step, chooseFrom, chooseTo, weekdays, dose }) => ({
      detail: {
        extension: [{ url: EXTENSIONS.step, valuePositiveInt: step }],
        status: isEnded ? ('completed' as const) : ('in-progress' as const),
        code: { text: content.title.en },
        instantiatesCanonical: [planUrl(content.slug)],
        description: `Step ${step} of ${content.ladder.steps.length}: ${content.ladder.steps[step - 1]!.name.en}. The family may choose from ${chooseFrom} to ${chooseTo}. ${amountOf(calculateDose(doseAt(dose, step), 1).perDay)}.`,
        scheduledTiming: { repeat: { dayOfWeek: weekdays.map((day) => WEEKDAYS[day - 1]!) as NonNullable<TimingRepeat['dayOfWeek']> } },
      },
    })),
    ...(note && { note: [{ text: note }] }),
  };
}

function goalOf({ id, content, criterion, closedOn, closedWhy }: FhirRecord['goals'][number], subject: Reference<Patient>): Goal {
  // Which tasks serve it is told by their numbers here, which mean nothing elsewhere.
  const { taskIds: _, ...told } = content;
  return {
    resourceType: 'Goal',
    id: `goal-${id}`,
    extension: [{ url: EXTENSIONS.goal, valueString: JSON.stringify(told) }],
    lifecycleStatus: closedOn === null ? 'active' : closedWhy === 'met' ? 'completed' : 'cancelled',
    description: { text: content.statement },
    subject,
    ...('baselineOn' in content.measure && { startDate: content.measure.baselineOn }),
    ...(closedOn && { statusDate: closedOn, ...(closedWhy && { statusReason: closedWhy }) }),
    // A target is a measure and its detail, or a day alone: FHIR asks for the measure where there is a detail.
    target: [{ measure: { text: content.measure.kind }, detailString: criterion, dueDate: content.reviewOn }],
  };
}

/** Converts a caregiver's report: never mixed with the therapist's own measurements. */
function sessionOf(session: FhirRecord['sessions'][number], subject: Reference<Patient>): Observation {
  const { reportId, doneOn, done, amount, target, help, effort, step, left, right, way, saidBy, words, danger, mistake } = session;
  const value = (name: 'good-repetitions' | 'step' | 'effort', rest: Partial<ObservationComponent>): ObservationComponent => ({
    code: ownCode('what', name),
    ...rest,
  });
  const side = (name: 'left' | 'right', count: number): ObservationComponent => ({
    code: { ...ownCode('what', `${name}-hand`), coding: [...ownCode('what', `${name}-hand`).coding!, ...SIDES[name].coding] },
    valueQuantity: { value: count },
  });
  const isMeasured = way === 'measured';
  return {
    resourceType: 'Observation',
    id: `report-${reportId}`,
    status: 'final',
    code: ownCode('what', 'home-practice'),
    subject,
    effectiveDateTime: doneOn,
    method: ownCode('observed-by', isMeasured ? 'therapist-measured' : 'caregiver-reported'),
    ...(saidBy && { performer: [{ display: saidBy }] }),
    ...(words && { note: [{ text: words }] }),
    // Harm is no practice: such a report has no value of its own.
    ...(!done || danger
      ? { dataAbsentReason: absent('not-performed') }
      : amount === null
        ? { dataAbsentReason: absent('asked-unknown') }
        : { valueQuantity: { value: amount } }),
    component: [
      value('step', { valueInteger: step }),
      ...(target !== null ? [value('good-repetitions', { valueRange: { high: { value: target } } })] : []),
      ...(left !== null ? [side('left', left)] : []),
      ...(right !== null ? [side('right', right)] : []),
      ...(help ? [{ code: { text: 'help' }, valueCodeableConcept: ownCode('help-level', help) }] : []),
      ...(effort ? [value('effort', { valueString: effort })] : []),
      ...(danger ? [{ code: ownCode('what', 'injury'), valueCodeableConcept: ownCode('injury', mistake ? MISTAKE : danger) }] : []),
    ],
  };
}

function measurementOf(
  { id, measuredOn, good, trials, help, minutes, note, by, goalId }: FhirRecord['measurements'][number],
  subject: Reference<Patient>,
): Observation {
  return {
    resourceType: 'Observation',
    id: `measurement-${id}`,
    status: 'final',
    code: ownCode('what', 'own-measurement'),
    subject,
    ...(goalId !== null && { focus: [{ reference: `Goal/goal-${goalId}` }] }),
    effectiveDateTime: measuredOn,
    performer: [{ display: by }],
    method: ownCode('observed-by', 'therapist-measured'),
    ...(good === null ? { dataAbsentReason: absent('asked-unknown') } : { valueQuantity: { value: good } }),
    ...(note && { note: [{ text: note }] }),
    ...withParts([
      ...(trials !== null ? [{ code: ownCode('what', 'trials'), valueInteger: trials }] : []),
      ...(minutes !== null
        ? [
            {
              code: ownCode('what', 'minutes'),
              valueQuantity: { value: minutes, unit: 'min', system: 'http://unitsofmeasure.org', code: 'min' },
            },
          ]
        : []),
      ...(help ? [{ code: { text: 'help' }, valueCodeableConcept: ownCode('help-level', help) }] : []),
    ]),
  };
}

/** A list of FHIR is never empty: where there is nothing it is left out. */
function withParts(component: ObservationComponent[]): Partial<Pick<Observation, 'component'>> {
  return component.length ? { component } : {};
}

function communicationOf(
  { id, words, createdAt, handedOverAt, createdBy }: FhirRecord['messages'][number],
  subject: Reference<Patient>,
): Communication {
  return {
    resourceType: 'Communication',
    id: `message-${id}`,
    status: handedOverAt === null ? 'in-progress' : 'completed',
    subject,
    sent: iso(handedOverAt ?? createdAt),
    ...(createdBy && { sender: { display: createdBy } }),
    payload: [{ contentString: words }],
  };
}

function provenanceOf(
  { id, taskId, fromStep, toStep, reason, changedBy, changedAt }: FhirRecord['changes'][number],
  { program, child }: FhirRecord,
): Provenance {
  const title = program!.tasks.find((task) => task.taskId === taskId)?.content.title.en ?? 'a task that is out of the program';
  const said = fromStep === null ? `${title}: begun at step ${toStep}` : `${title}: from step ${fromStep} to step ${toStep}`;
  return {
    resourceType: 'Provenance',
    id: `change-${id}`,
    target: [{ reference: `CarePlan/child-${child.id}-program-${program!.number}` }],
    recorded: iso(changedAt),
    activity: { text: said },
    ...(reason && { reason: [{ text: reason }] }),
    agent: [{ who: { display: changedBy } }],
  };
}
