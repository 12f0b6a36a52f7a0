import { useEffect, useRef, useState } from 'react';
import type { LabAnswer, LabAsk } from './worker';

/** Made beside the pages by scripts/familyFiles.ts. */
const WORKER = '/lab/worker.js';

/** The lab's thread: one thing at a time, with how far it is, and stopped at once. */
export function useLab(onAnswer: (answer: LabAnswer) => void) {
  const [share, setShare] = useState<number | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const worker = useRef<Worker | null>(null);
  const end = () => {
    worker.current?.terminate();
    worker.current = null;
    setShare(null);
  };
  useEffect(() => () => worker.current?.terminate(), []);
  const ask = (options: LabAsk) => {
    end();
    setFault(null);
    setShare(0);
    const begun = new Worker(WORKER);
    worker.current = begun;
    begun.onmessage = ({ data }: MessageEvent<LabAnswer>) => {
      if (data.kind === 'progress') setShare(data.share);
      else if (data.kind === 'done') end();
      else onAnswer(data);
    };
    begun.onerror = () => {
      end();
      setFault('This browser could not calculate it.');
    };
    begun.postMessage(options);
  };
  return { share, fault, ask, stop: end };
}
