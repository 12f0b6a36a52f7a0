import { drop, fieldOf, keep, keptReports, sendKept, type KeptReport, type Sending } from '../outbox/outboxStore';
import { sendLater } from '../offline/keptPages';
import { wentOut } from './outbox';
import { isScripted, made, one, type PageData } from './page';

/**
 * Handles *Something hurt*. The fixed words above the form appear at the touch, by the address alone: without scripts and without
 * network. With scripts the touch itself is reported at once (and stored until it is), so that the task stays on hold. That it was
 * pressed by mistake can be reported at any time; only the therapist reopens the task. The comment is stored, letter by letter,
 * until it is sent.
 */
export async function hurtForm({ link, words, family }: PageData): Promise<void> {
  const form = one<HTMLFormElement>('[data-hurt-form]');
  if (!form) return;
  keepWords(form);
  // The task is on hold already: the box alone is left.
  const isClosed = form.dataset.hurtForm === 'more';
  const address = form.getAttribute('action')!;
  const status = made('p', { className: 'mt-3 font-bold' });
  status.setAttribute('role', 'status');
  const slip = made('button', { type: 'button', className: 'press mt-2.5' }, words.hurtSlip!);
  const plainSlip = one('[data-slip]', form);
  plainSlip?.remove();
  form.append(status, slip);
  let isPressed = false;
  const say = (sent: Sending, isKept: boolean) =>
    (status.textContent = sent.kind === 'taken' ? words.hurtSent! : isKept ? words.hurtKept! : words.hurtNotKept!);
  const send = async (more: readonly (readonly [string, string])[]): Promise<[Sending, boolean]> => {
    const fields = [...new FormData(form)].map(([name, value]): [string, string] => [name, String(value)]);
    const report: KeptReport = { address, family, fields: [...fields, ...more] };
    const isKept = await keep(report);
    const sent = await sendKept(report);
    if (sent.kind === 'taken') {
      await drop(report);
      wentOut(link, report);
    } else void sendLater(link);
    return [sent, isKept];
  };
  const waits = (await keptReports(address)).some(
    (report) =>
      fieldOf(report, 'versionTaskId') === one<HTMLInputElement>('[name=versionTaskId]', form)!.value &&
      fieldOf(report, 'hurt') === 'on' &&
      !report.fields.some(([name, value]) => name === 'press' && value === 'mistake'),
  );
  const press = async () => {
    if (location.hash !== '#hurt') {
      // Going back opens nothing: only a slip, or a person, does.
      if (isPressed) location.replace('#hurt');
      return;
    }
    if (isPressed) return;
    isPressed = true;
    one('#hurt-title')?.focus();
    if (waits) return void (status.textContent = words.hurtKept!);
    say(...(await send([['press', 'pressed']])));
  };
  form.addEventListener('submit', (event) => {
    if (!isScripted()) return;
    event.preventDefault();
    void send([]).then(([sent, isKept]) => {
      if (sent.kind === 'taken' || isKept) forgetWords(form);
      if (sent.kind === 'taken') return location.assign(sent.next);
      say(sent, isKept);
    });
  });
  slip.addEventListener('click', () => {
    slip.hidden = true;
    void send([['press', 'mistake']]).then(([sent, isKept]) => {
      status.textContent = sent.kind === 'taken' ? words.slipSent! : isKept ? words.slipKept! : words.hurtNotKept!;
    });
  });
  if (isClosed) return;
  window.addEventListener('hashchange', () => void press());
  // A press that has not been sent yet keeps the task on hold on this phone.
  if (waits) location.replace('#hurt');
  await press();
}

const wordsKey = (form: HTMLFormElement) =>
  `yard-hurt:${form.getAttribute('action')}:${one<HTMLInputElement>('[name=versionTaskId]', form)!.value}`;

/** Stores the comment at every letter and restores it after a reload, a call or a walk through other pages. */
function keepWords(form: HTMLFormElement): void {
  const box = one<HTMLTextAreaElement>('textarea', form)!;
  try {
    box.value ||= localStorage.getItem(wordsKey(form)) ?? '';
  } catch {
    // A phone without storage keeps what stands on the page.
  }
  box.addEventListener('input', () => {
    try {
      localStorage.setItem(wordsKey(form), box.value);
    } catch {
      // As above.
    }
  });
}

function forgetWords(form: HTMLFormElement): void {
  try {
    localStorage.removeItem(wordsKey(form));
  } catch {
    // Nothing was kept.
  }
}

/** A random UUID; older phones have no `crypto.randomUUID`. */
export function newKey(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  bytes[6] = (bytes[6]! & 0x0f) | 0x40;
  bytes[8] = (bytes[8]! & 0x3f) | 0x80;
  const hex = [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join('-');
}
