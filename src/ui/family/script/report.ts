import { draftOf, deleteDraft, fillIn, storeDraft, saysSomething, type Draft } from '../report/draftStore';
import { drop, isUnkept, keep, sendKept, type KeptReport, type Sending } from '../outbox/outboxStore';
import { sendLater } from '../offline/keptPages';
import { loadDangerReader, mayBeHarm } from './dangerReader';
import { newKey } from './hurt';
import { wentOut } from './outbox';
import { padFor, type Boxes } from './pad';
import { all, filled, isScripted, made, one, serverNow, type PageData } from './page';
import { goTo, showScreens } from './screens';

const COUNTED = ['left', 'right', 'amount'] as const;
const FREE_WORDS = new Set(['words', 'saidBy']);
type Why = 'tooHard' | 'tooEasy';

const todayOf = (page: PageData) => new Intl.DateTimeFormat('en-CA', { timeZone: page.timeZone }).format(serverNow(page));

/**
 * A plain form that also sends by script: kept on the phone first, so that no network and a closed phone lose nothing. What was counted
 * and chosen stays too, at every touch, through another step, a reload or a call, until it is sent or the day is over.
 */
export function reportForm(page: PageData): void {
  const form = one<HTMLFormElement>('#report');
  if (form && page.task) new ReportForm(page, page.task, form).begin();
}

class ReportForm {
  private step: number;
  /** Elements of each step, whether shown or not. */
  private readonly parts = new Map<number, HTMLElement[]>();
  private readonly action: string;
  /** Keys of the reports, made here: a page that is opened again, or was stored for days, never overwrites an earlier report. */
  private readonly keys = new Map<number, string>();
  /** Storage key of the counts: yesterday's count is not today's. */
  private readonly place: string;
  private readonly drawn = new Set<number>();
  private pad: ReturnType<typeof padFor> | null = null;
  private pressed: HTMLButtonElement | null = null;
  private state: 'open' | 'sending' | 'askDay' | 'gone' = 'open';

  constructor(
    private readonly page: PageData,
    private readonly task: NonNullable<PageData['task']>,
    private readonly form: HTMLFormElement,
  ) {
    this.step = task.step;
    this.action = form.getAttribute('action')!;
    this.place = [task.versionTaskId, task.otherDay].filter(Boolean).join(':');
    for (const { step } of task.steps) {
      this.keys.set(step, newKey());
      const template = one<HTMLElement>(`#step-${step}`) as HTMLTemplateElement | null;
      this.parts.set(step, all('[data-part]', step === task.step ? document : template!.content));
    }
  }

  begin(): void {
    const found = draftOf(this.action, this.place);
    const draft = found?.day === this.page.day ? found : null;
    this.useKey();
    if (draft) this.fill(draft);
    else if (found && saysSomething(found)) this.offer(found);
    this.drawPad();
    void loadDangerReader(this.page);
    window.addEventListener('beforeunload', (event) => isUnkept() && event.preventDefault());
    for (const kind of ['input', 'change', 'click'] as const) this.form.addEventListener(kind, () => setTimeout(() => this.keepNow(), 0));
    this.form.addEventListener(
      'input',
      (event) => COUNTED.some((name) => name === (event.target as HTMLInputElement).name) && this.pad?.redraw(),
    );
    document.addEventListener('click', (event) => this.touched(event));
    this.form.addEventListener('submit', (event) => {
      if (!isScripted()) return;
      event.preventDefault();
      this.pressed = ((event as SubmitEvent).submitter as HTMLButtonElement | null) ?? this.pressed;
      // The key of the keyboard, in the middle of it: on to how it was.
      if (document.body.dataset.screen !== 'how' && this.pressed?.dataset.byKey !== undefined) return goTo('how');
      this.send().catch(() => this.form.submit());
    });
    const isChange = one<HTMLInputElement>('[name=corrects]', this.form)!.value !== '';
    showScreens(draft || isChange ? 'do' : 'ready', (screen) => {
      if (screen === 'how') this.pad?.leave();
      if (screen === 'do') this.drawPad();
    });
    document.addEventListener('visibilitychange', () => this.keepNow());
  }

