import {
  drop,
  fieldOf,
  flushOutbox,
  isUnkept,
  keptReports,
  keptUnderClosedLinks,
  moveTo,
  type Flushed,
  type KeptReport,
} from '../outbox/outboxStore';
import { renewPages } from '../offline/keptPages';
import { all, filled, made, one, type PageData } from './page';

const AGAIN_MILLISECONDS = 4000;

/** The stored pages of the task and of the day are out of date. */
export function wentOut(link: string, report: KeptReport): void {
  renewPages(link, fieldOf(report, 'versionTaskId'), fieldOf(report, 'hurt') === 'on');
}

/**
 * Says what of this family has not gone out yet, and tries again when the network is back and every few seconds. It never leads
 * anywhere else, and never sends what another family kept on the same phone.
 */
export function watchOutbox(page: PageData): () => Promise<void> {
  const { link, words } = page;
  let isBusy = false;
  const flush = async () => {
    if (isBusy) return;
    isBusy = true;
    const state = await flushOutbox(`${link}/report`, (report) => wentOut(link, report)).finally(() => (isBusy = false));
    await markKept(page);
    if (state.kind !== 'nothing') for (const place of all('[data-outbox]')) place.replaceChildren(saidOf(state, words));
  };
  void flush();
  void offerOlder(page, flush);
  setInterval(() => void flush(), AGAIN_MILLISECONDS);
  window.addEventListener('online', () => void flush());
  return flush;
}

function saidOf(state: Flushed, words: PageData['words']): HTMLElement {
  const said = made('p', { className: 'said-straw' });
  if (state.kind === 'sent') said.append(words.sent!, ' ', made('a', { href: state.next, className: 'underline' }, words.showDay!));
  else said.append(state.kind === 'refused' ? filled(words.refused, { why: state.why }) : isUnkept() ? words.notKept! : words.kept!);
  return said;
}

/** Shows this phone's unsent reports on the day, too: an activity is not asked for again, and one that hurt is on hold. */
async function markKept({ link, words }: PageData): Promise<void> {
  for (const report of await keptReports(`${link}/report`)) {
    const state = one(`[data-state-of="${fieldOf(report, 'versionTaskId')}"]`);
    if (!state) continue;
    const isHurt = fieldOf(report, 'hurt') === 'on';
    if (state.dataset.kept === 'hurt') continue;
    state.dataset.kept = isHurt ? 'hurt' : 'report';
    state.textContent = isHurt ? words.onHoldHere! : words.keptHere!;
    if (isHurt) state.classList.add('text-brick');
  }
}

/** Reports that were written under a link that is closed by now are offered once at the next link of the same child. */
async function offerOlder({ family, link, words, locale }: PageData, flush: () => Promise<void>): Promise<void> {
  const address = `${link}/report`;
  const older = await keptUnderClosedLinks(family, address);
  const place = one('[data-outbox]');
  if (older.length === 0 || !place) return;
  const days = [...new Set(older.map((report) => fieldOf(report, 'doneOn')))]
    .filter(Boolean)
    .map((day) => new Intl.DateTimeFormat(locale, { month: 'long', day: 'numeric', timeZone: 'UTC' }).format(new Date(`${day}T12:00:00Z`)));
  const send = made('button', { type: 'button', className: 'press press-main mt-2' }, words.olderSend!);
  const leave = made('button', { type: 'button', className: 'press mt-2' }, words.olderDrop!);
  const ask = made('div', { className: 'watch mt-3' }, made('p', {}, filled(words.olderFound, { days: days.join(', ') })), send, leave);
  const settle = async (work: (report: KeptReport) => Promise<void>) => {
    ask.remove();
    for (const report of older) await work(report);
    await flush();
  };
  send.addEventListener('click', () => void settle((report) => moveTo(address, report)));
  leave.addEventListener('click', () => void settle(drop));
  place.before(ask);
}
