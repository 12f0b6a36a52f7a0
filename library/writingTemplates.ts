import { SHAPE_AGES, type Cue, type ShapeId } from '@/core/tasks';
import { LANGUAGES, say, type Language, type LocalText } from '@/core/text';
import type { Mechanics, TaskParts, Words } from './composeTask';

/**
 * Pre-writing and letters as they are taught: each shape, and each family of letters, has one and the same ladder. It goes from a guided
 * finger over tracing, imitating and copying to drawing from memory, one thing changed at a time. Common practice, no source.
 */

type Both = LocalText;
export type ShapeWords = LocalText & {
  readonly way: Both;
  readonly title: Both;
};
export interface LettersWords {
  readonly title: Both;
  readonly group: Both;
  /** Short words of these letters, and of ones that are known before. */
  readonly word: Both;
  readonly way: Both;
  readonly needs: readonly string[];
  readonly ages: readonly [number, number];
}

type Parts = Pick<TaskParts, 'mechanics' | 'words' | 'skins'>;
type Knob = 'markMaking' | 'tool' | 'visualCue' | 'surface' | 'precision' | 'own:word';
interface Rung {
  /** The knob that is turned on from the step before; none at the first. */
  readonly turn: Knob | null;
  readonly name: Both;
  readonly tool: Both;
  /** Mark that shows where it goes, in a sentence of its own. */
  readonly where: Both;
  readonly fading?: true;
}

const FINGER = { en: 'with a finger', es: 'con un dedo' };
const SPONGE = { en: 'with a bit of damp sponge', es: 'con un trocito de esponja húmeda' };
const STUB = { en: 'with a short crayon', es: 'con un crayón corto' };
const PENCIL = { en: 'with a pencil', es: 'con un lápiz' };

const RAISED = { en: 'The raised path leads the finger.', es: 'El camino con borde guía el dedo.' };
const ALL_DOTS = { en: 'Dots show the whole way.', es: 'Los puntos muestran todo el camino.' };
const TURN_DOTS = { en: 'Dots show the start, each turn and the end.', es: 'Unos puntos muestran el inicio, cada vuelta y el final.' };
const END_DOTS = { en: 'One dot shows the start, one the end.', es: 'Un punto muestra el inicio y otro el final.' };
const BOX = { en: 'An empty box shows the place.', es: 'Un cuadro vacío muestra el lugar.' };
const HELD = { en: 'The helper hand holds the paper.', es: 'La mano que ayuda sujeta la hoja.' };
const BIG_DOTS = { en: 'The letters are big and dotted.', es: 'Son grandes y de puntos.' };
const DOTTED = { en: 'Dots show the whole way.', es: 'Los puntos muestran todo el camino.' };
const START_BOX = { en: 'A box has a start dot in it.', es: 'Un cuadro tiene un punto de inicio.' };
const LETTER_BOX = { en: 'A box shows how tall each one is.', es: 'Un cuadro muestra lo alto de cada una.' };
const TWO_LINES = { en: 'They sit between a base line and a middle line.', es: 'Van entre la línea de base y la del medio.' };
const ONE_LINE = { en: 'They sit on one line.', es: 'Van en una sola línea.' };

const SHAPE_RUNGS: readonly Rung[] = [
  { turn: null, name: { en: 'guided', es: 'guiar la mano' }, tool: FINGER, where: RAISED },
  { turn: 'markMaking', name: { en: 'traced with a finger', es: 'repasar con un dedo' }, tool: FINGER, where: RAISED },
  { turn: 'tool', name: { en: 'sponge', es: 'esponja' }, tool: SPONGE, where: ALL_DOTS },
  { turn: 'tool', name: { en: 'short crayon', es: 'crayón corto' }, tool: STUB, where: ALL_DOTS },
  { turn: 'visualCue', name: { en: 'few dots', es: 'pocos puntos' }, tool: STUB, where: TURN_DOTS, fading: true },
  { turn: 'markMaking', name: { en: 'watch, then draw', es: 'mirar y luego hacer' }, tool: STUB, where: TURN_DOTS },
  { turn: 'visualCue', name: { en: 'start and end dot', es: 'punto de inicio y final' }, tool: STUB, where: END_DOTS, fading: true },
  { turn: 'markMaking', name: { en: 'from a card', es: 'desde una tarjeta' }, tool: STUB, where: END_DOTS },
  { turn: 'visualCue', name: { en: 'in a box', es: 'en un cuadro' }, tool: STUB, where: BOX },
  { turn: 'surface', name: { en: 'helper hand holds', es: 'la mano que ayuda sujeta' }, tool: STUB, where: HELD },
  { turn: 'tool', name: { en: 'pencil', es: 'lápiz' }, tool: PENCIL, where: HELD },
  { turn: 'markMaking', name: { en: 'from memory', es: 'de memoria' }, tool: PENCIL, where: HELD },
];

