export { normalEmail } from './emailAddress';
export { BASE_LANGUAGE, languageOf, LANGUAGES, TASK_LANGUAGES } from './languages';
export type { Language } from './languages';
export { directionOf } from './direction';
export { isTranslated, localTextSchemaOf, mapText, say, textOf } from './localText';
export type { LocalText } from './localText';
export { plain } from './plain';
export { segmentsOf } from './segments';
export type { Segments } from './segments';
