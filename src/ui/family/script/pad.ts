import { filled, made, type PadData } from './page';
import { call, click } from './speak';

/** Boxes of the form into which a pad writes its counts; they can be typed in as well. */
export interface Boxes {
  read(name: string): number | null;
  write(name: string, count: number): void;
}

interface Pad {
  /** Draws what the boxes say now. */
  redraw(): void;
  /** Stops clocks. */
  leave(): void;
}

type Words = Readonly<Record<string, string>>;

/** The pad that suits how a step is counted, drawn into a place of the page. */
export function padFor(pad: PadData, place: HTMLElement, boxes: Boxes, words: Words, clockKey: string): Pad {
  place.replaceChildren();
  switch (pad.kind) {
    case 'time':
      return clockPad(pad, place, boxes, words, clockKey);
    case 'untilDone':
      return listPad(pad, place, boxes, words);
    case 'watch':
      return tallyPad(pad, place, boxes, words);
    default:
      return countPad(pad, place, boxes, words);
  }
}

const total = (pad: PadData, boxes: Boxes) => pad.boxes.reduce((sum, { name }) => sum + (boxes.read(name) ?? 0), 0);
const asked = (pad: PadData) => pad.boxes.reduce((sum, { target }) => sum + (target ?? 0), 0);

/**
 * Returns whose turn it is: in mixed order as the caller says, else one hand to its end, then the other. Counts typed in between
 * are included, so the turn is calculated from the counts alone.
 */
export function turnOf(pad: PadData, counts: readonly number[], isMixed: boolean): number {
  const open = pad.boxes.map(({ target }, index) => counts[index]! < (target ?? 0));
  if (!open.includes(true)) return pad.boxes.length - 1;
  if (isMixed) {
    const left = [...counts];
    for (const index of Array.from({ length: pad.rounds }, () => pad.mixed).flat()) {
      if (left[index]! > 0) left[index]! -= 1;
      else if (open[index]) return index;
    }
  }
  // Round by round: each hand does its share of a round before the next round begins.
  const shares = pad.boxes.map(({ target }) => (target ?? 0) / pad.rounds);
  for (let round = 1; round <= pad.rounds; round += 1) {
    const index = counts.findIndex((count, place) => open[place] && count < shares[place]! * round);
    if (index >= 0) return index;
  }
  return open.indexOf(true);
}

/** How many rounds are whole. */
export function roundsDone(pad: PadData, counts: readonly number[]): number {
  return Math.min(...pad.boxes.map(({ target }, index) => (target ? Math.floor((counts[index]! * pad.rounds) / target + 1e-9) : 0)));
}

