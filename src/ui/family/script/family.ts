import { keepPages, whenKept } from '../offline/keptPages';
import { hurtForm } from './hurt';
import { watchOutbox } from './outbox';
import { all, filled, one, pageData, serverNow, type PageData } from './page';
import { reportForm } from './report';
import { shownClips } from './shown';
import { along, countAlong, readAloud, WAYS_ALONG } from './speak';

/**
 * The one script of a family's pages. They are plain pages with plain forms; this shows a task screen by screen, counts, keeps and
 * sends. Should it fail, the plain page stands.
 */
const root = document.documentElement;
const LOOK_AGAIN_MILLISECONDS = 15_000;

function begin(): void {
  forgetSaid();
  const page = pageData();
  root.classList.add('scripted');
  // How far this phone's clock is off is learned while the page is fresh.
  serverNow(page);
  watchOutbox(page);
  reportForm(page);
  void hurtForm(page);
  shownClips(page);
  readAloud();
  chooseAlong(page);
  void keptNote(page);
  if (page.pages.length) void keepPages(page.link, page.pages, page.stamp);
}

/** The result of the last report is shown once: a bookmark or a reload later does not repeat it. */
function forgetSaid(): void {
  const place = new URL(location.href);
  if (!place.searchParams.has('said')) return;
  place.searchParams.delete('said');
  history.replaceState(history.state, '', place.href);
}

async function keptNote({ locale, timeZone, words }: PageData): Promise<void> {
  const made = await whenKept();
  const place = one('[data-kept-note]');
  if (!made || !place) return;
  const when = new Intl.DateTimeFormat(locale, { weekday: 'long', hour: 'numeric', minute: '2-digit', timeZone }).format(made);
  // A time may end with a full stop of its own: "3:46 a.m.".
  place.textContent = filled(words.keptPage, { when }).replace('..', '.');
  place.hidden = false;
  // With a network again it is no longer true. Where something is being told, nothing is taken from under the fingers.
  if (!one('[data-field]')) freshOnceReached();
}

/** Asks now and then whether there is an answer, and opens the page anew once there is. */
function freshOnceReached(): void {
  // The worker answers for pages alone: this goes to the network.
  const look = () =>
    fetch(location.href, { method: 'HEAD' }).then(
      ({ ok }) => ok && location.reload(),
      () => undefined,
    );
  setInterval(() => void look(), LOOK_AGAIN_MILLISECONDS);
  addEventListener('online', () => void look());
}

function chooseAlong({ words }: PageData): void {
  for (const choice of all<HTMLSelectElement>('[data-along]')) {
    choice.hidden = false;
    choice.value = along();
    choice.setAttribute('aria-label', words.countAlong!);
    choice.addEventListener('change', () => countAlong(WAYS_ALONG.find((way) => way === choice.value) ?? 'off'));
  }
}

try {
  begin();
} catch {
  root.classList.remove('scripted');
  root.classList.add('plain');
  document.querySelectorAll<HTMLDetailsElement>('.typed').forEach((details) => (details.open = true));
}
