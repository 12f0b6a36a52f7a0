import { all, filled, made, one, type PageData } from './page';

/**
 * Clips that show how it is done. The browser's own controls would be turned over with the picture, and its captions, too: in their place
 * stand a button to play and one to turn, and what is said stands below the picture. The clip is fetched at the first touch alone, whole,
 * so that it stays on the phone for the time without network.
 */
export function shownClips(page: PageData): void {
  for (const box of all<HTMLElement>('[data-plays]')) takeOver(box, page);
}

type Says = readonly (readonly [number, string])[];

function takeOver(box: HTMLElement, { words }: PageData): void {
  const video = one<HTMLVideoElement>('video', box);
  if (!video) return;
  const { plays, says = '[]', size = '' } = box.dataset;
  const from = Number(box.dataset.from ?? 0);
  const until = Number(box.dataset.until ?? Infinity);
  const captions = JSON.parse(says) as Says;
  const whole = box.closest<HTMLElement>('[data-clip]');
  const label = filled(words.shownPlay, { size });
  const button = made('button', { type: 'button', className: 'press', textContent: label });
  const again = made('button', { type: 'button', className: 'press', textContent: words.shownAgain!, hidden: true });
  const turn = made('button', { type: 'button', className: 'press', textContent: words.shownTurn!, hidden: !('mirrors' in box.dataset) });
  const said = made('p', { className: 'shown-says' });
  const state = made('p', { className: 'text-soft' });
  state.setAttribute('role', 'status');
  turn.setAttribute('aria-pressed', String(whole?.dataset.turned !== undefined));
  one('track', video)?.remove();
  video.removeAttribute('src');
  video.controls = false;
  video.hidden = true;
  box.append(said, button, again, turn, state);

  const fetchOnce = async (): Promise<boolean> => {
    if (video.src) return true;
    button.disabled = true;
    const blob = await fetched(plays!, (percent) => (state.textContent = filled(words.shownComing, { percent }))).catch(() => null);
    button.disabled = false;
    state.textContent = blob ? '' : words.shownAway!;
    if (!blob) return false;
    video.src = URL.createObjectURL(blob);
    video.hidden = false;
    video.currentTime = from;
    return true;
  };
  const play = () =>
    video.play().catch(() => {
      // Another kind than this phone knows.
      state.textContent = words.shownCantPlay!;
      video.hidden = true;
    });
  button.addEventListener('click', async () => {
    if (!video.paused) return video.pause();
    if (!(await fetchOnce())) return;
    if (video.ended || video.currentTime >= until) video.currentTime = from;
    void play();
  });
  again.addEventListener('click', () => {
    video.currentTime = from;
    void play();
  });
  turn.addEventListener('click', () => {
    const isTurned = whole!.toggleAttribute('data-turned');
    turn.setAttribute('aria-pressed', String(isTurned));
  });
  const follow = () => {
    const now = video.currentTime - from;
    said.textContent = captions.filter(([at]) => at <= now).pop()?.[1] ?? '';
    if (video.currentTime >= until) video.pause();
  };
  video.addEventListener('timeupdate', follow);
  video.addEventListener('play', () => {
    button.textContent = words.shownPause!;
    again.hidden = false;
  });
  for (const event of ['pause', 'ended']) video.addEventListener(event, () => (button.textContent = label));
}

/** A file whole, told as it comes. @throws where it does not come */
async function fetched(address: string, onPercent: (percent: number) => void): Promise<Blob> {
  const answer = await fetch(address);
  if (!answer.ok || !answer.body) throw new Error(String(answer.status));
  const length = Number(answer.headers.get('content-length') ?? 0);
  const parts: BlobPart[] = [];
  const reader = answer.body.getReader();
  let bytes = 0;
  for (let read = await reader.read(); !read.done; read = await reader.read()) {
    parts.push(read.value);
    bytes += read.value.length;
    if (length > 0) onPercent(Math.min(100, Math.round((bytes / length) * 100)));
  }
  return new Blob(parts, { type: answer.headers.get('content-type') ?? '' });
}
