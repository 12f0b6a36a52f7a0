import { drop, fieldOf, keep, keptReports, sendKept, type KeptReport, type Sending } from '../outbox/outboxStore';
import { sendLater } from '../offline/keptPages';
import { wentOut } from './outbox';
import { isScripted, made, one, type PageData } from './page';

const SLIP_MILLISECONDS = 60_000;

/**
 * What *Something hurt* sends. The fixed words above it are there at the touch, by the address alone: without scripts and
 * without network. With scripts the touch itself is told at once (and kept till it is), so that the task stays closed; for a
 * minute, and while nothing was told, it can be called a slip.
 */
export async function hurtForm({ link, words }: PageData): Promise<void> {
  const form = one<HTMLFormElement>('#hurt form');
  if (!form) return;
  const address = form.getAttribute('action')!;
  const status = made('p', { className: 'mt-3 font-bold' });
  status.setAttribute('role', 'status');
  const slip = made('button', { type: 'button', className: 'press mt-2.5', hidden: true }, words.hurtSlip!);
  const plainSlip = one('[data-slip]', form);
  plainSlip?.remove();
  form.append(status, slip);
  let isPressed = false;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const say = (sent: Sending) => (status.textContent = sent.kind === 'taken' ? words.hurtSent! : words.hurtKept!);
  const send = async (more: readonly (readonly [string, string])[]): Promise<Sending> => {
    const fields = [...new FormData(form)].map(([name, value]): [string, string] => [name, String(value)]);
    const report: KeptReport = { address, fields: [...fields, ...more] };
    await keep(report);
    const sent = await sendKept(report);
    if (sent.kind === 'taken') {
      await drop(report);
      wentOut(link, report);
    } else void sendLater(link);
    return sent;
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
    slip.hidden = false;
    timer = setTimeout(() => (slip.hidden = true), SLIP_MILLISECONDS);
    say(await send([['press', 'pressed']]));
  };
  form.addEventListener('submit', (event) => {
    if (!isScripted()) return;
    event.preventDefault();
    clearTimeout(timer);
    slip.hidden = true;
    void send([]).then((sent) => (sent.kind === 'taken' ? location.assign(sent.next) : say(sent)));
  });
  slip.addEventListener('click', () => {
    slip.hidden = true;
    void send([['press', 'mistake']]).then((sent) => {
      isPressed = false;
      location.hash = 'do';
      // Drawn anew the page has a key of its own for what may come next; with no network it is given one here.
      if (sent.kind === 'taken') return location.reload();
      one<HTMLInputElement>('[name=idempotencyKey]', form)!.value = newKey();
      status.textContent = '';
    });
  });
  window.addEventListener('hashchange', () => void press());
  // What was pressed here and has not gone out yet keeps the task closed on this phone.
  if (waits) location.replace('#hurt');
  await press();
}

/** A random UUID; older phones have no `crypto.randomUUID`. */
export function newKey(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  bytes[6] = (bytes[6]! & 0x0f) | 0x40;
  bytes[8] = (bytes[8]! & 0x3f) | 0x80;
  const hex = [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join('-');
}