const LETTER_RUNGS: readonly Rung[] = [
  { turn: null, name: { en: 'traced with a finger', es: 'repasar con un dedo' }, tool: FINGER, where: BIG_DOTS },
  { turn: 'tool', name: { en: 'short crayon', es: 'crayón corto' }, tool: STUB, where: DOTTED },
  { turn: 'visualCue', name: { en: 'few dots', es: 'pocos puntos' }, tool: STUB, where: TURN_DOTS, fading: true },
  { turn: 'markMaking', name: { en: 'watch, then write', es: 'mirar y luego hacer' }, tool: STUB, where: TURN_DOTS },
  { turn: 'visualCue', name: { en: 'start dot', es: 'punto de inicio' }, tool: STUB, where: START_BOX, fading: true },
  { turn: 'markMaking', name: { en: 'from a card', es: 'desde una tarjeta' }, tool: STUB, where: START_BOX },
  { turn: 'surface', name: { en: 'helper hand holds', es: 'la mano que ayuda sujeta' }, tool: STUB, where: HELD },
  { turn: 'tool', name: { en: 'pencil', es: 'lápiz' }, tool: PENCIL, where: LETTER_BOX },
  { turn: 'precision', name: { en: 'two lines', es: 'dos líneas' }, tool: PENCIL, where: TWO_LINES },
  { turn: 'precision', name: { en: 'one line', es: 'una línea' }, tool: PENCIL, where: ONE_LINE },
  { turn: 'markMaking', name: { en: 'from memory', es: 'de memoria' }, tool: PENCIL, where: ONE_LINE },
  {
    turn: 'own:word',
    name: { en: 'in a short word', es: 'en una palabra corta' },
    tool: PENCIL,
    where: { en: 'Each one stands in a short word.', es: 'Cada una va en una palabra corta.' },
  },
];

const LEVELS: Readonly<Record<Knob, readonly { readonly usual?: string; readonly words: Both }[]>> = {
  markMaking: [
    { usual: 'guided', words: { en: 'guided', es: 'guiar la mano' } },
    { usual: 'traced', words: { en: 'traced', es: 'repasar' } },
    { usual: 'imitated', words: { en: 'watched, then done', es: 'mirar y luego hacer' } },
    { usual: 'copied', words: { en: 'copied from a card', es: 'copiar de una tarjeta' } },
    { usual: 'remembered', words: { en: 'from memory', es: 'de memoria' } },
  ],
  tool: [
    { usual: 'finger', words: { en: 'finger', es: 'dedo' } },
    { usual: 'softThreeFingers', words: { en: 'damp sponge in three fingers', es: 'esponja húmeda con tres dedos' } },
    { usual: 'shortCrayon', words: { en: 'short crayon', es: 'crayón corto' } },
    { usual: 'fullPencil', words: { en: 'pencil', es: 'lápiz' } },
  ],
  visualCue: [
    { usual: 'fullDots', words: { en: 'all in dots', es: 'todo en puntos' } },
    { usual: 'fewerDots', words: { en: 'dots at the turns', es: 'puntos en las vueltas' } },
    { usual: 'endDots', words: { en: 'start dot', es: 'punto de inicio' } },
    { usual: 'box', words: { en: 'a box', es: 'un cuadro' } },
  ],
  surface: [
    { usual: 'flatTaped', words: { en: 'paper taped down', es: 'hoja pegada con cinta' } },
    { usual: 'flatHeld', words: { en: 'the helper hand holds the paper', es: 'la mano que ayuda sujeta la hoja' } },
  ],
  precision: [
    { usual: 'wide', words: { en: 'a box by height', es: 'un cuadro según la altura' } },
    { usual: 'medium', words: { en: 'two lines', es: 'dos líneas' } },
    { usual: 'narrow', words: { en: 'one line', es: 'una línea' } },
  ],
  'own:word': [{ words: { en: 'by themselves', es: 'sueltas' } }, { words: { en: 'in a word', es: 'en una palabra' } }],
};
const DRAW: Both = { en: 'Draw', es: 'Dibujar' };
const PICK: Both = { en: 'Pick from', es: 'Elijan entre' };
const WRITE: Both = { en: 'Write', es: 'Escriban' };
const DOTS: Both = { en: 'the dots', es: 'los puntos' };
const WORD: Both = { en: 'letters in words', es: 'letras en palabras' };

