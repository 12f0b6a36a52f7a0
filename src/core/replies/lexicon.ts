import type { Effort, StopReason } from '../reports';
import type { HelpLevel } from '../vocabulary';

/** Meaning of a word or a phrase in a reply. */
export type Meaning =
  | { readonly is: 'help'; readonly level: HelpLevel }
  | { readonly is: 'effort'; readonly effort: Effort }
  | { readonly is: 'reason'; readonly reason: StopReason }
  | { readonly is: 'ago'; readonly days: number }
  | { readonly is: 'weekday'; readonly weekday: number }
  | { readonly is: 'number'; readonly value: number }
  | {
      readonly is:
        'left' | 'right' | 'each' | 'total' | 'times' | 'minutes' | 'all' | 'done' | 'no' | 'stopped' | 'and' | 'of' | 'fill' | 'doubt';
    };

export interface Lexicon {
  /** Phrases of small letters without accents or apostrophes, longest first. */
  readonly phrases: ReadonlyMap<string, Meaning>;
  readonly mostWords: number;
  /** Whole texts that end all messages. */
  readonly stop: ReadonlySet<string>;
  /** Words of texts that say nothing. */
  readonly thanks: ReadonlySet<string>;
  readonly months: readonly string[];
}

type Entries = readonly (readonly [Meaning, string])[];

type Bare = Exclude<Meaning['is'], 'help' | 'effort' | 'reason' | 'ago' | 'weekday' | 'number'>;

const is = (kind: Bare): Meaning => ({ is: kind });
const help = (level: HelpLevel): Meaning => ({ is: 'help', level });
const effort = (felt: Effort): Meaning => ({ is: 'effort', effort: felt });
const reason = (why: StopReason): Meaning => ({ is: 'reason', reason: why });
const ago = (days: number): Meaning => ({ is: 'ago', days });

/** Our own lists (common practice, no source). A phrase stands between bars; what is not in them makes a number less sure, never more. */
const ENGLISH: Entries = [
  [
    help('alone'),
    'no help|without help|without any help|with no help|needed no help|on her own|on his own|on their own|by himself|by herself|by themselves|all by himself|all by herself|independently|independent|alone|no hlep',
  ],
  [
    help('words'),
    'little help|a little help|with a little help|bit of help|a bit of help|only words|just words|words only|with words|verbal|verbally|told him|told her|just reminders|reminders',
  ],
  [help('pointed'), 'pointed|i pointed|pointing'],
  [
    help('shown'),
    'showed|show him|show her|showed him|showed her|showing|shown|demonstrated|i showed|showed it|showed her once|showed him once',
  ],
  [help('steadied'), 'held her arm|held his arm|held the arm|held her wrist|held his wrist|held the wrist|steadied'],
  [help('handOverHand'), 'hand over hand|my hands|my hand|lots of help|a lot of help|much help|with my hands'],
  [effort('tooHard'), 'hard|too hard|so hard|very hard|really hard|way too hard|to hard|difficult|too difficult|very difficult|struggled'],
  [effort('tooEasy'), 'easy|too easy|so easy|very easy|really easy|way too easy|to easy|esy|easy peasy|super easy'],
  [effort('right'), 'just right|right level|good level|right amount'],
  [is('fill'), 'not hard|not too hard|not so hard|not easy|not too easy|a bit tricky|tricky|a bit hard|a little hard|bit hard'],
  [reason('time'), 'no time|ran out of time|out of time|too busy|busy|busy day|got home late|no time for|not enough time|had no time'],
  [reason('ill'), 'sick|ill|fever|a fever|flu|a cold|has a cold|unwell|not feeling well|not well|stomach bug|doctor'],
  [
    reason('refused'),
    'refused|said no|didnt want to|didnt want|doesnt want to|did not want to|wouldnt|wouldnt do it|wouldnt do|would not|no interest|not interested|threw a fit',
  ],
  [reason('missing'), 'missing|lost|dont have|didnt have|no scissors|no tongs|no tape|no paper|no paint|no glue'],
  [
    is('no'),
    'no|nope|not|not done|not do|didnt|did not|didnt do|did not do|dont|havent|couldnt|could not|skip|skipped|skipping|none done|nothing|no practice|not today|did not practice|didnt practice',
  ],
  [is('done'), 'done|did|finished|complete|completed|yes|yep|practiced|ok'],
  [is('all'), 'all|all of it|all of them|everything|them all|every one'],
  [is('stopped'), 'stopped|stopped early|quit|gave up|tried|started'],
  [is('left'), 'left|left hand|left foot|left side|with the left|with left|on the left'],
  [is('right'), 'right|right hand|right foot|right side|with the right|with right|on the right'],
  [is('each'), 'each|each hand|each side|each foot|per hand|per side|every hand|both hands|on each side|with each hand|each with'],
  [is('total'), 'total|in total|in all|altogether|all together'],
  [is('times'), 'times|time|good ones|good|reps|pieces|ones|holds|repetitions'],
  [is('minutes'), 'min|mins|minute|minutes'],
  [is('of'), 'of|out of|from'],
  [is('and'), 'and|then|but|also|plus'],
  [ago(0), 'today|tonight|this morning|this afternoon|this evening|just now|hoy'],
  [ago(1), 'yesterday|last night|yesturday|yestarday|yest|yday'],
  ...['mon|monday', 'tue|tues|tuesday', 'wed|weds|wednesday', 'thu|thur|thurs|thursday', 'fri|friday', 'sat|saturday', 'sun|sunday'].map(
    (names, index) => [{ is: 'weekday', weekday: index + 1 } as Meaning, names] as const,
  ),
  [
    is('fill'),
    'the|a|an|we|i|he|she|they|it|its|was|were|is|are|do|does|with|for|on|in|at|to|my|her|his|him|them|their|our|us|hi|hello|hey|good morning|good evening|good night|morning|thanks|thank you|thank|please|so|very|really|got|practice|any|hand|hands|took|got it|went well|great|well|nice|held|hold|lift|lifts|loved it|has|had|have|hes|shes|this|needed|me|just|only|cut|needs|bit|home|sorry|mom|dad|nana|grandma|heard|too|way',
  ],
  [
    is('doubt'),
    'about|around|maybe|like|or|most|almost|nearly|half|few|a few|couple|a couple|some|except|then more|twice|once|sets|set|every|every day|week|weeks|missed|wrong|think|guess|mean|step|old|years|over|more|less|under|days|last week|all week|after|before|never|instead|each time|between|not sure|unsure|ish|at least|except the|another|minus|other|ago|first|second|third|until|till',
  ],
];

