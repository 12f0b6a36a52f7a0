import { readable } from './readable';

/** Wishes to hear no more, in any plain words (47 CFR 64.1200(a)(10), from memory: revocation by any reasonable means). */
const NO_MORE = [
  /\b(?:please )?(?:take|remove|delete|drop) (?:us|me|my number|this number|our number)\b/,
  /\b(?:no more|enough|cancel|end|stop) (?:of )?(?:the |these |those |your |all |all the )?(?:texts?|texting|messages?|messaging|msgs?|reminders|contact|notifications|alerts|sms)\b/,
  /\b(?:stop|quit|dont|do not|please dont|never) (?:\w+ ){0,2}(?:text|texting|message|messaging|msg|write|writing|contact|contacting|sending|send|bother|bothering|reminding)(?:ing)? ?(?:me|us|this|to this|anymore|any more|again|these|here)?\b/,
  /\b(?:unsubscribe|opt (?:me |us )?out|opting out|leave (?:me|us) alone|lose (?:my|this) number|block(?:ing)? (?:you|this number))\b/,
  /\b(?:dont|do not|no longer) want (?:any |to get |to receive |these |your |to hear )/,
  /\b(?:ya )?no (?:me|nos) (?:mande|manden|mandes|envie|envien|envies|escriba|escriban|escribas|moleste|molesten|contacte|contacten)\b/,
  /\b(?:quitenme|quitenos|quiteme|quitame|borrenme|borrenos|borreme|saquenme|saquenos|saqueme|eliminenme|denme de baja|dar(?:me|nos)? de baja|deme de baja|cancelar (?:los )?mensajes)\b/,
  /\bno (?:quiero|queremos) (?:mas |recibir |mas de |que me )(?:\w+ ){0,2}(?:mensajes?|textos?|recordatorios?|escriban|manden)\b/,
  /\b(?:dejen?|deje|paren?|basta) (?:ya )?de (?:mandar|enviar|escribir|molestar|mensajes|textear)/,
  /\b(?:ne (?:m|nous) ?(?:envoyez|ecrivez|contactez) plus|arretez (?:de|les|d)|plus de (?:messages|sms|textos)|desinscri\w*|desabonn\w*|retirez (?:moi|nous)|enlevez (?:moi|nous))\b/,
  /\b(?:nao (?:me|nos) (?:mande|mandem|envie|enviem|escreva|escrevam) mais|parem? de (?:mandar|enviar|escrever)|nao (?:quero|queremos) mais (?:mensagens|receber)|tire(?:m)? (?:meu|nosso|este) numero|me tire|descadastr\w*|cancelar mensagens)\b/,
  /لا ترسلوا|لا ترسل|توقفوا عن|اوقفوا|الغاء الاشتراك|احذفوا رقم|لا اريد رسا/,
];

/** True where somebody wants no more messages, however they say it. @example wantsNoMore('please take us off this list') // true */
export function wantsNoMore(text: string): boolean {
  const words = plainWords(text);
  return NO_MORE.some((pattern) => pattern.test(words));
}

const PLANS = [
  /\b(?:tomorrow|tmrw|tmr|tmw|tomorow|tommorow|tommorrow|2moro|2morrow|later|soon|gonna|gunna|next week|next time|this weekend|after dinner|after school|after nap)\b/,
  /\b(?:going to|plan to|planning|plan on|will (?:do|try|practice|work|finish|get)|well (?:do|try) (?:it|a|b|c|the|that|this|some)|ill (?:do|try)|we ll|i ll|want to do|hope to|hoping|about to|try to do)\b/,
  /\b(?:al rato|mas tarde|mas al rato|luego (?:lo|la|los|las)? ?hac\w*|vamos a|voy a|va a|haremos|hare|intentaremos|practicaremos|pensamos|queremos hacer|proxima semana|pasado manana)\b/,
  /\b(?:demain|tout a l heure|plus tard|on va (?:faire|essayer)|ce week end|nous ferons)\b/,
  /\b(?:amanha|mais tarde|vamos fazer|vou fazer|faremos|depois (?:a gente|fazemos|faco))\b/,
  /غدا|بكرا|بكره|لاحقا|سوف|سنفعل|رح نعمل/,
];
/** "mañana" is tomorrow; "esta mañana", "en la mañana" is this morning. */
const MANANA = /\bmanana\b/;
const MORNING = /\b(?:esta|la|en la|por la|de la) manana\b/;
/** Phrases that look like a plan and report the past: "did it later than usual", "we will see". */
const NO_PLAN = /\b(?:did (?:it|them|\w+)? ?later|later than|an hour later|minutes later)\b/;

/** True where a clause tells of what is to be done, not of what was. @example isPlan('gonna do A8 tonight') // true */
export function isPlan(clause: string): boolean {
  const words = plainWords(clause);
  if (NO_PLAN.test(words)) return false;
  return PLANS.some((pattern) => pattern.test(words)) || (MANANA.test(words) && !MORNING.test(words));
}

const QUESTIONS = [
  /^(?:so |and |also |hi |hello |hey |but |ok |please )*(?:can|could|should|would|will|do|does|did|is|are|was|may|shall|has|have) (?:i|we|you|he|she|it|they|this|that|the|my|our|his|her|there|these|those|u)\b/,
  /^(?:so |and |also |hi |hello |hey |but |ok |please )*(?:what|when|where|how|why|which|who|whats|wheres|hows|whens) (?!many good|much fun)/,
  /\b(?:i wonder|wondering|is it ok|is it okay|is that ok|let me know|please advise|any idea|not sure (?:if|how|what|whether)|need to know|want to know)\b/,
  /^(?:y |pero |hola |oiga |disculpe )*(?:puede|puedo|podemos|podria|debo|debe|deberia|cuando|como (?:se|le|lo|la|hago|hacemos)|donde|cual|cuanto|cuantos|cuantas|por que|que (?:hago|hacemos|significa|es|quiere)|hay que|esta bien si|sera que|tiene que)\b/,
  /^(?:et |mais |bonjour )*(?:est ce|peut on|puis je|on peut|dois je|faut il|combien|comment|quand|pourquoi|ou est|quel)\b/,
  /^(?:e |mas |oi )*(?:posso|pode|podemos|devo|quando|como (?:faco|fazemos)|onde|qual|quanto|por que|sera que)\b/,
  /^(?:هل|متى|كيف|لماذا|اين|ماذا|كم)(?: |$)/,
];

/** True where a clause asks something, whether its mark stands or not. @example isQuestion('can we do 2 min of road in the car') // true */
export function isQuestion(clause: string): boolean {
  const words = plainWords(clause);
  return QUESTIONS.some((pattern) => pattern.test(words));
}

function plainWords(text: string): string {
  return readable(text)
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
}
