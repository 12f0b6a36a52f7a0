import { useState } from 'react';
import { words } from '../../shared/words';
import { minutesInWords, type LibraryTask } from './draftEdits';

/** The library beside the program: one press places a task into its part. */
export function LibraryList({ library, placed, add }: { library: readonly LibraryTask[]; placed: readonly number[]; add: (task: LibraryTask) => void }) {
  const [search, setSearch] = useState('');
  const wanted = search.trim().toLowerCase();
  const found = library.filter(({ content }) => `${content.title.en} ${words(`skills.${content.skill}`)} ${content.materials.map((material) => material.name.en).join(' ')}`.toLowerCase().includes(wanted));
  return (
    <aside>
      <h2 className="text-[16px]">Tasks</h2>
      <input type="search" value={search} onChange={(event) => setSearch(event.target.value)} aria-label="Search the tasks" placeholder="Title, skill, material  /" data-key="/" data-key-says="Search the tasks" className="field mt-1 w-full" />
      <ul className="mt-2">
        {found.map((task) => {
          const isPlaced = placed.includes(task.taskVersionId);
          return (
            <li key={task.taskVersionId} className="border-b border-line py-2">
              <button type="button" disabled={isPlaced} onClick={() => add(task)} className="block w-full text-left enabled:hover:bg-green-tint disabled:text-soft">
                <span className="font-semibold">{task.content.title.en}</span> {isPlaced && <span>· placed</span>}
                <span className="block text-[14px] text-soft">
                  {words(`skills.${task.content.skill}`)} · {task.content.ladder.steps.length} steps · {minutesInWords(task.content)} · {task.content.ages.fromYears}–{task.content.ages.toYears} years
                </span>
              </button>
            </li>
          );
        })}
      </ul>
      {found.length === 0 && <p className="mt-2 text-soft">No task by that name.</p>}
    </aside>
  );
}