  private fill(draft: Draft): void {
    for (const [step, counts] of Object.entries(draft.counts))
      for (const [name, count] of Object.entries(counts)) this.write(Number(step), name, count);
    fillIn(this.form, draft);
    if (draft.step !== this.step && this.parts.has(draft.step)) this.show(draft.step);
  }

  /** Offers counts or comments of another day that were never sent: not discarded, and not counted as today's. */
  private offer(draft: Draft): void {
    const { words, locale } = this.page;
    const day = new Intl.DateTimeFormat(locale, { weekday: 'long', month: 'long', day: 'numeric', timeZone: 'UTC' }).format(
      new Date(`${draft.day}T12:00:00Z`),
    );
    const take = made('button', { type: 'button', className: 'press mt-2' }, words.draftTake!);
    const leave = made('button', { type: 'button', className: 'press mt-2' }, words.draftDrop!);
    const ask = made(
      'div',
      { className: 'watch mt-3' },
      made('p', { className: 'font-bold' }, filled(words.draftFound, { day })),
      take,
      leave,
    );
    ask.setAttribute('role', 'status');
    take.addEventListener('click', () => {
      this.fill(draft);
      const when = one<HTMLInputElement>('[name=doneOn]', this.form);
      if (when) when.value = draft.day;
      this.drawPad();
      ask.remove();
      this.keepNow();
      goTo('do');
    });
    leave.addEventListener('click', () => {
      deleteDraft(this.action, this.place);
      ask.remove();
    });
    this.form.prepend(ask);
  }

  private useKey(): void {
    one<HTMLInputElement>('[name=idempotencyKey]', this.form)!.value = this.keys.get(this.step)!;
  }

  private touched(event: Event): void {
    const target = event.target as Element;
    const button = target.closest('button');
    if (button && this.form.contains(button) && button.type === 'submit') this.pressed = button;
    const swap = target.closest<HTMLElement>('[data-swap]');
    if (!swap) return;
    event.preventDefault();
    this.swap(swap.dataset.swap as Why);
  }

  private keepNow(): void {
    if (this.state === 'gone') return;
    const counts = Object.fromEntries([...this.parts.keys()].map((step) => [step, this.countsAt(step)]));
    storeDraft(this.action, this.place, { day: this.page.day, step: this.step, counts }, this.form);
  }

  private box(step: number, name: string): HTMLInputElement | null {
    return (
      this.parts
        .get(step)
        ?.reduce<HTMLInputElement | null>((found, part) => found ?? one<HTMLInputElement>(`input[name=${name}]`, part), null) ?? null
    );
  }

  private countsAt(step: number): Record<string, string> {
    return Object.fromEntries(
      COUNTED.flatMap((name) => {
        const value = this.box(step, name)?.value ?? '';
        return value === '' ? [] : [[name, value]];
      }),
    );
  }

  private write(step: number, name: string, count: string): void {
    const box = this.box(step, name);
    if (box) box.value = count;
  }

  private drawPad(): void {
    this.pad?.leave();
    const place = this.parts.get(this.step)!.reduce<HTMLElement | null>((found, part) => found ?? one('[data-pad]', part), null);
    const data = this.task.steps.find(({ step }) => step === this.step);
    if (!place || !data) return;
    // The pad counts; who would rather type opens the boxes.
    if (!this.drawn.has(this.step)) place.parentElement!.querySelector<HTMLDetailsElement>('.typed')!.open = false;
    this.drawn.add(this.step);
    const boxes: Boxes = {
      read: (name) => {
        const value = this.box(this.step, name)?.value.replace(',', '.') ?? '';
        return value === '' || Number.isNaN(Number(value)) ? null : Number(value);
      },
      write: (name, count) => {
        this.write(this.step, name, String(count));
        this.keepNow();
      },
    };
    this.pad = padFor(data.pad, place, boxes, this.page.words, `yard-clock:${this.action}:${this.place}:${this.page.day}:${this.step}`);
  }

