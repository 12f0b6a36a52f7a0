import fc from 'fast-check';
import { readFhir } from '.';

/** In the shape of the standard's own example of a goal (HL7 FHIR R4, Goal, from memory), with words of ours. */
const GOAL = {
  resourceType: 'Goal',
  id: 'example',
  identifier: [{ value: '123' }],
  lifecycleStatus: 'on-hold',
  category: [{ coding: [{ system: 'http://terminology.hl7.org/CodeSystem/goal-category', code: 'dietary' }] }],
  priority: { text: 'high' },
  description: { text: 'Cuts along a straight line.' },
  subject: { reference: 'Patient/example', display: 'Odalys V.' },
  startDate: '2026-09-01',
  target: [
    { measure: { text: 'off the line' }, detailQuantity: { comparator: '<', value: 5, unit: 'mm' }, dueDate: '2027-01-31' },
    { detailRange: { low: { value: 1 } } },
  ],
  statusDate: '2026-10-01',
};
const PLAN = {
  resourceType: 'CarePlan',
  id: 'plan',
  status: 'active',
  intent: 'plan',
  subject: { reference: 'Patient/example' },
  period: { start: '2026-09-01' },
  author: { display: 'a clinic' },
  activity: [
    { detail: { status: 'in-progress', code: { text: 'Pegs' }, description: 'Ten a day.' } },
    {
      detail: {
        status: 'in-progress',
        instantiatesCanonical: ['https://yard-steps.example/fhir/PlanDefinition/crane-lift'],
        code: { text: 'Crane lift' },
      },
    },
    { reference: { reference: 'ServiceRequest/1' } },
  ],
};
const bundle = (...resources: object[]) =>
  JSON.stringify({ resourceType: 'Bundle', type: 'collection', entry: resources.map((resource) => ({ resource })) });
const read = (text: string) => {
  const given = readFhir(text);
  if (!given.ok) throw new Error(given.fault.code);
  return given.read;
};
const fault = (text: string) => {
  const given = readFhir(text);
  return given.ok ? 'read' : given.fault.code;
};

describe('FHIR from elsewhere', () => {
  it('gives what it tells of goals, and lists the rest leaf by leaf', () => {
    const { goals, notUnderstood } = read(JSON.stringify(GOAL));
    expect(goals).toEqual([
      { statement: 'Cuts along a straight line.', content: null, criterion: 'off the line, < 5 mm', dueOn: '2027-01-31' },
    ]);
    expect(notUnderstood.map(({ where }) => where)).toEqual([
      'Goal/example.identifier.0.value',
      'Goal/example.category.0.coding.0.system',
      'Goal/example.category.0.coding.0.code',
      'Goal/example.priority.text',
      'Goal/example.target.1.detailRange.low.value',
      'Goal/example.statusDate',
    ]);
  });

  it('gives the activities of a care plan, by our own task where one is named', () => {
    const { tasks, notUnderstood } = read(bundle(PLAN));
    expect(tasks).toEqual([
      { title: 'Pegs', slug: null, step: null, description: 'Ten a day.' },
      { title: 'Crane lift', slug: 'crane-lift', step: null, description: '' },
    ]);
    expect(notUnderstood.map(({ where }) => where)).toEqual([
      'CarePlan/plan.author.display',
      'CarePlan/plan.activity.2.reference.reference',
    ]);
  });

  it('tells whom it is about, and counts what it does not look into', () => {
    const patient = { resourceType: 'Patient', name: [{ given: ['Odalys', 'Ana'], family: 'Vance' }], birthDate: '2021-08-12' };
    const { patient: who, notUnderstood } = read(bundle(patient, { resourceType: 'Observation' }, { resourceType: 'Observation' }));
    expect(who).toEqual({ given: 'Odalys', family: 'Vance' });
    expect(notUnderstood).toEqual([
      { where: 'Patient/?.name.0.given.1', says: 'Ana' },
      { where: 'Patient/?.birthDate', says: '2021-08-12' },
      { where: 'Observation', says: '2' },
    ]);
  });

  it('takes no goal that is over, or says nothing, and tells so', () => {
    const { goals, notUnderstood } = read(
      bundle({ ...GOAL, lifecycleStatus: 'completed' }, { resourceType: 'Goal', id: 'b', lifecycleStatus: 'active' }),
    );
    expect(goals).toEqual([]);
    expect(notUnderstood).toEqual([
      { where: 'Goal/example', says: 'completed: Cuts along a straight line.' },
      { where: 'Goal/b', says: 'no words' },
    ]);
  });

  it.each([
    ['{', 'notJson'],
    ['[]', 'notFhir'],
    ['{"a":1}', 'notFhir'],
    ['null', 'notFhir'],
    [bundle({ resourceType: 'Patient' }, { resourceType: 'Patient' }), 'manyPatients'],
    [bundle(...Array.from({ length: 5_001 }, () => ({ resourceType: 'Goal' }))), 'tooLarge'],
    [`"${'x'.repeat(1_000_000)}"`, 'tooLarge'],
    ['{"resourceType":"Bundle"}', 'read'],
    ['{"resourceType":"Bundle","entry":[null,{},{"resource":7}]}', 'read'],
  ])('%#: is told apart', (text, code) => {
    expect(fault(text)).toBe(code);
  });

  it('never falls over what is no resource, however it is broken', () => {
    const leaves = fc.oneof(
      fc.constantFrom(null, '', 'active', 'Goal', 'https://yard-steps.example/fhir/StructureDefinition/goal-content'),
      fc.integer(),
      fc.string(),
    );
    const keys = fc.constantFrom(
      'resourceType',
      'id',
      'description',
      'text',
      'target',
      'extension',
      'url',
      'valueString',
      'activity',
      'detail',
      'name',
      'given',
      'entry',
      'resource',
      '__proto__',
    );
    const { tree } = fc.letrec((tie) => ({
      tree: fc.oneof({ maxDepth: 6 }, leaves, fc.array(tie('tree'), { maxLength: 3 }), fc.dictionary(keys, tie('tree'), { maxKeys: 5 })),
    }));
    fc.assert(
      fc.property(
        fc.constantFrom('Goal', 'CarePlan', 'Patient', 'Bundle'),
        fc.dictionary(keys, tree, { maxKeys: 6 }),
        (resourceType, parts) => {
          expect(['read', 'manyPatients']).toContain(fault(JSON.stringify({ ...parts, resourceType })));
        },
      ),
      { seed: 19, numRuns: 1_000 },
    );
  });

  it('tells two hundred things at most, and how many more there are', () => {
    const { notUnderstood } = read(bundle({ ...GOAL, note: Array.from({ length: 400 }, (_, index) => ({ text: `${index}` })) }));
    expect(notUnderstood).toHaveLength(201);
    expect(notUnderstood.at(-1)).toEqual({ where: '', says: '206 more' });
  });
});
