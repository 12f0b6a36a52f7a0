import { all } from './page';

const KEY = 'yard-count-along';
export const WAYS_ALONG = ['off', 'voice', 'click'] as const;
export type Along = (typeof WAYS_ALONG)[number];

/** Whether counts are called out, and how; off till somebody wishes it. */
export function along(): Along {
  try {
    return WAYS_ALONG.find((way) => way === localStorage.getItem(KEY)) ?? 'off';
  } catch {
    return 'off';
  }
}

export function countAlong(way: Along): void {
  try {
    localStorage.setItem(KEY, way);
  } catch {
    // Asked again next time.
  }
}

/** Says a count, or clicks; silent where the phone can do neither. */
export function call(words: string): void {
  const way = along();
  if (way === 'voice') say(words);
  if (way === 'click') click();
}

export const canSpeak = () => 'speechSynthesis' in window && 'SpeechSynthesisUtterance' in window;

export function say(words: string): void {
  if (!canSpeak()) return;
  speechSynthesis.cancel();
  const said = new SpeechSynthesisUtterance(words);
  said.lang = document.documentElement.lang;
  speechSynthesis.speak(said);
}

let audio: AudioContext | undefined;

/** A short click made here: no sound is fetched. */
export function click(hertz = 880, seconds = 0.06): void {
  try {
    audio ??= new AudioContext();
    const tone = audio.createOscillator();
    const gain = audio.createGain();
    tone.frequency.value = hertz;
    gain.gain.setValueAtTime(0.2, audio.currentTime);
    gain.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + seconds);
    tone.connect(gain).connect(audio.destination);
    tone.start();
    tone.stop(audio.currentTime + seconds);
  } catch {
    // A phone that makes no sound still counts.
  }
}

/** The buttons that read a part of the page aloud: only where the phone can. */
export function readAloud(): void {
  for (const button of all<HTMLButtonElement>('[data-reads]')) {
    button.hidden = !canSpeak();
    button.addEventListener('click', () => {
      const part = document.getElementById(button.dataset.reads!);
      say((part?.innerText ?? '').trim());
    });
  }
}