interface Frame {
  readonly knobs: readonly Knob[];
  readonly firstPencil: number;
  readonly firstStub: number;
  readonly firstCard: number;
  /** Levels that this ladder begins above. */
  readonly lowest?: Readonly<Partial<Record<Knob, number>>>;
}

const SHAPE_FRAME: Frame = { knobs: ['markMaking', 'tool', 'visualCue', 'surface'], firstStub: 4, firstCard: 8, firstPencil: 11 };
const LETTER_FRAME: Frame = {
  knobs: ['markMaking', 'tool', 'visualCue', 'surface', 'precision', 'own:word'],
  firstStub: 2,
  firstCard: 6,
  firstPencil: 8,
  lowest: { markMaking: 1 },
};
/** A knob with two levels alone would else be a tread of its own height. */
const WEIGHTS: Readonly<Partial<Record<Knob, number>>> = { surface: 0.4, 'own:word': 0.5 };

/** How much of a shape its sheet shows at each rung: what the step's words say. */
const SHAPE_CUES: readonly Cue[] = [
  'full',
  'full',
  'dots',
  'dots',
  'fewerDots',
  'fewerDots',
  'endDots',
  'endDots',
  'box',
  'box',
  'box',
  'box',
];

function shapeSheet(shape: ShapeId, rung: number) {
  const isBig = rung < 2;
  const hasModel = rung + 1 >= SHAPE_FRAME.firstCard;
  return { kind: 'strokes', shape, cue: SHAPE_CUES[rung]!, sizeMm: isBig ? 120 : 70, count: isBig ? 1 : 2, ...(hasModel && { hasModel }) };
}

const LETTER_CUES: readonly Cue[] = [
  'dots',
  'dots',
  'fewerDots',
  'fewerDots',
  'box',
  'box',
  'box',
  'blank',
  'blank',
  'blank',
  'blank',
  'blank',
];

function lettersSheet({ group, word }: Pick<LettersWords, 'group' | 'word'>, rung: number) {
  const big = rung === 0;
  const ruling = rung < 8 ? 'boxes' : rung === 8 ? 'two' : 'one';
  const isWord = rung === LETTER_RUNGS.length - 1;
  const text = isWord ? word : signsOf(group);
  return {
    kind: 'letters',
    text,
    cue: LETTER_CUES[rung]!,
    ruling,
    xHeightMm: big ? 30 : rung < 7 ? 16 : 10,
    rows: rung < 7 ? 1 : 3,
    ...(rung + 1 >= LETTER_FRAME.firstCard && { hasModel: true }),
  };
}

/** The letters of a family, apart: "L, T and I" are written "L T I". */
function signsOf(group: Both): Both {
  const apart = (text: string) => (text.match(/(?<![\p{L}\d])[\p{L}\d](?![\p{L}\d])/gu) ?? []).join(' ');
  return { en: apart(group.en) };
}

/** The task of one shape. */
export function shapeParts(shape: ShapeId, { way, title, ...called }: ShapeWords): Parts {
  const { imitate, copy } = SHAPE_AGES[shape];
  const fromYears = Math.max(3, Math.floor(imitate / 12));
  const words = (language: Language): Words => ({
    ...commonWords(SHAPE_RUNGS, language, {
      ...SHAPE_FRAME,
      how: ({ tool, where }) =>
        `${say(DRAW, language)} ${say(called, language)} ${say(tool, language)}. ${say(where, language)} ${say(way, language)} {mark}`,
    }),
    title: say(title, language),
    description: `${say({ en: 'Trace and draw', es: 'Repasar y dibujar' }, language)} ${say(called, language)}`,
    story: say({ en: 'The crew draws its plans. Draw this part.', es: 'La obra necesita planos. Dibuja esta parte.' }, language),
    goodOne: say(
      { en: 'the right parts in the right place, from the right start', es: 'las partes en su lugar, desde donde se empieza' },
      language,
    ),
    stuck: say({ en: 'Find the start dot. Then go slow.', es: 'Busca el punto de inicio. Luego ve despacio.' }, language),
  });
  return {
    mechanics: {
      ...mechanicsOf(SHAPE_RUNGS, SHAPE_FRAME, (rung) => shapeSheet(shape, rung)),
      skill: 'preWriting',
      ages: { fromYears, toYears: Math.min(10, Math.ceil(copy / 12) + 2) },
      family: 'shapes',
      shape,
      settings: { shapeOrder: 'strokesFirst', markOrder: 'traceFirst', accuracy: 'closeEnough' },
    },
    words: inAll(words),
    skins: skinsOf(
      title,
      { en: 'The map needs this line.', es: 'El mapa pide esta raya.' },
      { en: 'The sign needs this line.', es: 'El letrero pide esta raya.' },
    ),
  };
}

