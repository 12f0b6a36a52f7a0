import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { KeyCap } from '../../parts/KeyCap';

interface Props {
  readonly from: string;
  readonly title: string;
  readonly copy: (from: string, title: string) => Promise<{ ok: true; slug: string } | { ok: false; words: string }>;
}

/** Stock tasks stay as they are: a copy under a name of its own is what one changes. */
export function CopyTask({ from, title, copy }: Props) {
  const [name, setName] = useState(`${title}, our way`);
  const [fault, setFault] = useState<string | null>(null);
  const router = useRouter();
  return (
    <form
      className="flex flex-wrap items-center gap-2"
      onSubmit={async (event) => {
        event.preventDefault();
        const answer = await copy(from, name);
        if (answer.ok) router.push(`/tasks/${answer.slug}`);
        else setFault(answer.words);
      }}
    >
      <label>
        <span className="sr-only">Name of the copy</span>
        <input value={name} maxLength={80} onChange={(event) => setName(event.target.value)} className="field w-[260px]" />
      </label>
      <button type="submit" className="act act-main" data-key="c" data-key-says="Copy this task to change it">
        Copy to edit <KeyCap>C</KeyCap>
      </button>
      {fault && (
        <span role="alert" className="text-brick">
          {fault}
        </span>
      )}
    </form>
  );
}
