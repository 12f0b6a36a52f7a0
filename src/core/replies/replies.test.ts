import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { addDays } from '../calendar';
import { LANGUAGES } from '../text';
import { corpus, measured, measuredTable, REPLY_DAY, replyTasks, written } from '../../../tests/fixtures/replies/corpus';
import { codeLettersOf, readAnswer, readReply, taskLetters } from '.';
import { isSlipOf, lettersApart } from '../text';
import { draws } from '../../../tests/fixtures/deep';

const read = (text: string, language: 'en' | 'es' = 'en') => readReply(text, { tasks: replyTasks(language), today: REPLY_DAY, language });

describe('the letters of slip and message', () => {
  it.each(LANGUAGES)('of tasks and of answers never are the same in %s, twelve tasks and all', (language) => {
    const letters = codeLettersOf(language);
    const tasks = [...letters.tasks];
    expect(new Set(tasks).size).toBe(12);
    // Reasons are told only where a task was not done: they may share letters with help and effort, not with tasks.
    const told = [...Object.keys(letters.help), ...Object.keys(letters.effort), letters.notDone, letters.left, letters.right];
    expect(tasks.filter((letter) => [...told, ...Object.keys(letters.reasons)].includes(letter))).toEqual([]);
    expect(new Set(told).size).toBe(told.length);
  });

  it('stay with their task from version to version, and go to no other between two of them', () => {
    const versions = fc.array(fc.uniqueArray(fc.integer({ min: 1, max: 12 }), { minLength: 1, maxLength: 6 }), {
      minLength: 1,
      maxLength: 8,
    });
    fc.assert(
      fc.property(versions, fc.constantFrom(...LANGUAGES), (tasks, language) => {
        for (let count = 1; count < tasks.length; count += 1) {
          const before = taskLetters(tasks.slice(0, count), language);
          const now = taskLetters(tasks.slice(0, count + 1), language);
          expect(new Set(now.values()).size).toBe(tasks[count]!.length);
          for (const [taskId, letter] of now) {
            const owner = [...before].find(([, each]) => each === letter)?.[0];
            expect(owner === undefined || owner === taskId).toBe(true);
          }
        }
      }),
      { seed: 13, numRuns: draws(100, 300) },
    );
  });
});

describe('the corpus of replies', () => {
  const all = [...corpus('heldOut'), ...corpus('tuning')];

  it('has at least 400, and a hundred that the reader was not tuned on', () => {
    expect(all.length).toBeGreaterThanOrEqual(400);
    expect(corpus('heldOut').length).toBeGreaterThanOrEqual(100);
    expect(new Set(all.map(({ language, text }) => `${language} ${text}`)).size).toBeGreaterThanOrEqual(500);
  });

  it('is read without one wrong count, without a missed danger or a missed wish to hear no more', () => {
    const wrong = all.map((reply) => ({ ...reply, ...measured(reply) })).filter(({ as }) => as === 'wrong');
    expect(wrong.map(({ text, meant, got }) => `${text}: meant ${meant}, got ${got}`)).toEqual([]);
  });

  it('is read as far as it can mean one thing: nine of ten that have a reading', () => {
    for (const name of ['heldOut', 'tuning'] as const) {
      const readable = corpus(name).filter(({ meant }) => !meant.includes('ask') && meant !== 'person');
      const sure = readable.filter((reply) => measured(reply).as === 'read');
      expect(sure.length / readable.length).toBeGreaterThan(0.9);
    }
  });

  it('stands in docs/sources.md as it is measured', () => {
    const page = readFileSync('docs/sources.md', 'utf8');
    for (const name of ['heldOut', 'tuning'] as const) for (const row of measuredTable(name)) expect(page).toContain(row);
  });

  it.each(['his thumb is bleeding', 'le duele la mano', 'she swallowed it'])('danger is found behind any reply: %s', (danger) => {
    const some = all.filter((_, index) => index % draws(4, 1) === 0);
    for (const { text, language } of some) expect(read(`${text}. ${danger}`, language).kind).toBe('danger');
  });
});

describe('a wish to hear no more', () => {
  it.each(['STOP', 'Stop.', 'ALTO', 'parar', 'Arrêt', 'Arrêtez', 'PARE', 'توقف', 'إيقاف', 'أوقف'])(
    'is heard in every language that families are written to in: %s',
    (said) => {
      for (const language of LANGUAGES) expect(readReply(said, { tasks: [], today: REPLY_DAY, language }).kind).toBe('stop');
    },
  );

  it.each([
    'please take us off this list',
    'please take us off',
    'no more texts please',
    "don't text me anymore",
    'we do not want these messages',
    'please remove my number',
    'quit sending me these',
    'leave us alone',
    'ya no me escriban por favor',
    'no quiero más mensajes',
    'denme de baja',
    'arrêtez de m’écrire',
    'não me mandem mais mensagens',
  ])('is heard in plain words: %s', (said) => expect(read(said).kind).toBe('stop'));

  it.each(['we stopped at 5', 'stop sign went well', 'no paramos'])('is nothing else: %s', (said) => {
    expect(read(said).kind).not.toBe('stop');
  });
});

