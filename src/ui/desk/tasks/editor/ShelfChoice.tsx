import { useState } from 'react';
import type { TaskEditorProps } from './taskEditorProps';

const FOR = { everybody: 'everyone here', owner: 'me alone', nobody: 'no one: removed' } as const;

/** Chooses for whom one's own task is in the library. Sent programs keep it. */
export function ShelfChoice({ slug, shelf, setShelf }: { slug: string; shelf: keyof typeof FOR; setShelf: TaskEditorProps['setShelf'] }) {
  const [said, setSaid] = useState('');
  const choose = async (wanted: string) => {
    setSaid('Saving…');
    setSaid((await setShelf(slug, wanted)) ?? 'Saved. Programs that were sent keep it.');
  };
  return (
    <p className="mt-3 text-[14px]">
      <label>
        In the library for{' '}
        <select defaultValue={shelf} onChange={(event) => void choose(event.target.value)} className="field py-0">
          {Object.entries(FOR).map(([id, label]) => (
            <option key={id} value={id}>
              {label}
            </option>
          ))}
        </select>
      </label>{' '}
      <span role="status" className="text-soft">
        {said}
      </span>
    </p>
  );
}
