export { heldMessageOf, linkSentSince, messageOfDecision, messagesOf, messageToSend, partsOf, remindedSince } from './read';
export type { MessageKind, MessageStatus, MessageToSend, MessageRow, PartKind } from './read';
export {
  addMessage,
  addPart,
  deletePartsOfDecision,
  giveUpAllWaiting,
  markGivenUp,
  markHandedOver,
  markWaitingAgain,
  rewordMessage,
  setLinkOfMessage,
  withdrawMessage,
} from './write';
export type { NewMessage } from './write';