  /** Too hard or too easy, in place: to the next step that the therapist left open; what was counted here stays with its step. */
  private swap(why: Why): void {
    const at = this.task.steps.findIndex(({ step }) => step === this.step);
    const next = this.task.steps[at + (why === 'tooHard' ? -1 : 1)];
    const told = one<HTMLElement>('[data-swapped]')!;
    if (!next) {
      told.textContent = why === 'tooHard' ? this.page.words.useful! : this.page.words.hardest!;
      const felt = one<HTMLInputElement>(`[name=effort][value=${why}]`, this.form);
      if (felt) felt.checked = true;
      if (why === 'tooHard') goTo('how');
      return this.keepNow();
    }
    this.pad?.leave();
    this.show(next.step);
    told.textContent = filled(this.page.words.swapped, { step: next.step });
    this.drawPad();
    this.keepNow();
  }

  private show(step: number): void {
    const now = this.parts.get(this.step)!;
    const then = this.parts.get(step)!;
    now.forEach((part, index) => part.replaceWith(then[index]!));
    this.step = step;
    one<HTMLInputElement>('[name=step]', this.form)!.value = String(step);
    this.useKey();
    for (const place of all('[data-step-shown]')) place.textContent = String(step);
  }

  private async send(): Promise<void> {
    if (this.state === 'sending') return;
    this.pad?.leave();
    const now = todayOf(this.page);
    const told = new FormData(this.form).get('doneOn');
    // Left open over night: whose day it was is asked, not guessed.
    if (now !== this.page.day && told === this.page.day && this.state !== 'askDay') return this.askDay(now);
    await this.sendNow();
  }

  private askDay(now: string): void {
    this.state = 'askDay';
    const { words } = this.page;
    const thatDay = made('button', { className: 'press mt-2' }, words.onDay!);
    const today = made('button', { type: 'button', className: 'press mt-2' }, words.todayInstead!);
    const ask = made('div', { className: 'watch mt-2' }, made('p', { className: 'font-bold' }, words.whichDay!), thatDay, today);
    ask.setAttribute('role', 'alert');
    const pressed = this.pressed;
    thatDay.addEventListener('click', (event) => {
      event.preventDefault();
      this.pressed = pressed;
      void this.sendNow();
    });
    today.addEventListener('click', () => {
      this.pressed = pressed;
      void this.sendNow(now);
    });
    one('[data-asks]', this.form)!.replaceChildren(ask);
  }

  private fields(doneOn?: string): [string, string][] {
    const fields = [...new FormData(this.form)].map(([name, value]): [string, string] => [
      name,
      name === 'doneOn' && doneOn ? doneOn : String(value),
    ]);
    return this.pressed?.name ? [...fields, [this.pressed.name, this.pressed.value]] : fields;
  }

  /** Builds a report for each step that was left with counts, with how it felt. */
  private ofStepsLeft(fields: readonly (readonly [string, string])[]): KeptReport[] {
    const isChange = fields.some(([name, value]) => name === 'corrects' && value !== '');
    if (isChange) return [];
    const shared = fields.filter(([name]) => ['lang', 'versionTaskId', 'doneOn', 'saidBy'].includes(name));
    return this.task.steps.flatMap(({ step }) => {
      const key = this.keys.get(step)!;
      const counts = Object.entries(step === this.step ? {} : this.countsAt(step)).filter(
        ([, count]) => Number(count.replace(',', '.')) > 0,
      );
      // It was left for the one that is told of now: for an easier one, or for a harder.
      const why: Why = step > this.step ? 'tooHard' : 'tooEasy';
      if (counts.length === 0) return [];
      const own: [string, string][] = [['idempotencyKey', key], ['step', String(step)], ['done', 'yes'], ['effort', why], ...counts];
      return [{ address: this.action, family: this.page.family, fields: [...shared, ...own] }];
    });
  }

