import { fieldOf, flushOutbox, type Flushed, type KeptReport } from '../outbox/outboxStore';
import { renewPages } from '../offline/keptPages';
import { all, filled, made, type PageData } from './page';

const AGAIN_MILLISECONDS = 4000;

/** What is kept of a task and of the day is no longer true. */
export function wentOut(link: string, report: KeptReport): void {
  renewPages(link, fieldOf(report, 'versionTaskId'), fieldOf(report, 'hurt') === 'on');
}

/**
 * Says what of this family has not gone out yet, and tries again when the network is back and every few seconds. It never leads
 * anywhere else, and never sends what another family kept on the same phone.
 */
export function watchOutbox({ link, words }: PageData): () => Promise<void> {
  let isBusy = false;
  const flush = async () => {
    if (isBusy) return;
    isBusy = true;
    const state = await flushOutbox(`${link}/report`, (report) => wentOut(link, report)).finally(() => (isBusy = false));
    if (state.kind !== 'nothing') for (const place of all('[data-outbox]')) place.replaceChildren(saidOf(state, words));
  };
  void flush();
  setInterval(() => void flush(), AGAIN_MILLISECONDS);
  window.addEventListener('online', () => void flush());
  return flush;
}

function saidOf(state: Flushed, words: PageData['words']): HTMLElement {
  const said = made('p', { className: 'said-straw' });
  if (state.kind === 'sent') said.append(words.sent!, ' ', made('a', { href: state.next, className: 'underline' }, words.showDay!));
  else said.append(state.kind === 'refused' ? filled(words.refused, { why: state.why }) : words.kept!);
  return said;
}