describe('the words that our own texts ask for', () => {
  const asked = { en: ['NO', 'STOP'], es: ['NO', 'ALTO'], fr: ['NON', 'STOP'], pt: ['NÃO', 'STOP'], ar: ['لا', 'STOP'] } as const;

  it.each(LANGUAGES)('are understood in %s: not practiced, and no more texts', (language) => {
    const texts = readFileSync(`messages/texts/${language}.json`, 'utf8');
    const [no, stop] = asked[language];
    const { unclear, quiet, reminder } = (JSON.parse(texts) as { replies: Record<'unclear' | 'quiet' | 'reminder', string> }).replies;
    expect(unclear).toMatch(new RegExp(`\\b${no}\\.|: ${no}\\.`, 'u'));
    expect(quiet).toContain(no);
    for (const text of [quiet, reminder]) expect(text).toContain(stop);
    const context = { tasks: replyTasks('en'), today: REPLY_DAY, language };
    for (const said of [no, no.toLowerCase(), `${no}.`]) {
      const { kind, items, hasComment } = readReply(said, context);
      expect({ kind, hasComment, done: items.map(({ done }) => done) }).toEqual({
        kind: 'reports',
        hasComment: false,
        done: replyTasks('en').map(() => false),
      });
    }
    expect(readReply(stop, context).kind).toBe('stop');
  });
});

describe('words of danger', () => {
  it.each([
    ['crane 4 but his thumb is bleeding', []],
    ['A8 B10, hurt his finger at the planks', [3]],
    ['A8 B10, zip pinched his neck', []],
    ['crane 10 but the zip pinched her chin and it bled', []],
    ['crane 10. the planks cut him', [3]],
    ['after crane she pinched her finger', []],
    ['the crane and the planks both hurt him', []],
    ['A8. he fell off the chair later doing the drawing and hit his head', []],
    ['she swallowed a bead', []],
    ['a bead is stuck in her nose', []],
    ['i think he is hurt', []],
  ])('%s: of the tasks %j', (said, named) => {
    expect(read(said)).toMatchObject({ kind: 'danger', named });
  });
});

describe('a reply in letters', () => {
  const item = fc.record({
    task: fc.integer({ min: 0, max: 5 }),
    part: fc.double({ min: 0, max: 1, noNaN: true }),
    help: fc.constantFrom('', 'N', 'W', 'S', 'H'),
    effort: fc.constantFrom('', 'T', 'J', 'Y'),
  });

  it('means what it says, whatever counts and answers stand in it, with or without spaces', () => {
    const tasks = replyTasks('en');
    const { help, effort } = codeLettersOf('en');
    fc.assert(
      fc.property(
        fc.uniqueArray(item, { minLength: 1, maxLength: 6, selector: ({ task }) => task }),
        fc.constantFrom(' ', ''),
        (said, gap) => {
          const meant = said.map(({ task, part, ...told }) => {
            const { perDay, perHand, perSide } = tasks[task]!;
            const [left, right] = [Math.floor(part * perHand), perHand - Math.floor(part * perHand)];
            return { ...told, task: tasks[task]!, sides: perSide ? ([left, right] as const) : null, amount: Math.round(part * perDay) };
          });
          const text = meant
            .map(({ task, sides, amount, ...told }) =>
              [`${task.letter}${sides ? `L${sides[0]}R${sides[1]}` : amount}`, told.help + told.effort].filter(Boolean).join(gap),
            )
            .join(', ');
          const reading = read(text);
          expect(reading.kind).toBe('reports');
          expect(reading.items).toEqual(
            meant.map(({ task, sides, amount, ...told }) =>
              expect.objectContaining({
                taskId: task.taskId,
                left: sides?.[0] ?? null,
                right: sides?.[1] ?? null,
                amount: sides ? null : amount,
                help: help[told.help] ?? null,
                effort: effort[told.effort] ?? null,
                doneOn: REPLY_DAY,
              }),
            ),
          );
        },
      ),
      { seed: 26, numRuns: draws(150, 500) },
    );
  });

  it('never gives more than was asked, whatever comes', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), fc.constantFrom('en' as const, 'es' as const), (text, language) => {
        for (const { taskId, left, right, amount } of read(text, language).items) {
          const { perDay, perHand } = replyTasks(language).find((task) => task.taskId === taskId)!;
          expect(Math.max(left ?? 0, right ?? 0)).toBeLessThanOrEqual(perHand);
          expect(amount ?? 0).toBeLessThanOrEqual(perDay);
        }
      }),
      { seed: 1, numRuns: draws(500, 2_000) },
    );
  });
});

