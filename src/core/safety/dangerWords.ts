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
      new RegExp(`\\b${PART_EN} (got|gets|getting) (\\w+ )?(cut|pinched|stuck|smashed|jammed|crushed|burned|scraped)\\b`),
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
  // These three await a native reader (docs/sources.md).
  {
    language: 'fr',
    alone: [
      ...['etouff', 'avale', 'saign', 'enfl', 'gonfle', 'evanou', 'inconscien', 'convuls', 'ambulance', 'hopital', 'urgence'],
      ...['empoison', 'intox', 'fractur', 'brulure', 'brule', 'vomi', 'etrangl', 'asphyx', 'entorse', 'ecchymose'],
    ],
    phrases: [
      /\b(ne respire|peine a respirer|du mal a respirer|n arrive pas a respirer)\b/,
      /\b(devenu|devient|tout) (bleu|blanc|violet)e?\b/,
      /\b(dans|coince\w*) (\w+ ){0,3}(nez|gorge|oreille)\b/,
      /\b(cogne|tape|frappe|tombe sur) (\w+ ){0,3}tete\b/,
      /\breaction allergique\b/,
      /\b(du|de|le|en) sang\b/,
      /\b(blesse|blessee|blesses|blessees|blessures?|le samu)\b/,
      /\b(fait|a|ai|avait|eu) mal\b/,
      /\bs est (coupe|brule|pince|tordu|casse)e?\b/,
    ],
    hurt: /^(douleurs?|douloureux|douloureuse)$/,
    not: /^(pas|non|jamais|sans|rien|aucune?|ni|plus)$/,
  },
  {
    language: 'pt',
    alone: [
      ...['engasg', 'sufoc', 'engoliu', 'engolir', 'engole', 'sangr', 'sangue', 'inchad', 'inchou', 'inchac', 'desmai', 'inconscien'],
      ...['convuls', 'ambulancia', 'hospital', 'emergencia', 'envenen', 'intoxic', 'fratur', 'hematoma', 'queimou', 'queimad'],
      ...['vomit', 'machuc', 'ferid', 'feriu', 'estrangul', 'asfixi', 'torceu', 'entorse', 'urgencia'],
    ],
    phrases: [
      /\b(nao|nao consegue|dificuldade para|parou de) respir\w*/,
      /\bficou (azul|rox[oa]|palid[oa])\b/,
      /\b(na|preso no|enfiou no) (\w+ ){0,2}(nariz|garganta|ouvido)\b/,
      /\b(bateu|batida) (\w+ ){0,3}cabeca\b/,
      /\breacao alergica\b/,
      /\b(cortou|quebrou|prendeu|esmagou|beliscou) (o|a|os|as|um|uma|seu|sua) (\w+ )?(dedos?|maos?|bracos?|pes?|pernas?|dentes?)\b/,
    ],
    hurt: /^(doeu|doi|doem|doia|doendo|dor|dores|dolorid[oa])$/,
    not: /^(nao|nunca|sem|nada|nem)$/,
  },
  {
    language: 'ar',
    alone: [
      ...['اختنق', 'يختنق', 'تختنق', 'ابتلع', 'يبتلع', 'بلع', 'نزف', 'ينزف', 'نزيف', 'تورم', 'متورم', 'انتفخ', 'أغمي', 'تشنج', 'إسعاف'],
      ...['مستشفى', 'المستشفى', 'طوارئ', 'الطوارئ', 'تسمم', 'انكسر', 'كسر', 'كدمة', 'حرق', 'احترق', 'تقيأ', 'استفرغ', 'جرح', 'انجرح'],
      ...['مجروح', 'خنق', 'التوى', 'حساسية'],
    ].map(plain),
    phrases: [/(?:^| )(?:ال|و|ب)?دم(?: |$)/, /(?:^| )لا (?:يستطيع|تستطيع|يقدر) (?:ال)?تنفس/, /(?:^| )فقد(?:ت)? (?:ال)?وعي/],
    // As they stand without their marks: a hamza is one of them.
    hurt: /^[وف]?(?:ال)?(?:يولم|تولم|يولمه|تولمه|الم|الما|وجع|يوجع|يوجعه|توجعه|اوجعه|تالم|يتالم|الام)$/,
    not: /^(?:لا|لم|ليس|بدون|بلا|ما|لن)$/,
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
  // Most reports say nothing in words, and many come at once.
  if (text === '') return [];
  const letters = lettersOf(text);
  const words = letters.split(' ');
  // "No" denies what follows it in its own clause: "no crane today. her hand hurts".
  const clauses = text.split(/[.,;:!?¡¿\n]+/u).map((clause) => lettersOf(clause).split(' '));
  const hits = LISTS.flatMap(({ alone, phrases, hurt, not }) => [
    ...words.filter((word) => alone.some((beginning) => word.startsWith(beginning))),
    ...phrases.flatMap((phrase) => phrase.exec(letters)?.[0] ?? []),
    ...clauses.flatMap((clause) =>
      clause.filter((word, index) => hurt.test(word) && !clause.slice(Math.max(0, index - NEAR), index).some((before) => not.test(before))),
    ),
  ]);
  return [...new Set(hits)];
}

function lettersOf(text: string): string {
  return plain(text)
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
}