const SPANISH: Entries = [
  [help('alone'), 'sin ayuda|solo|sola|solito|solita|sin alluda|independiente'],
  [help('words'), 'poca ayuda|un poco de ayuda|solo palabras|con palabras|le dije|solo con palabras'],
  [help('pointed'), 'senale|le senale'],
  [help('shown'), 'mostre|le mostre|le ensene|ensene|mostrando'],
  [help('steadied'), 'le sostuve el brazo|sostuve el brazo|le sostuve la muneca|sostuve la muneca'],
  [help('handOverHand'), 'mano sobre mano|mucha ayuda|con mis manos|mis manos'],
  [effort('tooHard'), 'dificil|muy dificil|demasiado dificil|le costo|le costo mucho|dificl|duro|muy duro'],
  [effort('tooEasy'), 'facil|muy facil|demasiado facil|facilisimo'],
  [effort('right'), 'justo|a su medida|lo justo'],
  [is('fill'), 'no fue dificil|no es dificil|nada dificil|no muy dificil|un poco dificil|no fue facil|algo dificil'],
  [
    reason('time'),
    'sin tiempo|no hubo tiempo|no tuvimos tiempo|no tuve tiempo|no hay tiempo|ocupados|ocupada|ocupado|no dio tiempo|no nos dio tiempo|falta de tiempo',
  ],
  [reason('ill'), 'enfermo|enferma|fiebre|gripe|resfriado|resfriada|calentura|malito|malita|se siente mal'],
  [reason('refused'), 'no quiso|dijo que no|no quiere|no queria|se nego|no quizo'],
  [reason('missing'), 'falta|faltan|no tenemos|no hay|perdimos|se perdieron|se perdio'],
  [is('no'), 'no|no hicimos|no hizo|no practicamos|no pudimos|no pude|nada|nada hoy|no lo hicimos|no las hicimos|hoy no|todavia no'],
  [is('done'), 'hecho|hecha|hechos|hicimos|hizo|hice|terminamos|termino|listo|lista|si|practicamos|terminado'],
  [is('all'), 'todo|todos|todas|todas las|todos los|completo'],
  [is('stopped'), 'paramos|dejamos|paro|intento|empezamos'],
  [is('left'), 'izquierda|mano izquierda|izq|con la izquierda|la izquierda|pie izquierdo|izquierdo'],
  [is('right'), 'derecha|mano derecha|der|con la derecha|la derecha|pie derecho|derecho'],
  [is('each'), 'cada|cada mano|con cada mano|cada lado|por mano|cada pie|de cada lado|cada una'],
  [is('total'), 'total|en total'],
  [is('times'), 'veces|vez|bien hechas|bien hechos|bien|bien hecha|piezas|buenas'],
  [is('minutes'), 'min|minuto|minutos|mins'],
  [is('of'), 'de'],
  [is('and'), 'y|luego|despues|pero|tambien|e'],
  [ago(0), 'hoy|esta noche|esta manana|esta tarde'],
  [ago(1), 'ayer|anoche'],
  [ago(2), 'antier|anteayer|antes de ayer'],
  ...['lun|lunes', 'mar|martes', 'mie|miercoles', 'jue|jueves', 'vie|viernes', 'sab|sabado', 'dom|domingo'].map(
    (names, index) => [{ is: 'weekday', weekday: index + 1 } as Meaning, names] as const,
  ),
  [
    is('fill'),
    'la|el|lo|las|los|un|una|con|en|a|al|del|que|se|le|les|su|sus|mi|muy|fue|estuvo|estuvimos|esta|tiene|hola|buenos dias|buenas tardes|buenas noches|gracias|muchas gracias|por favor|ella|nosotros|para|hacer|hoy practicamos|nada mas|solamente|ninguno|hubo|nos|me|mano|manos|excelente|super|abuela|mama|papa|para el|para ella',
  ],
  [
    is('doubt'),
    'como|casi|mas|menos|o|u|tal vez|quizas|creo|mitad|la mitad|unas|unos|unas cuantas|unos cuantos|algunas|algunos|dias|semana|todos los dias|la semana pasada|paso|anos|excepto|salvo|faltaron|falto|otra|otras|antes|hasta|entre|dos veces al|a las|cada dia|ninguna|primero|primera',
  ],
];