function countPad(pad: PadData, place: HTMLElement, boxes: Boxes, words: Words): Pad {
  let isMixed = false;
  let lastTapped: number | null = null;
  let resting: ReturnType<typeof setInterval> | undefined;
  let holding: ReturnType<typeof setInterval> | undefined;
  const number = made('span', { className: 'pad-number' });
  const of = made('span', { className: 'pad-of' });
  const whose = made('span', { className: 'pad-whose' });
  const hint = made('span', { className: 'pad-hint' });
  const tap = made('button', { type: 'button', className: 'pad' }, number, ' ', of, whose, hint);
  const dots = made('p', { className: 'pad-dots' });
  const round = made('p', { className: 'pad-round' });
  const rest = made('div', { className: 'pad-rest', hidden: true });
  const status = made('p', { className: 'sr-only' });
  status.setAttribute('role', 'status');
  const less = made('button', { type: 'button', className: 'pad-small' }, words.tapUndo!);
  const whole = made('button', { type: 'button', className: 'pad-small' }, filled(words.allTold, { count: asked(pad) }));
  const mixed = made('button', { type: 'button', className: 'pad-small' }, words.mixed!);
  const counts = () => pad.boxes.map(({ name }) => boxes.read(name) ?? 0);

  const redraw = () => {
    const now = counts();
    const index = turnOf(pad, now, isMixed);
    const box = pad.boxes[index]!;
    number.textContent = String(now[index]);
    of.textContent = filled(words.ofTarget, { target: box.target ?? 0 });
    const isNext = lastTapped !== null && lastTapped !== index && pad.boxes.length > 1;
    whose.textContent = isNext ? `${words.swap}: ${box.label}` : box.label;
    tap.dataset.box = box.name;
    hint.textContent = pad.kind === 'hold' ? filled(words.holdHint, { seconds: pad.holdSeconds }) : words.tapHint!;
    dots.textContent =
      box.target !== null && box.target <= 20
        ? '●'.repeat(Math.min(now[index]!, box.target)) + '○'.repeat(Math.max(0, box.target - now[index]!))
        : '';
    dots.setAttribute('aria-hidden', 'true');
    const done = roundsDone(pad, now);
    round.textContent = pad.rounds > 1 ? filled(words.round, { round: Math.min(done + 1, pad.rounds), rounds: pad.rounds }) : '';
    less.disabled = total(pad, boxes) === 0;
    mixed.setAttribute('aria-pressed', String(isMixed));
  };
  const endRest = () => {
    clearInterval(resting);
    rest.hidden = true;
  };
  const beginRest = () => {
    const until = Date.now() + pad.restSeconds * 1000;
    const left = made('p', { className: 'pad-number' });
    const on = made('button', { type: 'button', className: 'press' }, words.goOn!);
    on.addEventListener('click', endRest);
    rest.replaceChildren(made('p', {}, words.rest!), left, on);
    rest.hidden = false;
    const tick = () => {
      const seconds = Math.ceil((until - Date.now()) / 1000);
      left.textContent = String(Math.max(0, seconds));
      if (seconds <= 0) endRest();
    };
    tick();
    resting = setInterval(tick, 250);
  };
  const add = (index: number, by: number) => {
    const before = roundsDone(pad, counts());
    const { name, label, target } = pad.boxes[index]!;
    const count = Math.max(0, (boxes.read(name) ?? 0) + by);
    boxes.write(name, count);
    lastTapped = index;
    if (by > 0) call(String(count));
    redraw();
    const next = pad.boxes[turnOf(pad, counts(), isMixed)]!;
    const turns = next.name !== name ? ` ${words.swap}: ${next.label}.` : '';
    status.textContent = `${label}: ${count} ${filled(words.ofTarget, { target: target ?? 0 })}.${turns}`;
    const done = roundsDone(pad, counts());
    if (by > 0 && done > before && done < pad.rounds && pad.restSeconds > 0) beginRest();
  };
  const hold = (index: number) => {
    if (holding) return;
    const until = Date.now() + pad.holdSeconds * 1000;
    const tick = () => {
      const seconds = Math.ceil((until - Date.now()) / 1000);
      hint.textContent = filled(words.holdNow, { seconds: Math.max(0, seconds) });
      if (seconds > 0) return;
      clearInterval(holding);
      holding = undefined;
      click(1320, 0.2);
      add(index, 1);
    };
    holding = setInterval(tick, 200);
    tick();
  };
  tap.addEventListener('click', () => {
    const index = turnOf(pad, counts(), isMixed);
    if (pad.kind === 'hold' && pad.holdSeconds > 0) hold(index);
    else add(index, 1);
  });
  less.addEventListener('click', () => {
    const now = counts();
    const index = lastTapped !== null && now[lastTapped]! > 0 ? lastTapped : now.findIndex((count) => count > 0);
    if (index >= 0) add(index, -1);
  });
  whole.addEventListener('click', () => {
    for (const { name, target } of pad.boxes) boxes.write(name, target ?? 0);
    redraw();
    status.textContent = whole.textContent;
  });
  mixed.addEventListener('click', () => {
    isMixed = !isMixed;
    redraw();
  });
  const small = made('p', { className: 'pad-smalls' }, less, whole, ...(pad.mixed.length > 0 ? [mixed] : []));
  place.append(round, tap, dots, rest, small, status);
  redraw();
  return {
    redraw,
    leave: () => {
      endRest();
      clearInterval(holding);
    },
  };
}

/** State of a clock, stored by wall time: a locked screen, a call or a reload take nothing from it. */
interface Clock {
  readonly before: number;
  readonly since: number | null;
}

/** Minutes after which a clock stops where no time is asked for. Our own choice. */
const MOST_MINUTES = 60;

