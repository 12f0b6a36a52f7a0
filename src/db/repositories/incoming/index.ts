export { waitingTexts } from './read';
export type { IncomingText } from './read';
export { keepIncomingText, settleIncomingText } from './write';
export type { NewIncomingText } from './write';
