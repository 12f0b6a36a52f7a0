interface Props {
  readonly done: number;
  readonly of: number;
  readonly stop: () => void;
}

/** How far a long job has come, child by child, and the way to stop it. */
export function JobProgress({ done, of, stop }: Props) {
  return (
    <p className="flex items-center gap-4">
      <progress value={done} max={Math.max(1, of)} className="w-[280px] accent-green" aria-label="Students done" />
      {done} of {of}
      <button type="button" className="link" onClick={stop}>
        Stop
      </button>
    </p>
  );
}