function clockPad(pad: PadData, place: HTMLElement, boxes: Boxes, words: Words, key: string): Pad {
  const box = pad.boxes[0]!;
  const read = (): Clock => {
    try {
      return JSON.parse(localStorage.getItem(key) ?? '') as Clock;
    } catch {
      return { before: (boxes.read(box.name) ?? 0) * 60_000, since: null };
    }
  };
  let clock = read();
  const store = () => {
    try {
      localStorage.setItem(key, JSON.stringify(clock));
    } catch {
      // Kept in memory alone.
    }
  };
  /** A clock that was left running tells of no practice: it stands at twice what was asked. */
  const most = 2 * Math.max(1, box.target ?? MOST_MINUTES / 2) * 60_000;
  const passed = () => Math.min(most, clock.before + (clock.since === null ? 0 : Date.now() - clock.since));
  const face = made('span', { className: 'pad-number' });
  const of = made('span', { className: 'pad-of' }, filled(words.ofTarget, { target: box.target ?? 0 }));
  const doing = made('span', { className: 'pad-whose' });
  const tap = made('button', { type: 'button', className: 'pad' }, face, ' ', of, doing);
  const status = made('p', { className: 'pad-round' });
  status.setAttribute('role', 'status');
  const redraw = () => {
    const seconds = Math.floor(passed() / 1000);
    face.textContent = `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
    doing.textContent = clock.since === null ? words.startClock! : words.pauseClock!;
  };
  /** Minutes are told in halves. */
  const tell = () => boxes.write(box.name, Math.round(passed() / 30_000) / 2);
  const tick = () => {
    if (clock.since !== null && passed() >= most) {
      clock = { before: most, since: null };
      store();
      tell();
      status.textContent = words.clockLong!;
    }
    redraw();
    if (clock.since === null || box.target === null || passed() < box.target * 60_000 || status.textContent) return;
    status.textContent = words.clockDone!;
    click(1320, 0.4);
    tell();
  };
  tap.addEventListener('click', () => {
    clock = clock.since === null ? { ...clock, since: Date.now() } : { before: passed(), since: null };
    store();
    if (clock.since === null) tell();
    redraw();
  });
  place.append(tap, status);
  redraw();
  const ticking = setInterval(tick, 500);
  return {
    redraw: () => {
      // Typed in: the clock follows.
      if (clock.since === null) clock = { before: (boxes.read(box.name) ?? 0) * 60_000, since: null };
      redraw();
    },
    leave: () => {
      clearInterval(ticking);
      if (clock.since !== null) tell();
    },
  };
}

function listPad(pad: PadData, place: HTMLElement, boxes: Boxes, words: Words): Pad {
  const box = pad.boxes[0]!;
  const ticks = Array.from({ length: box.target ?? 0 }, (_, index) => {
    const tick = made('input', { type: 'checkbox' });
    tick.addEventListener('change', () => {
      const count = ticks.filter(({ checked }) => checked).length;
      boxes.write(box.name, count);
      if (tick.checked) call(String(count));
    });
    tick.setAttribute('aria-label', `${box.label} ${index + 1}`);
    return tick;
  });
  const list = made(
    'p',
    { className: 'pad-list' },
    ...ticks.map((tick, index) => made('label', { className: 'pad-tick' }, tick, String(index + 1))),
  );
  const whole = made('button', { type: 'button', className: 'pad-small' }, filled(words.allTold, { count: box.target ?? 0 }));
  const redraw = () => {
    const count = boxes.read(box.name) ?? 0;
    if (ticks.filter(({ checked }) => checked).length !== count) ticks.forEach((tick, index) => (tick.checked = index < count));
  };
  whole.addEventListener('click', () => {
    boxes.write(box.name, box.target ?? 0);
    redraw();
  });
  place.append(made('p', { className: 'pad-round' }, words.crossOff!), list, made('p', { className: 'pad-smalls' }, whole));
  redraw();
  return { redraw, leave: () => {} };
}

/** Nothing is asked for: each of its fields can be tapped at any time. */
function tallyPad(pad: PadData, place: HTMLElement, boxes: Boxes, words: Words): Pad {
  const status = made('p', { className: 'sr-only' });
  status.setAttribute('role', 'status');
  let last = pad.boxes[0]!;
  const numbers = pad.boxes.map(() => made('span', { className: 'pad-number' }));
  const redraw = () => pad.boxes.forEach(({ name }, index) => (numbers[index]!.textContent = String(boxes.read(name) ?? 0)));
  const taps = pad.boxes.map((box, index) => {
    const tap = made('button', { type: 'button', className: 'pad' }, numbers[index]!, made('span', { className: 'pad-whose' }, box.label));
    tap.dataset.box = box.name;
    tap.addEventListener('click', () => {
      boxes.write(box.name, (boxes.read(box.name) ?? 0) + 1);
      last = box;
      redraw();
      status.textContent = `${box.label}: ${boxes.read(box.name)}`;
    });
    return tap;
  });
  const less = made('button', { type: 'button', className: 'pad-small' }, words.tapUndo!);
  less.addEventListener('click', () => {
    boxes.write(last.name, Math.max(0, (boxes.read(last.name) ?? 0) - 1));
    redraw();
  });
  place.append(made('div', { className: 'pad-pair' }, ...taps), made('p', { className: 'pad-smalls' }, less), status);
  redraw();
  return { redraw, leave: () => {} };
}