/** The task of one family of letters or numerals. */
export function lettersParts(slug: string, { title, group, word, way, ages: [fromYears, toYears] }: LettersWords): Parts {
  const isNumbers = slug.startsWith('numbers');
  const words = (language: Language): Words => ({
    ...commonWords(LETTER_RUNGS, language, {
      ...LETTER_FRAME,
      how: ({ tool, where }) =>
        `${say(PICK, language)} ${say(group, language)}. ${say(WRITE, language)} ${say(tool, language)}. ${say(where, language)} ${say(way, language)} {mark}`,
      more: {
        en: ['Take one that goes well and one that is new.', '{child} rings the best one.'],
        es: ['Tome una que ya sale bien y una que es nueva.', '{child} encierra la mejor en un círculo.'],
      },
    }),
    title: say(title, language),
    description: `${say({ en: 'Trace and write', es: 'Repasar y escribir' }, language)} ${say(group, language)}`,
    story: say({ en: 'The yard needs signs that others can read.', es: 'La obra necesita letreros que otros puedan leer.' }, language),
    goodOne: say({ en: 'starts at the dot and sits near the line', es: 'empieza en el punto y queda cerca de la línea' }, language),
    stuck: say({ en: 'Start at the dot.', es: 'Empieza en el punto.' }, language),
    ...(!isNumbers && { why: say({ en: 'Letters that others can read.', es: 'Letras que otros pueden leer.' }, language) }),
  });
  return {
    mechanics: {
      ...mechanicsOf(LETTER_RUNGS, LETTER_FRAME, (rung) => lettersSheet({ group, word }, rung)),
      skill: 'lettersAndName',
      ages: { fromYears, toYears },
      family: isNumbers ? 'numbers' : slug.split('-').slice(0, 2).join('-'),
      settings: { markOrder: 'traceFirst', accuracy: 'closeEnough' },
    },
    words: inAll(words),
    skins: skinsOf(
      title,
      { en: 'The weather board needs signs.', es: 'El tablero del tiempo pide letreros.' },
      { en: 'The stand needs price signs.', es: 'El puesto pide letreros.' },
    ),
  };
}

/** Levels that a ladder uses, by knob: all from the lowest that it begins with. */
function levelsUsed(rungs: readonly Rung[], knob: Knob, lowest = 0) {
  const turns = rungs.filter(({ turn }) => turn === knob).length;
  const from = knob === 'tool' && rungs === LETTER_RUNGS ? [LEVELS.tool[0]!, ...LEVELS.tool.slice(2)] : LEVELS[knob].slice(lowest);
  return from.slice(0, turns + 1);
}

function mechanicsOf(
  rungs: readonly Rung[],
  { knobs, firstPencil, firstStub, firstCard, lowest }: Frame,
  sheetAt: (rung: number) => { kind: string },
): Omit<Mechanics, 'skill' | 'ages'> {
  const last = rungs.length;
  const grade: Partial<Record<Knob, number>> = Object.fromEntries(knobs.map((knob) => [knob, 0]));
  const steps = rungs.map(({ turn, fading }, index) => {
    if (turn) grade[turn] = grade[turn]! + 1;
    return { grade: { ...grade } as Record<string, number>, ...(fading && { fadingFirst: 1 }), sheet: sheetAt(index) };
  });
  const hasSponge = rungs === SHAPE_RUNGS;
  return {
    otherSkills: ['graspOnTools', 'eyeHandCoordination'],
    part: 'writing',
    knobs: knobs.map((knob) => ({
      knob,
      ...(WEIGHTS[knob] && { weight: WEIGHTS[knob] }),
      levels: levelsUsed(rungs, knob, lowest?.[knob]).map(({ usual }) => ({ ...(usual && { usual }) })),
    })),
    ladder: { startStep: rungs === SHAPE_RUNGS ? 6 : 4, steps },
    dose: {
      target: { kind: 'count', perRound: rungs === SHAPE_RUNGS ? 2 : 3 },
      rounds: 1,
      hands: 'preferred',
      secondsEach: 15,
      restSeconds: 0,
      setUpMinutes: 1,
      tidyUpMinutes: 0.5,
      piecesPerRepetition: 0,
    },
    materials: [
      ...(hasSponge
        ? [
            { thing: 'raised-edge', count: 1, steps: { from: 1, to: 2 }, substitutes: ['tape'] },
            { thing: 'sponge-bit', count: 1, steps: { from: 3, to: 3 }, substitutes: ['swab'] },
          ]
        : []),
      { thing: 'short-crayon', count: 1, steps: { from: firstStub, to: firstPencil - 1 }, substitutes: ['chalk-piece'] },
      { thing: 'pencil', count: 1, steps: { from: firstPencil, to: last } },
      { thing: 'model-card', count: 1, steps: { from: firstCard, to: last }, substitutes: ['paper'] },
      { thing: 'paper', count: 2, substitutes: ['envelope-back'] },
      { thing: 'tape', count: 1, steps: { from: 1, to: rungs.findIndex(({ turn }) => turn === 'surface') } },
    ],
    tableMap: [{ place: 'middle', things: ['paper'] }],
    watchFor: ['lookedAtModel', 'pressure'],
    pictures: [
      { picture: 'threeFingers', steps: { from: firstStub, to: last } },
      { picture: 'helperHolds', steps: { from: rungs.findIndex(({ turn }) => turn === 'surface') + 1, to: last } },
    ],
  };
}