  private async sendNow(doneOn?: string): Promise<void> {
    const fields = this.fields(doneOn);
    const report: KeptReport = { address: this.action, family: this.page.family, fields };
    this.say('sending');
    const before = this.ofStepsLeft(fields);
    for (const each of before) await keep(each);
    const isKept = await keep(report);
    this.state = 'gone';
    for (const each of before) await this.sent(each);
    const sent = await this.sent(report);
    const isToMend = sent.kind === 'refused' && Object.keys(sent.fields).length > 0;
    if (isToMend) {
      this.state = 'open';
      return this.mend(sent);
    }
    deleteDraft(this.action, this.place);
    if (sent.kind === 'kept') void sendLater(this.page.link);
    if (sent.kind === 'taken' && !/said=(?:saved|repeated)/.test(sent.next)) return location.assign(sent.next);
    // The server reads the words, too, once they reach it; till then nobody else does.
    const free = fields.flatMap(([name, value]) => (FREE_WORDS.has(name) ? [value] : []));
    if (sent.kind === 'kept' && (await mayBeHarm(this.page, free))) return void (location.hash = '#hurt');
    this.end(sent, fields, isKept);
  }

  private async sent(report: KeptReport): Promise<Sending> {
    const sent = await sendKept(report);
    const isToMend = sent.kind === 'refused' && Object.keys(sent.fields).length > 0;
    // A refused report can still be corrected here; where it cannot (the link is closed), it stays stored.
    if (sent.kind === 'taken' || isToMend) await drop(report);
    if (sent.kind === 'taken') wentOut(this.page.link, report);
    if (sent.kind === 'refused' && !isToMend) await keep({ ...report, refused: sent.words, isClosed: sent.isClosed });
    return sent;
  }

  private say(state: 'sending' | 'open'): void {
    this.state = state;
    one('[data-sending]', this.form)!.textContent = state === 'sending' ? this.page.words.sending! : '';
    for (const button of all<HTMLButtonElement>('button', this.form)) button.disabled = state === 'sending';
  }

  private mend(wrong: Extract<Sending, { kind: 'refused' }>): void {
    this.say('open');
    for (const box of all('[data-field]', this.form)) {
      const isWrong = wrong.fields[box.dataset.field!] !== undefined;
      if (isWrong) {
        box.setAttribute('aria-invalid', 'true');
        box.setAttribute('aria-describedby', `wrong-${box.dataset.field}`);
      } else {
        box.removeAttribute('aria-invalid');
        box.removeAttribute('aria-describedby');
      }
    }
    const said = Object.entries(wrong.fields).map(([field, words]) => made('p', { id: `wrong-${field}` }, words));
    const alert = made('div', { className: 'wrong mt-3' }, wrong.words, ...said);
    alert.setAttribute('role', 'alert');
    alert.dataset.mend = '';
    one('[data-mend]')?.remove();
    const first = one(`[data-field="${Object.keys(wrong.fields)[0]}"]`, this.form);
    const screen = first?.closest<HTMLElement>('.screen') ?? one('#how')!;
    screen.prepend(alert);
    first?.closest('details')?.setAttribute('open', '');
    location.hash = screen.id;
    first?.focus();
  }

  /** Saved or kept, in place; what comes next stands below it. */
  private end(sent: Sending, fields: readonly (readonly [string, string])[], isKept: boolean): void {
    const { words } = this.page;
    const counted = fields
      .filter(([name, value]) => COUNTED.some((each) => each === name) && value !== '')
      .reduce((sum, [, value]) => sum + Number(value.replace(',', '.')), 0);
    const isDone = !fields.some(([name]) => name === 'notDone');
    const said = one('[data-said]')!;
    if (sent.kind === 'taken') {
      const thanks = isDone ? (sent.next.includes('repeated') ? words.repeated! : words.thanks!) : words.notTodayThanks!;
      said.replaceChildren(
        made('p', { className: 'said-green' }, thanks),
        isDone && counted > 0 ? filled(words.savedAmount, { count: counted }) : '',
      );
    } else
      said.replaceChildren(
        made(
          'p',
          { className: 'said-straw' },
          sent.kind === 'refused'
            ? sent.isClosed
              ? words.keptClosed!
              : filled(words.refused, { why: sent.words })
            : isKept
              ? words.kept!
              : words.notKept!,
        ),
      );
    goTo('saved');
  }
}
