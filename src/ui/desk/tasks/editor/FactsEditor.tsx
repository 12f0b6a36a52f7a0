import { PARTS, SKILLS, SKINS, type Skill } from '@/core/vocabulary';
import type { LocalText } from '@/core/text';
import { SETTING_CHOICES, type SettingId } from '@/core/tasks';
import { words } from '../../../shared/deskWords';
import { SettingSelects } from '../../parts/SettingSelects';
import type { EditorProps } from './editorProps';
import { FindingsAt, LocalField, NumberField, Small } from './parts';

/** Edits the task's name and story, the skills it practices, its part of a session, and its ages. */
export function FactsEditor({ task, findings, edit, fixed }: EditorProps) {
  return (
    <>
      <div className="mt-1.5 grid gap-1.5">
        <LocalField label="Title" value={task.title} fixed={fixed} onText={(value) => edit({ kind: 'set', path: ['title'], value })} />
        <LocalField
          label="Plain description"
          value={task.description ?? { en: '' }}
          fixed={fixed}
          onText={(value) => edit({ kind: 'set', path: ['description'], value: textOrNone(value) })}
        />
        <LocalField
          label="Story"
          value={task.story ?? { en: '' }}
          meter
          fixed={fixed}
          onText={(value) => edit({ kind: 'set', path: ['story'], value: textOrNone(value) })}
        />
      </div>
      <div className="mt-1.5 flex flex-wrap items-end gap-3">
        <SkillSelect
          label="Main skill"
          value={task.skill}
          fixed={fixed}
          onSkill={(value) => edit({ kind: 'set', path: ['skill'], value })}
        />
        <label className="block">
          <span className="block text-[13px] font-semibold text-soft">part of a session</span>
          <select
            value={task.part}
            disabled={fixed}
            className="field"
            onChange={(event) => edit({ kind: 'set', path: ['part'], value: event.target.value })}
          >
            {PARTS.map((part) => (
              <option key={part} value={part}>
                {words(`parts.${part}`)}
              </option>
            ))}
          </select>
        </label>
        <NumberField
          label="From age"
          value={task.ages.fromYears}
          least={2}
          most={12}
          fixed={fixed}
          onNumber={(value) => edit({ kind: 'set', path: ['ages', 'fromYears'], value })}
        />
        <NumberField
          label="To age"
          value={task.ages.toYears}
          least={2}
          most={12}
          fixed={fixed}
          onNumber={(value) => edit({ kind: 'set', path: ['ages', 'toYears'], value })}
        />
      </div>
      <p className="mt-1.5 flex flex-wrap items-center gap-x-3 text-[14px]">
        also practices:
        {task.otherSkills.map((skill, index) => (
          <span key={skill}>
            {words(`skills.${skill}`)}{' '}
            {!fixed && (
              <Small label={`remove ${words(`skills.${skill}`)}`} onPress={() => edit({ kind: 'removeAt', path: ['otherSkills'], index })}>
                ×
              </Small>
            )}
          </span>
        ))}
        {!fixed && task.otherSkills.length < 6 && (
          <select
            value=""
            aria-label="Add a skill"
            className="field py-0"
            onChange={(event) => edit({ kind: 'insert', path: ['otherSkills'], value: event.target.value as Skill })}
          >
            <option value="">Add…</option>
            {SKILLS.filter((skill) => skill !== task.skill && !task.otherSkills.includes(skill)).map((skill) => (
              <option key={skill} value={skill}>
                {words(`skills.${skill}`)}
              </option>
            ))}
          </select>
        )}
      </p>
      <FindingsAt findings={findings} path="ages" task={task} deep />
      <FindingsAt findings={findings} path="title" task={task} deep />
      <FindingsAt findings={findings} path="story" task={task} deep />
    </>
  );
}

function SkillSelect({ label, value, onSkill, fixed }: { label: string; value: Skill; onSkill: (skill: Skill) => void; fixed: boolean }) {
  return (
    <label className="block">
      <span className="block text-[13px] font-semibold text-soft">{label}</span>
      <select value={value} disabled={fixed} className="field" onChange={(event) => onSkill(event.target.value as Skill)}>
        {SKILLS.map((skill) => (
          <option key={skill} value={skill}>
            {words(`skills.${skill}`)}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Edits the settings on which schools of thought differ: this task's own, unless student or program override them. */
export function SettingsEditor({ task, edit, fixed }: Pick<EditorProps, 'task' | 'edit' | 'fixed'>) {
  const known = Object.keys(task.settings) as SettingId[];
  const free = (Object.keys(SETTING_CHOICES) as SettingId[]).filter((id) => !known.includes(id));
  return (
    <div className="mt-1.5 flex flex-wrap items-end gap-3">
      {fixed ? (
        <span className="text-[14px]">
          {known
            .map((id) => `${words(`settings.${id}.title`)}: ${words(`settings.${id}.${task.settings[id]}` as 'settings.helpBy.hand')}`)
            .join(' · ') || 'none'}
        </span>
      ) : (
        <>
          <SettingSelects
            known={{}}
            ids={known}
            chosen={task.settings}
            onChoose={(value) => edit({ kind: 'set', path: ['settings'], value })}
          />
          {free.length > 0 && (
            <select
              value=""
              aria-label="Add a setting"
              className="field"
              onChange={(event) =>
                edit({ kind: 'set', path: ['settings', event.target.value], value: SETTING_CHOICES[event.target.value as SettingId][0] })
              }
            >
              <option value="">Add a setting…</option>
              {free.map((id) => (
                <option key={id} value={id}>
                  {words(`settings.${id}.title`)}
                </option>
              ))}
            </select>
          )}
        </>
      )}
    </div>
  );
}

/** Other dresses of the same mechanics: the child's data goes on as one series. */
export function SkinsEditor({ task, findings, edit, fixed }: EditorProps) {
  return (
    <>
      {SKINS.slice(1).map((skin) => {
        const dress = task.skins[skin];
        if (!dress && fixed) return null;
        return (
          <div key={skin} className="mt-1.5">
            <h3 className="font-text text-[15px] font-bold">
              {words(`skins.${skin}`)}{' '}
              {!fixed && (
                <Small
                  onPress={() =>
                    edit({
                      kind: 'set',
                      path: ['skins', skin],
                      value: dress ? undefined : { title: task.title, story: task.story ?? { en: '' } },
                    })
                  }
                >
                  {dress ? 'Remove this theme' : 'Add this theme'}
                </Small>
              )}
            </h3>
            {dress && (
              <div className="grid gap-1.5">
                <LocalField
                  label="Title"
                  value={dress.title}
                  fixed={fixed}
                  onText={(value) => edit({ kind: 'set', path: ['skins', skin, 'title'], value })}
                />
                <LocalField
                  label="Story"
                  value={dress.story}
                  meter
                  fixed={fixed}
                  onText={(value) => edit({ kind: 'set', path: ['skins', skin, 'story'], value })}
                />
              </div>
            )}
          </div>
        );
      })}
      <FindingsAt findings={findings} path="skins" task={task} deep />
    </>
  );
}

/** An optional text is left out of the task once no language has it. */
const textOrNone = (value: LocalText) => (Object.values(value).some(Boolean) ? value : undefined);
