'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { KeyCap } from '../parts/KeyCap';

export type ImportAnswer =
  { readonly ok: true; readonly added: readonly string[] } | { readonly ok: false; readonly faults: readonly string[] };

export interface LibraryActsProps {
  readonly mayMake: boolean;
  readonly start: (title: string) => Promise<{ ok: true; slug: string } | { ok: false; words: string }>;
  readonly importPack: (text: string) => Promise<ImportAnswer>;
}

const MOST_FAULTS = 40;

/** A new task, and packs of tasks in and out as JSON. */
export function LibraryActs({ mayMake, start, importPack }: LibraryActsProps) {
  const [name, setName] = useState('');
  const [answer, setAnswer] = useState<ImportAnswer | null>(null);
  const router = useRouter();
  if (!mayMake) return null;
  const startNow = async () => {
    const started = await start(name);
    if (started.ok) router.push(`/tasks/${started.slug}`);
    else setAnswer({ ok: false, faults: [started.words] });
  };
  const take = async (file: File | undefined) => {
    if (!file) return;
    const imported = await importPack(await file.text());
    setAnswer(imported);
    if (imported.ok) router.refresh();
  };
  return (
    <div className="mt-2">
      <form
        className="flex flex-wrap items-center gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void startNow();
        }}
      >
        <label>
          <span className="sr-only">Name of a new task</span>
          <input
            value={name}
            maxLength={80}
            placeholder="Name of a new task  N"
            onChange={(event) => setName(event.target.value)}
            className="field w-[220px]"
            data-key="n"
            data-key-says="Create a task"
          />
        </label>
        <button type="submit" className="act" disabled={!name.trim()}>
          Start blank <KeyCap>↵</KeyCap>
        </button>
        <label className="link cursor-pointer text-[14px] focus-within:outline-3">
          Import a task pack
          <input
            type="file"
            accept="application/json,.json"
            className="sr-only"
            onChange={(event) => {
              void take(event.target.files?.[0]);
              event.target.value = '';
            }}
          />
        </label>
        <a href="/tasks/pack" className="link text-[14px]" download="my-tasks.json">
          Export my tasks
        </a>
        <a href="/tasks/schema" className="link text-[14px]">
          Schema of task packs
        </a>
      </form>
      {answer?.ok && (
        <p role="status" className="mt-2 text-green">
          Imported: {answer.added.join(', ')}.
        </p>
      )}
      {answer && !answer.ok && (
        <div role="alert" className="mt-2 border-l-4 border-brick bg-brick-tint px-3 py-2">
          <strong>Nothing was imported.</strong> {answer.faults.length > 1 && `${answer.faults.length} faults:`}
          <ul className="list-disc pl-5 text-[14px]">
            {answer.faults.slice(0, MOST_FAULTS).map((fault, index) => (
              <li key={index}>{fault}</li>
            ))}
          </ul>
          {answer.faults.length > MOST_FAULTS && <p>and {answer.faults.length - MOST_FAULTS} more.</p>}
        </div>
      )}
    </div>
  );
}
