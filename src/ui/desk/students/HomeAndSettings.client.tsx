'use client';

import { useState } from 'react';
import { SETTING_CHOICES, type HomeMaterial, type TaskSettings } from '@/core/tasks';
import { SettingSelects } from '../parts/SettingSelects';

export type ChangeHome = (input: {
  childId: number;
  taskSettings: TaskSettings;
  materialsAtHome: readonly string[];
}) => Promise<string | null>;

interface Props {
  readonly childId: number;
  readonly settings: TaskSettings;
  readonly materialsAtHome: readonly string[];
  /** Everything that the library's tasks use. */
  readonly things: readonly HomeMaterial[];
  readonly change: ChangeHome;
}

/** Edits the home's things, and how this student's tasks are done where schools differ: both apply from the next program on. */
export function HomeAndSettings({ childId, settings, materialsAtHome, things, change }: Props) {
  const [chosen, setChosen] = useState(settings);
  const [home, setHome] = useState<readonly string[]>(materialsAtHome);
  const [said, setSaid] = useState('');
  const keep = async (next: { settings?: TaskSettings; home?: readonly string[] }) => {
    const taskSettings = next.settings ?? chosen;
    const atHome = next.home ?? home;
    setChosen(taskSettings);
    setHome(atHome);
    setSaid('Saving…');
    setSaid((await change({ childId, taskSettings, materialsAtHome: atHome })) ?? 'Saved. The next program will use it.');
  };
  const toggle = (id: string) => keep({ home: home.includes(id) ? home.filter((other) => other !== id) : [...home, id] });
  return (
    <>
      <span role="status">{said}</span>
      <div>
        <h2 className="text-[16px]">Ways of working</h2>
        <div className="flex flex-wrap items-end gap-3">
          <SettingSelects known={{}} ids={Object.keys(SETTING_CHOICES)} chosen={chosen} onChoose={(next) => keep({ settings: next })} />
        </div>
        <h2 className="mt-3 text-[16px]">Materials at home</h2>
        <div className="columns-2 gap-4">
          {things.map((thing) => (
            <label key={thing.id} className="flex min-h-[26px] break-inside-avoid items-center gap-1.5">
              <input
                type="checkbox"
                checked={home.includes(thing.id)}
                onChange={() => toggle(thing.id)}
                className="size-4 shrink-0 accent-green"
              />
              {thing.name.en}
            </label>
          ))}
        </div>
      </div>
    </>
  );
}
