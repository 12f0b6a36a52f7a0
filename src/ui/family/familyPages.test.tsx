import { doseAt } from '@/core/dose';
import { renderToStaticMarkup } from 'react-dom/server';
import { calendarDay, instant } from '@/core/calendar';
import type { Hand } from '@/core/tasks';
import type { ProgramTask } from '@/core/programs';
import { exampleChild, exampleProgramTask, exampleReport } from '../../../tests/fixtures/tarrowHill';
import { FamilyTask } from './task/FamilyTask';
import { FamilyToday } from './today/FamilyToday';
import type { FamilyTask as FamilyTaskView, FamilyView } from '@/server/reports/viewFamily';
import { familyWords, type FamilyWords } from '../shared/familyWords';
import { targetWords } from '../task/targetWords';

let spoken: Record<'en' | 'es', FamilyWords>;
beforeAll(async () => {
  spoken = { en: await familyWords('en'), es: await familyWords('es') };
});

const today = calendarDay('2026-11-24');
const child = exampleChild({ hand: 'right', mouthsThings: false, allergies: [], visitDays: '' });

const programTask = (slug: string, versionTaskId: number, change: Partial<ProgramTask> = {}) =>
  exampleProgramTask(slug, { versionTaskId, taskId: versionTaskId, taskVersionId: versionTaskId, ...change });

function view(tasks: FamilyTaskView[], change: Partial<FamilyView> = {}): FamilyView {
  const version = {
    programId: 1,
    number: 1,
    startsOn: today,
    endsOn: calendarDay('2026-12-07'),
    resumesOn: null,
    isEnded: false,
    sentOn: today,
    note: '',
    tasks: tasks.map(({ task }) => task),
  };
  return {
    child,
    familyKey: 'aChild',
    now: instant(0),
    today,
    version,
    tasks,
    otherTasks: [],
    emergencyNumber: '911',
    clipDays: 30,
    notes: [],
    lifts: [],
    reader: { name: 'Marit Oyelaran-Voss', days: [2, 5] },
    untoldYesterday: [],
    hurtToday: false,
    week: [],
    ...change,
  };
}

const asked = (task: ProgramTask, change: Partial<FamilyTaskView> = {}): FamilyTaskView => ({
  task,
  reportedToday: null,
  timesToday: 0,
  closed: null,
  shown: [],
  sentBack: [],
  ...change,
});

const said = exampleReport({ words: 'went well' });

const dayPage = (day: FamilyView, language: 'en' | 'es' = 'en', word: string | null = null) =>
  renderToStaticMarkup(<FamilyToday view={day} token="token" words={spoken[language]} said={word} />);

const taskPage = (found: FamilyTaskView, change: Partial<Parameters<typeof FamilyTask>[0]> = {}) =>
  renderToStaticMarkup(
    <FamilyTask
      view={view([found])}
      found={found}
      place={{ index: 1, count: 1 }}
      token="token"
      words={spoken.en}
      requestedStep={Number.NaN}
      isAgain={false}
      day={null}
      keys={new Map([1, 2, 3, 4, 5, 6, 7].map((step) => [step, `key-${step}`]))}
      hurtKey="hurt-key"
      {...change}
    />,
  );

describe('a family’s day', () => {
  it('lists today’s tasks with what is asked and how long it takes', () => {
    const page = dayPage(view([asked(programTask('crane-lift', 1))]));
    expect(page).toContain('Crane lift');
    expect(page).toContain('5 with each hand: 10 in all');
    expect(page).toContain('about 5 minutes');
    expect(page).toContain('/f/token/task/1?lang=en');
  });

  it('says who reads what is sent and on which days, in its own language, and promises nothing where no days were told', () => {
    expect(dayPage(view([]))).toContain('Marit Oyelaran-Voss reads what you send on Tuesday and Friday.');
    expect(dayPage(view([]), 'es')).toContain('Marit Oyelaran-Voss lee lo que usted envía estos días: martes y viernes.');
    expect(dayPage(view([], { reader: { name: 'Marit Oyelaran-Voss', days: [] } }))).not.toContain('Marit Oyelaran-Voss');
  });

  it('crosses off what was said, and offers to change it', () => {
    const page = dayPage(view([asked(programTask('crane-lift', 1), { reportedToday: said })]));
    expect(page).toContain('All done for today. Well built!');
    expect(page).toContain('9 of 10 · Change your report');
  });

  it('tells a day without tasks, a program that ended and one that is not there yet apart', () => {
    expect(dayPage(view([]))).toContain('Nothing is planned for today.');
    expect(dayPage(view([], { version: null }))).toContain('There is no practice here yet.');
    const ended = view([]);
    expect(dayPage({ ...ended, version: { ...ended.version!, endsOn: calendarDay('2026-11-20') } })).toContain(
      'This plan ended on November 20.',
    );
  });

  it('asks for nothing while the practice rests, or once a person ended it', () => {
    const planned = view([asked(programTask('crane-lift', 1))]);
    const resting = dayPage({ ...planned, version: { ...planned.version!, resumesOn: calendarDay('2026-12-01') } });
    expect(resting).toContain('Practice is paused until December 1.');
    expect(resting).not.toContain('>Start<');
    expect(dayPage({ ...planned, version: { ...planned.version!, resumesOn: today } })).toContain('>Start<');
    const ended = dayPage({ ...planned, version: { ...planned.version!, isEnded: true, endsOn: today } });
    expect(ended).toContain('Practice ended on November 24. Thank you for all your work.');
    expect(ended).not.toContain('A new one will come');
    expect(ended).not.toContain('>Start<');
  });

  it('shows the fixed words as long as a task is on hold, and says to wait with it', () => {
    const page = dayPage(
      view([asked(programTask('crane-lift', 1), { closed: { kind: 'stop', fromSchool: null } }), asked(programTask('star-beams', 2))]),
      'es',
    );
    expect(page).toContain('href="tel:911"');
    expect(page).toContain('nadie vigila esta página todo el tiempo');
    expect(page).toContain('En pausa');
    expect(page).toContain('Empezar');
  });

  it.each([
    ['saved', 'Thank you. It is saved.'],
    ['repeated', 'Nothing was counted twice.'],
    ['replaced', 'Your therapist has sent a newer plan since.'],
  ])('answers %s', (word, words) => {
    expect(dayPage(view([]), 'en', word)).toContain(words);
  });

  it('keeps the therapist’s note as text', () => {
    const day = view([]);
    const page = dayPage({ ...day, version: { ...day.version!, note: '<b>Rest</b> the thumb' } });
    expect(page).toContain('&lt;b&gt;Rest&lt;/b&gt; the thumb');
  });
});