describe('what is asked back', () => {
  it('a number that may be of each hand or of both', () => {
    expect(read('crane 5').ask).toMatchObject({ code: 'sideOrAll', given: 5, item: { taskId: 2, doneOn: REPLY_DAY } });
    expect(read('yesterday crane 5 no help').ask).toMatchObject({ item: { help: 'alone', doneOn: addDays(REPLY_DAY, -1) } });
  });

  it('a number without a task, a task without a number; what is sure beside it is taken', () => {
    expect(read('8').ask).toMatchObject({ code: 'whichTask', given: 8 });
    expect(read('A8 and then crane 5')).toMatchObject({ kind: 'ask', items: [{ taskId: 1, amount: 8 }], ask: { code: 'sideOrAll' } });
    expect(read('star beams').ask).toMatchObject({ code: 'howMany', item: { taskId: 1 } });
  });

  it('a task that its letter names in a language of its own, beside words of the other', () => {
    expect(written(read('G8 yesterday', 'es'))).toBe('D=8 day:-1');
    expect(written(read('D8 ayer', 'en'))).toBe('D=8 day:-1');
  });
});

describe('an answer to what was asked back', () => {
  const context = { tasks: replyTasks('en'), today: REPLY_DAY, language: 'en' } as const;
  const answered = (said: string, answer: string) => readAnswer(read(said).ask!, answer, context);

  it.each([
    ['crane 5 no help', '1', { left: 5, right: 5, amount: null, help: 'alone' }],
    ['crane 5', 'each hand', { left: 5, right: 5 }],
    ['crane 5', '2', { left: null, amount: 5 }],
    ['crane 5', 'two', { amount: 5 }],
    ['star beams', '7', { taskId: 1, amount: 7 }],
    ['yesterday star beams', 'seven', { amount: 7, doneOn: addDays(REPLY_DAY, -1) }],
    ['6', 'C', { taskId: 3, amount: 6 }],
    ['6', 'the planks', { taskId: 3, amount: 6 }],
  ])('%s, asked, and then: %s', (said, answer, item) => {
    expect(answered(said, answer)).toEqual([expect.objectContaining(item)]);
  });

  it.each([
    ['crane 5', '3'],
    ['crane 5', 'yes'],
    ['star beams', '70'],
    ['star beams', 'about 7'],
    ['9', 'C'],
    ['6', 'what'],
    ['A8 Z9', '8'],
  ])('%s, asked, and then: %s, is taken for nothing', (said, answer) => {
    expect(answered(said, answer)).toBeNull();
  });
});

describe('slips of the thumb', () => {
  // Levenshtein 1966 and Damerau 1964; the pairs are the usual worked examples, from memory.
  it.each([
    ['kitten', 'sitten', 1],
    ['kitten', 'sittin', 2],
    ['kitten', 'sitting', 3],
    ['beams', 'baems', 1],
    ['ca', 'abc', 3],
    ['planks', 'planks', 0],
  ])('%s and %s are %i letters apart', (a, b, apart) => {
    expect(lettersApart(a, b)).toBe(apart);
    expect(lettersApart(b, a)).toBe(apart);
  });

  it('keep the letters: another letter is another word', () => {
    expect(isSlipOf('hrad', 'hard')).toBe(true);
    expect(isSlipOf('card', 'hard')).toBe(false);
  });
});

describe('what is no report', () => {
  it.each([
    'tomorrow we will do A8',
    'tmrw we do A8',
    'gonna do A8 tonight',
    'A8 later',
    'mañana hacemos A8',
    'A8 al rato',
    'should she do 8 crane',
    'can we do 8 planks in the car',
    'what if he does 8 crane',
    '¿hacemos 8 de crane?',
  ])('files nothing for a plan or a question: %s', (text) => {
    const { items, hasComment } = read(text, /[ñ¿]|rato/.test(text) ? 'es' : 'en');
    expect({ items, hasComment }).toEqual({ items: [], hasComment: true });
  });

  it.each(['did his best 3', 'gift 8', 'rest 3', 'start 8', 'card 2', 'back to work 3', 'I was at work, nothing today'])(
    'takes no everyday word for a task: %s',
    (text) => expect(read(text).named).toEqual([]),
  );
});

describe('a comment', () => {
  it.each(['A8 but she cried the whole time', 'A8 she hated it', 'A8, she loved the music', 'A8. can we use a spoon?'])(
    'goes to a person beside the count: %s',
    (text) => expect(read(text)).toMatchObject({ items: [{ taskId: 1, amount: 8 }], hasComment: true }),
  );

  it.each(['A8', 'crane 8 of 10 little help, hard', 'thanks', 'A8 B10'])('is none in: %s', (text) => {
    expect(read(text).hasComment).toBe(false);
  });
});

it('asks for the part in doubt alone, and files what is sure', () => {
  expect(read('A8, crane 4 or 5')).toMatchObject({
    kind: 'ask',
    items: [{ taskId: 1, amount: 8 }],
    ask: { code: 'howMany', item: { taskId: 2 } },
  });
});
