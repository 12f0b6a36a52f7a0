import type { Dispatch } from 'react';
import type { PlannedTask } from '@/core/programs';
import { skinsOf, type TaskSettings } from '@/core/tasks';
import type { Skin } from '@/core/vocabulary';
import { words } from '../../shared/deskWords';
import { SettingSelects } from '../parts/SettingSelects';
import type { DraftEdit, LibraryTask } from './draftEdits';

interface Props {
  readonly planned: PlannedTask;
  readonly task: LibraryTask;
  readonly index: number;
  readonly childSettings: TaskSettings;
  readonly edit: Dispatch<DraftEdit>;
}

/** Ways of working, and in which skin the task is told: what is not chosen follows the child, then the task. */
export function TaskChoiceFields({ planned, task, index, childSettings, edit }: Props) {
  const { content } = task;
  const skins = skinsOf(content);
  return (
    <details className="mt-1.5 text-[14px]">
      <summary className="link inline">Settings of this task for this student</summary>
      <div className="mt-1.5 flex flex-wrap items-end gap-x-3 gap-y-2">
        <SettingSelects
          known={{ ...content.settings, ...childSettings }}
          ids={[...Object.keys(content.settings), 'advancing']}
          chosen={planned.choices.settings ?? {}}
          onChoose={(settings) => edit({ kind: 'settings', index, task, settings, childSettings })}
        />
        {skins.length > 1 && (
          <label className="block">
            <span className="block text-[13px] font-semibold text-soft">Theme</span>
            <select
              value={planned.choices.skin ?? skins[0]}
              onChange={(event) => edit({ kind: 'choose', index, choices: { skin: event.target.value as Skin } })}
              className="field"
            >
              {skins.map((skin) => (
                <option key={skin} value={skin}>
                  {words(`skins.${skin}`)}: {skin === 'buildersYard' ? content.title.en : content.skins[skin]?.title.en}
                </option>
              ))}
            </select>
          </label>
        )}
      </div>
    </details>
  );
}
