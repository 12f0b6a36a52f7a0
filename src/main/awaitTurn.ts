import type { IncomingMessage, ServerResponse } from 'node:http';
import type { Socket } from 'node:net';

/** The request that a connection is being answered, and whether another one is waiting behind it. */
interface Turn {
  readonly done: Promise<void>;
  isNextHere: boolean;
}

const turns = new WeakMap<Socket, Turn>();

/**
 * Answers the requests of one connection one after the other. A client may send its next request as soon as it has the last byte,
 * a moment before the server has closed the answer: that one waits. No client needs more than one waiting, so the connection of
 * whoever sends more is closed.
 * @returns false where the connection is gone
 */
export async function awaitTurn({ socket }: IncomingMessage, response: ServerResponse): Promise<boolean> {
  const before = turns.get(socket);
  if (before?.isNextHere) {
    socket.destroy();
    return false;
  }
  if (before) {
    before.isNextHere = true;
    await before.done;
  }
  const done = new Promise<void>((resolve) => {
    // Node gives a waiting response no "close" when its connection ends, so the connection is asked, too.
    const end = () => {
      socket.off('close', end);
      resolve();
    };
    response.once('close', end);
    socket.once('close', end);
  });
  const turn: Turn = { done, isNextHere: false };
  turns.set(socket, turn);
  void done.then(() => {
    if (!turn.isNextHere) turns.delete(socket);
  });
  return !socket.destroyed;
}
