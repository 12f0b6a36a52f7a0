export { cameLately, childrenWithContacts, incomingTexts, openAskOf, stoppedAt, textsById, textsForAPerson, textsOfNobody } from './read';
export type { IncomingRow, TextOutcome } from './read';
export { addIncomingText, setOutcome, settleAsk, settleTextsUpTo, startNumber, stopNumber, unsettleTexts } from './write';
export type { NewIncomingText } from './write';
