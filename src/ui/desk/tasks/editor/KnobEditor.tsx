import type { Dispatch } from 'react';
import { FIELD_KNOBS, isFieldKnob, MEASURES, physicalDifficulty, type MeasureName } from '@/core/knobs';
import type { TaskContent } from '@/core/tasks';
import { words } from '../../../shared/deskWords';
import { knobName } from '../../parts/taskWords';
import type { EditorEdit } from './editorEdits';
import type { KnobEditorProps } from './editorProps';
import { FindingsAt, LocalField, Small } from './parts';

/** The knobs with their levels, easiest first, and what of a level can be measured. */
export function KnobEditor({ task, findings, edit, usual, fixed }: KnobEditorProps) {
  return (
    <>
      {task.knobs.map((knob, index) => (
        <details key={knob.knob} className="border-b border-line py-1.5">
          <summary>
            <strong>{knobName(task.knobs, knob.knob)}</strong>{' '}
            <span className="text-[14px] text-soft">{knob.levels.map((level) => level.en || '…').join(' → ')}</span>
          </summary>
          <div className="mt-1 grid gap-1.5 pl-4">
            {!isFieldKnob(knob.knob) && (
              <LocalField
                label="Name of your own grading factor"
                value={knob.name ?? { en: '' }}
                fixed={fixed}
                onText={(value) => edit({ kind: 'set', path: ['knobs', index, 'name'], value })}
              />
            )}
            {knob.levels.map((level, place) => (
              <div key={place}>
                <LocalField
                  label={`level ${place + 1}`}
                  value={level}
                  fixed={fixed}
                  onText={(value) => edit({ kind: 'set', path: ['knobs', index, 'levels', place], value })}
                />
                <Measured task={task} index={index} place={place} edit={edit} fixed={fixed} />
              </div>
            ))}
            {!fixed && (
              <div className="flex flex-wrap gap-4">
                <AddLevel task={task} index={index} edit={edit} usual={usual} />
                <Small onPress={() => edit({ kind: 'removeKnob', knob: knob.knob })} disabled={task.knobs.length <= 1}>
                  Remove this grading factor
                </Small>
              </div>
            )}
          </div>
          <FindingsAt findings={findings} path={`knobs.${index}`} task={task} deep />
        </details>
      ))}
    </>
  );
}

function AddLevel({ task, index, edit, usual }: Pick<KnobEditorProps, 'task' | 'edit' | 'usual'> & { index: number }) {
  const { knob, levels } = task.knobs[index]!;
  const free = (usual.levels[knob] ?? []).filter((offered) => !levels.some((level) => level.usual === offered.usual));
  return (
    <label className="text-[14px]">
      <span className="sr-only">Add a level</span>
      <select
        value=""
        disabled={levels.length >= 10}
        className="field"
        onChange={(event) =>
          edit({
            kind: 'insert',
            path: ['knobs', index, 'levels'],
            value: free.find((level) => level.usual === event.target.value) ?? { en: '' },
          })
        }
      >
        <option value="">Add a harder level…</option>
        {free.map((level) => (
          <option key={level.usual} value={level.usual}>
            {level.en}
          </option>
        ))}
        <option value="own">Words of your own</option>
      </select>
    </label>
  );
}

/** Sizes, distances and forces of a level; what they amount to in bits is said beside them. */
function Measured({
  task,
  index,
  place,
  edit,
  fixed,
}: {
  task: TaskContent;
  index: number;
  place: number;
  edit: Dispatch<EditorEdit>;
  fixed: boolean;
}) {
  const { knob, levels } = task.knobs[index]!;
  const level = levels[place]!;
  const names: readonly MeasureName[] = isFieldKnob(knob) ? FIELD_KNOBS[knob].measures : MEASURES;
  const { aimBits, pathIndex } = physicalDifficulty(level.measures ?? {});
  const set = (name: MeasureName, text: string) => {
    const number = Number(text);
    const { [name]: _before, ...others } = level.measures ?? {};
    const measures = text !== '' && number > 0 ? { ...others, [name]: number } : others;
    edit({ kind: 'set', path: ['knobs', index, 'levels', place, 'measures'], value: Object.keys(measures).length ? measures : undefined });
  };
  return (
    <div className="flex flex-wrap items-end gap-2 pt-1">
      {names.map((name) => (
        <label key={name} className="text-[12px] text-soft">
          {words(`measures.${name}`)}{' '}
          <input
            type="number"
            min={0}
            step="any"
            value={level.measures?.[name] ?? ''}
            readOnly={fixed}
            onChange={(event) => set(name, event.target.value)}
            className="field w-[72px] py-0 text-[13px] text-ink"
          />
        </label>
      ))}
      {aimBits !== null && <span className="text-[12px]">aim {aimBits.toFixed(2)} bits (Fitts)</span>}
      {pathIndex !== null && <span className="text-[12px]">path index {pathIndex.toFixed(1)} (steering law)</span>}
      {!fixed && (
        <Small onPress={() => edit({ kind: 'removeLevel', knob, level: place })} disabled={levels.length <= 2}>
          Remove
        </Small>
      )}
    </div>
  );
}