const NUMBERS_EN =
  'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen twenty'.split(
    ' ',
  );
const NUMBERS_ES =
  'cero uno dos tres cuatro cinco seis siete ocho nueve diez once doce trece catorce quince dieciseis diecisiete dieciocho diecinueve veinte'.split(
    ' ',
  );

function made(entries: Entries, numbers: readonly string[], rest: Omit<Lexicon, 'phrases' | 'mostWords'>): Lexicon {
  const phrases = new Map<string, Meaning>();
  numbers.forEach((word, value) => phrases.set(word, { is: 'number', value }));
  // The first meaning wins where a phrase is listed twice.
  for (const [meaning, said] of entries) for (const phrase of said.split('|')) if (!phrases.has(phrase)) phrases.set(phrase, meaning);
  return { ...rest, phrases, mostWords: Math.max(...[...phrases.keys()].map((phrase) => phrase.split(' ').length)) };
}

export const LEXICONS = {
  en: made(ENGLISH, NUMBERS_EN, {
    stop: new Set(['stop', 'stop all', 'stopall', 'unsubscribe', 'end', 'quit', 'cancel']),
    thanks: new Set('thanks thank you thx ty ok okay k great good got it cool will do so much welcome'.split(' ')),
    months: ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'],
  }),
  es: made(SPANISH, NUMBERS_ES, {
    stop: new Set(['alto', 'parar', 'pare', 'stop', 'basta', 'cancelar', 'baja']),
    thanks: new Set('gracias muchas ok okay vale bueno muy bien de acuerdo entendido listo'.split(' ')),
    months: ['ene', 'feb', 'mar', 'abr', 'may', 'jun', 'jul', 'ago', 'sep', 'oct', 'nov', 'dic'],
  }),
} as const satisfies Record<string, Lexicon>;
export type ReplyLanguage = keyof typeof LEXICONS;

/** Whole texts that end all messages in the languages that are not read otherwise: a wish to hear no more is heard in every one. */
export const STOP_ELSEWHERE = new Set([
  'arret',
  'arreter',
  'arretez',
  'stopper',
  'parar',
  'pare',
  'sair',
  'قف',
  'توقف',
  'ايقاف',
  'اوقف',
  'الغاء',
]);

/** Whole texts that say “not practiced today” in the languages that are not read otherwise: a reminder asks for the first of each. */
export const NO_ELSEWHERE = new Set([
  'non',
  'non merci',
  'pas aujourdhui',
  'nao',
  'hoje nao',
  'nao hoje',
  'nao praticamos',
  'لا',
  'ليس اليوم',
  'لم نتمرن',
]);

/** How much nearer a text is to one language: its words that the one knows and the other doesn't. */
export function languageOfReply(words: readonly string[], usual: ReplyLanguage): ReplyLanguage {
  const known = (language: ReplyLanguage) => words.filter((word) => word.length > 1 && LEXICONS[language].phrases.has(word)).length;
  const other = usual === 'en' ? 'es' : 'en';
  return known(other) > known(usual) ? other : usual;
}
