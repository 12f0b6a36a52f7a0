import type { Receipt, TextService, TextToSend } from '@/server/ports';

export interface HttpTextsOptions {
  /** Address that texts are posted to. */
  readonly address: string;
  /** Key that the service knows us by: sent as a bearer token. */
  readonly key: string;
  /** After so long without an answer a text is tried again later. */
  readonly timeoutMilliseconds?: number;
}

const TIMEOUT_MILLISECONDS = 15_000;

/**
 * A text service that is asked over HTTP, as docs/running.md describes: `POST address` with `{ to, text }` as JSON and the key of the text
 * in `Idempotency-Key`. 2xx is taken; 409 is taken before; all else is tried again.
 */
export class HttpTexts implements TextService {
  constructor(private readonly options: HttpTextsOptions) {}

  async send({ reach, text, idempotencyKey }: TextToSend): Promise<Receipt> {
    if (reach?.way !== 'text') throw new Error('No number for texts is known');
    const { address, key, timeoutMilliseconds = TIMEOUT_MILLISECONDS } = this.options;
    const answer = await fetch(address, {
      method: 'POST',
      headers: { authorization: `Bearer ${key}`, 'content-type': 'application/json', 'idempotency-key': idempotencyKey },
      body: JSON.stringify({ to: reach.at, text }),
      // A service that sends elsewhere would get the key there, too.
      redirect: 'error',
      signal: AbortSignal.timeout(timeoutMilliseconds),
    });
    await answer.body?.cancel();
    if (answer.status === 409) return { repeated: true };
    if (!answer.ok) throw new Error(`The text service answered ${answer.status}`);
    return { repeated: false };
  }

  /** Data that the service stores about a number is governed by the contract with it. */
  async forget(): Promise<void> {}
}
