export { keepIncomingText, settleIncomingText } from './write';
export type { NewIncomingText } from './write';