describe('a task on the family’s page', () => {
  it('lies on the table as the child’s hand asks', () => {
    const found = asked(programTask('crane-lift', 1));
    const page = (hand: Hand) => taskPage(found, { view: { ...view([found]), child: { ...child, hand } } });
    expect(page('right')).toContain('clothespins: on the right');
    expect(page('left')).toContain('clothespins: on the left');
    expect(page('unsettled')).toContain('The arm goes past Odalys’s middle both times.');
    expect(page('unsettled')).toContain('With the right hand');
    const building = asked(programTask('stamp-the-crates', 1));
    const inTheMiddle = taskPage(building, { view: { ...view([building]), child: { ...child, hand: 'unsettled' } } });
    expect(inTheMiddle).toContain('Let Odalys choose the hand.');
  });

  it('offers only the steps that the therapist allowed, and no step beyond them by address', () => {
    const found = asked(programTask('crane-lift', 1));
    expect(taskPage(found)).toContain('step=2');
    expect(taskPage(found, { requestedStep: 2 })).not.toContain('step=1');
    expect(taskPage(found, { requestedStep: 2 })).toContain('name="step" value="2"');
    expect(taskPage(found, { requestedStep: 7 })).toContain('name="step" value="3"');
    const fixed = asked(programTask('crane-lift', 1, { chooseFrom: 3, chooseTo: 3 }));
    expect(taskPage(fixed)).not.toMatch(/Too hard<\/a>|Too easy<\/a>/);
  });

  it('needs only what this step needs', () => {
    const found = asked(programTask('pocket-the-washers', 1, { step: 7, chooseFrom: 6, chooseTo: 8 }));
    expect(taskPage(found)).toContain('washers, 1 in × 5');
    expect(taskPage(asked(programTask('pocket-the-washers', 1)))).not.toContain('washers, 1 in × 5');
  });

  it('fills in what was said today, to be put right', () => {
    const page = taskPage(asked(programTask('crane-lift', 1), { reportedToday: said }));
    expect(page).toContain('name="corrects" value="77"');
    expect(page).toContain('Send the change');
    expect(page).toContain('went well</textarea>');
  });

  it('asks anew where the word of today belongs to an earlier version', () => {
    const page = taskPage(asked(programTask('crane-lift', 1), { reportedToday: { ...said, versionTaskId: 99 } }));
    expect(page).toContain('name="corrects" value=""');
    expect(page).toContain('name="step" value="3"');
  });

  it('is a plain form that carries its own key', () => {
    const page = taskPage(asked(programTask('crane-lift', 1)));
    expect(page).toMatch(/<form(?=[^>]* id="report")(?=[^>]* method="post")[^>]* action="\/f\/token\/report"/);
    expect(page).toContain('name="idempotencyKey" value="key-3"');
    expect(page).toContain('name="left"');
    expect(page).toContain('name="right"');
  });

  it.each([
    ['star-beams', 'name="amount"', '8 good tries'],
    ['cut-the-planks', 'Pieces done', '6 pieces'],
  ])('counts %s in its own unit', (slug, box, target) => {
    const page = taskPage(asked(programTask(slug, 1)));
    expect(page).toContain(box);
    expect(page).toContain(target);
  });

  it('shows its cautions and when to stop beside the act', () => {
    const page = taskPage(asked(programTask('cut-the-planks', 1)));
    expect(page).toContain('An adult stays beside the child.');
    expect(page).toContain('Stop right away if Odalys is tired, upset or hurt.');
  });
});

it('says a target of minutes', () => {
  const dose = doseAt(programTask('star-beams', 1).dose, 1);
  expect(targetWords({ ...dose, target: { kind: 'time', minutesPerRound: 1 } }, spoken.es)).toBe('1 minuto');
});
