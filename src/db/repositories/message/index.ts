export { messagesOf, messageToSend } from './read';
export type { MessageKind, MessageStatus, MessageToSend, PostMessage } from './read';
export { addMessage, markGivenUp, markHandedOver, markWaitingAgain, setLinkOfMessage } from './write';
export type { NewMessage } from './write';
