export { heldMessageOf, linkSentSince, messageOfDecision, messagesOf, messageToSend, partsOf, remindedSince } from './read';
export type { MessageKind, MessageStatus, MessageToSend, PostMessage, PartKind } from './read';
export {
  addMessage,
  addPart,
  dropPartsOfDecision,
  giveUpAllWaiting,
  markGivenUp,
  markHandedOver,
  markWaitingAgain,
  rewordMessage,
  setLinkOfMessage,
  withdrawMessage,
} from './write';
export type { NewMessage } from './write';