/** Stands for the steps that have a model card. */
const CARD = '{card}';

type FrameLines = Pick<Words, 'helper' | 'child' | 'cues' | 'right' | 'cautions'>;
/** Sentences of every ladder, by the languages that it is written in. */
const LINES: Readonly<Partial<Record<Language, FrameLines>> & { en: FrameLines }> = {
  en: {
    helper: ['Draw it first, as big as your hand.', 'Left-handed? Lay the paper left of the middle. Lean its top to the right.'],
    child: ['Look where it starts.', 'Go slow, all the way to the end.'],
    cues: ['A short tool can’t be held in the fist.', CARD + 'The model card lies above the paper, never under the hand.'],
    right: ['It starts in the right place.', 'Gaps are no wider than a fingertip.'],
    cautions: ['Nothing goes in the mouth.'],
  },
  es: {
    helper: [
      'Dibújelo primero, tan grande como su mano.',
      'Si usa la izquierda, la hoja va a la izquierda del medio. La punta de arriba mira a la derecha.',
    ],
    child: ['Mira dónde empieza.', 'Ve despacio, hasta el final.'],
    cues: ['Algo corto no se puede tomar con el puño.', CARD + 'La tarjeta modelo está arriba de la hoja, nunca debajo de la mano.'],
    right: ['Empieza en el lugar correcto.', 'Los espacios no son más anchos que un dedo.'],
    cautions: ['Nada va a la boca.'],
  },
};

function commonWords(
  rungs: readonly Rung[],
  language: Language,
  {
    knobs,
    firstCard,
    how,
    more,
  }: Pick<Frame, 'knobs' | 'firstCard'> & { how: (rung: Rung) => string; more?: Readonly<Partial<Record<Language, readonly string[]>>> },
): Omit<Words, 'title' | 'description' | 'story'> {
  const lines = LINES[language] ?? LINES.en;
  const lowest = rungs === LETTER_RUNGS ? 1 : 0;
  const levels = (knob: Knob) => levelsUsed(rungs, knob, knob === 'markMaking' ? lowest : 0).map(({ words }) => say(words, language));
  return {
    ...lines,
    cues: lines.cues.map((cue) => cue.replace(CARD, `${firstCard}-${rungs.length}: `)),
    helper: [...lines.helper, ...(more?.[language] ?? [])],
    knobs: Object.fromEntries(
      knobs.map((knob) => [knob, knob === 'own:word' ? { name: say(WORD, language), levels: levels(knob) } : levels(knob)]),
    ),
    steps: rungs.map((rung) => ({ name: say(rung.name, language), how: how(rung), ...(rung.fading && { fading: say(DOTS, language) }) })),
    places: [say({ en: 'the paper', es: 'la hoja' }, language)],
  };
}

function skinsOf(title: Both, weather: Both, market: Both): TaskParts['skins'] {
  return { weatherStation: { title, story: weather }, marketStall: { title, story: market } };
}

/** The words in every language that the ladders are written in. */
function inAll(words: (language: Language) => Words): TaskParts['words'] {
  const spoken = LANGUAGES.filter((language) => LINES[language]).map((language) => [language, words(language)] as const);
  return { en: words('en'), ...Object.fromEntries(spoken) };
}
