import { useEffect, useRef, useState } from 'react';
import { CLIP_LIMITS } from '@/core/videos';

/** Small enough for a minute within the limit, clear enough for fingers. */
const BITS_A_SECOND = 1_500_000;
const COUNT_IN = 3;
const PICTURE = { width: { ideal: 1280 }, height: { ideal: 720 }, frameRate: { ideal: 25 }, facingMode: 'environment' };
/** The first that the browser can make. */
const TYPES = ['video/mp4;codecs=avc1.42E01F,mp4a.40.2', 'video/webm;codecs=vp9,opus', 'video/webm;codecs=vp8,opus', 'video/webm'];

export type RecorderState =
  | { readonly kind: 'off' }
  | { readonly kind: 'ready' }
  | { readonly kind: 'counting'; readonly count: number }
  | { readonly kind: 'recording'; readonly seconds: number }
  | { readonly kind: 'failed'; readonly why: 'refused' | 'none' | 'noRecorder' };

/**
 * Films by the machine's own camera: open it, count in, record for a minute at most. The camera is let go when the page is left.
 * @param onRecorded gets what was filmed
 */
export function useRecorder(onRecorded: (file: File) => void) {
  const [state, setState] = useState<RecorderState>({ kind: 'off' });
  const [stream, setStream] = useState<MediaStream | null>(null);
  const recorder = useRef<MediaRecorder | null>(null);
  const ticking = useRef<ReturnType<typeof setInterval> | undefined>(undefined);

  useEffect(() => () => stream?.getTracks().forEach((track) => track.stop()), [stream]);
  useEffect(() => () => clearInterval(ticking.current), []);

  const open = async () => {
    if (!('MediaRecorder' in window) || !navigator.mediaDevices) return setState({ kind: 'failed', why: 'noRecorder' });
    try {
      setStream(await navigator.mediaDevices.getUserMedia({ video: PICTURE, audio: true }));
      setState({ kind: 'ready' });
    } catch (error) {
      setState({ kind: 'failed', why: (error as DOMException).name === 'NotAllowedError' ? 'refused' : 'none' });
    }
  };

  const close = () => {
    clearInterval(ticking.current);
    setStream(null);
    setState({ kind: 'off' });
  };

  const start = () => {
    setState({ kind: 'counting', count: COUNT_IN });
    ticking.current = everyTenth((passed) => {
      if (passed < COUNT_IN) return setState({ kind: 'counting', count: COUNT_IN - Math.floor(passed) });
      clearInterval(ticking.current);
      record();
    });
  };

  const record = () => {
    const type = TYPES.find((each) => MediaRecorder.isTypeSupported(each)) ?? '';
    const made = new MediaRecorder(stream!, { ...(type && { mimeType: type }), videoBitsPerSecond: BITS_A_SECOND });
    const parts: Blob[] = [];
    recorder.current = made;
    made.ondataavailable = ({ data }) => parts.push(data);
    // How long it is, its own player tells: what is counted here is for who films.
    made.onstop = () => {
      close();
      onRecorded(new File(parts, 'clip', { type: made.mimeType }));
    };
    made.start();
    setState({ kind: 'recording', seconds: 0 });
    ticking.current = everyTenth((seconds) => {
      if (seconds >= CLIP_LIMITS.mostSeconds) stop();
      else setState({ kind: 'recording', seconds });
    });
  };

  const stop = () => {
    clearInterval(ticking.current);
    if (recorder.current?.state === 'recording') recorder.current.stop();
  };

  return { state, stream, open, close, start, stop };
}

/** Tells, ten times a second, how many seconds have passed. */
function everyTenth(onTick: (seconds: number) => void): ReturnType<typeof setInterval> {
  const begins = performance.now();
  return setInterval(() => onTick((performance.now() - begins) / 1000), 100);
}
