import { plain } from '../text';

interface DangerWords {
  readonly language: string;
  /** Beginnings of words that mean danger by themselves, with common misspellings. */
  readonly alone: readonly string[];
  /** Danger told in several words. */
  readonly phrases: readonly RegExp[];
  /** Hurt and pain may be denied; what takes the breath may not: "he is not choking" is worth a person's look. */
  readonly hurt: RegExp;
  readonly not: RegExp;
}

const PART_EN =
  '(arms?|hands?|fingers?|thumbs?|fingertips?|wrists?|elbow|shoulder|bones?|legs?|foot|feet|toes?|knees?|ankle|head|face|eyes?|nose|mouth|lips?|tooth|teeth|tongue|ears?|neck|nail|skin|chest|stomach|tummy|belly)';
const PART_ES =
  '(brazos?|manos?|dedos?|dedito|pulgar|munecas?|codo|hombro|huesos?|piernas?|pies?|rodilla|tobillo|cabeza|cara|ojos?|nariz|boca|labios?|dientes?|lengua|orejas?|cuello|piel|pecho|estomago|barriga|panza)';
const WHOSE_EN = '(his|her|their|my|a|the|one|both)';

/** Our own lists (common practice, no source). They err to caution: a word too many asks a person to look. */
const LISTS: readonly DangerWords[] = [
  {
    language: 'en',
    alone: [
      ...[
        'choke',
        'choki',
        'chocking',
        'swallow',
        'swolow',
        'swalow',
        'swollow',
        'bleed',
        'bleading',
        'bled',
        'blood',
        'swollen',
        'swolen',
      ],
      ...[
        'swelling',
        'swelled',
        'unconscious',
        'fainted',
        'fainting',
        'seizure',
        'ambulance',
        'hospital',
        'emergency',
        'poison',
        'fracture',
      ],
      ...[
        'bruise',
        'burned',
        'burnt',
        'concuss',
        'vomit',
        'hives',
        'strangl',
        'suffocat',
        'gasping',
        'wheez',
        'limping',
        'dislocat',
        'sprain',
      ],
    ],
    phrases: [
      /\b(can ?not|can t|cant|could ?n t|couldnt|couldn|not|trouble|hard to|struggl\w+ to|stopped) (breath|breth)\w*/,
      new RegExp(`\\b(stuck|got|put|pushed|shoved) (\\w+ ){0,5}(in|up|down|into) (\\w+ ){0,3}(nose|throat|ear|windpipe|airway)\\b`),
      /\bturn(s|ed|ing)? (blue|purple|white)\b/,
      /\b(hit|bumped|banged|hits) (\w+ ){0,3}head\b/,
      /\ballergic reaction\b/,
      /\b(cut|burn|stab|hurt)s? (himself|herself|themselves)\b/,
      new RegExp(
        `\\b(broke|broken|brok|cut|sliced|pinched|crushed|twisted|scraped|stabbed|smashed|jammed) ${WHOSE_EN} (\\w+ )?${PART_EN}\\b`,
      ),
      new RegExp(
        `\\b${PART_EN} (\\w+ )?(is|are|was|were|looks|look|seems|may be|might be) (\\w+ )?(broken|broke|cut|numb|blue|purple|red|stuck)\\b`,
      ),
      new RegExp(`\\b(broken|numb|sore) ${PART_EN}\\b`),
      new RegExp(`\\b${PART_EN} (\\w+ ){0,2}(aches?|aching|throbb\\w+|sore|numb)\\b`),
    ],
    hurt: /^(hurt|hurts|hurting|hert|pain|painful|injur\w*)$/,
    not: /^(not|no|didn|didnt|doesn|doesnt|isn|isnt|never|without|don|dont|nothing|wasn|wasnt)$/,
  },
  {
    language: 'es',
    alone: [
      ...[
        'ahogo',
        'ahoga',
        'ahogan',
        'aogo',
        'atragant',
        'trago',
        'tragar',
        'tragado',
        'sangr',
        'hinch',
        'inflam',
        'desmay',
        'inconsciente',
      ],
      ...[
        'convuls',
        'ambulancia',
        'hospital',
        'emergencia',
        'urgencias',
        'envenen',
        'intoxic',
        'fractur',
        'moreton',
        'quemado',
        'quemadura',
      ],
      ...['vomit', 'ronchas', 'lastim', 'herida', 'herido', 'asfixi', 'estrangul', 'torcedura', 'esguince'],
    ],
    phrases: [
      /\b(no|no puede|no podia|casi no|dificultad para|le cuesta|dejo de) respir\w*/,
      /\b(metio|metido|atoro|atorado|se le fue) (\w+ ){0,5}(en|por|a) (\w+ ){0,2}(nariz|garganta|oido|oreja)\b/,
      /\b(se puso|esta) (azul|morad[oa]|palid[oa])\b/,
      /\b(golpe|golpeo|pego) (\w+ ){0,3}cabeza\b/,
      /\breaccion alergica\b/,
      /\bse (corto|quemo|pincho)\b/,
      new RegExp(`\\b(rompio|quebro|pellizco|aplasto|machuco|torcio|raspo|doblo) (el|la|los|las|un|una|su) (\\w+ )?${PART_ES}\\b`),
      new RegExp(
        `\\b${PART_ES} (\\w+ )?(esta|estan|parece|se ve) (\\w+ )?(rot[oa]|quebrad[oa]|cortad[oa]|dormid[oa]|morad[oa]|azul|roj[oa]|atorad[oa])\\b`,
      ),
      new RegExp(`\\b${PART_ES} (rot[oa]|quebrad[oa]|dormid[oa])\\b`),
    ],
    hurt: /^(duele|dolio|duelen|dolia|dolor|doler|dolores)$/,
    not: /^(no|nunca|sin|nada|ni)$/,
  },
];

/** The languages whose words of danger are known. */
export const DANGER_LANGUAGES: readonly string[] = LISTS.map(({ language }) => language);

/** So many words before "hurt" a "not" still belongs to it. */
const NEAR = 3;

/**
 * The words of danger in what a family wrote, in whichever of the languages it wrote; empty where there is none. Case,
 * accents, marks and common misspellings make no difference.
 * @example dangerIn('He swolowed a bead') // ['swolowed']
 */
export function dangerIn(text: string): string[] {
  const letters = plain(text)
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
  const words = letters.split(' ');
  const hits = LISTS.flatMap(({ alone, phrases, hurt, not }) => [
    ...words.filter((word) => alone.some((beginning) => word.startsWith(beginning))),
    ...phrases.flatMap((phrase) => phrase.exec(letters)?.[0] ?? []),
    ...words.filter((word, index) => hurt.test(word) && !words.slice(Math.max(0, index - NEAR), index).some((before) => not.test(before))),
  ]);
  return [...new Set(hits)];
}
