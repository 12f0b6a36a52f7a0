import type { LocalText } from '@/core/text';
import { familyTextOf } from '@/core/wording';
import type { EditorProps } from './editorProps';
import { FindingsAt, GradeRuler, LocalField, Small } from './parts';

const LISTS = [
  { key: 'helperSteps', title: 'Steps for the helper', most: 8 },
  { key: 'childSteps', title: 'Steps for the student, in the words said to it', most: 8 },
  { key: 'cues', title: 'Cues that guide the movement without correcting', most: 4 },
  { key: 'looksRight', title: 'Looks right when', most: 6 },
  { key: 'cautions', title: 'Watch out (your own lines, in addition to the automatic ones)', most: 6 },
] as const;

/** Everything that is said to helper and child, with its reading grade while it is typed. */
export function WordsEditor({ task, findings, edit, fixed }: EditorProps) {
  return (
    <>
      <p className="mt-1.5 flex flex-wrap gap-x-8 text-[14px]">
        <GradeRuler text={familyTextOf(task, 'en')} language="en" />
        <GradeRuler text={familyTextOf(task, 'es')} language="es" />
        <span className="text-soft">Flesch–Kincaid and Fernández Huerta formulas. Aim: grade 6 or lower.</span>
      </p>
      <FindingsAt findings={findings} path="words" task={task} />
      {LISTS.map(({ key, title, most }) => (
        <div key={key} className="mt-3">
          <h3 className="font-text text-[15px] font-bold">{title}</h3>
          {task[key].map((text, index) => (
            <div key={index} className="mt-1 flex items-end gap-2">
              <div className="min-w-0 flex-1">
                <LocalField
                  label={String(index + 1)}
                  value={text}
                  meter
                  fixed={fixed}
                  onText={(value) => edit({ kind: 'set', path: [key, index], value })}
                />
              </div>
              {!fixed && (
                <Small label={`remove ${title} ${index + 1}`} onPress={() => edit({ kind: 'removeAt', path: [key], index })}>
                  Remove
                </Small>
              )}
            </div>
          ))}
          {!fixed && task[key].length < most && (
            <Small onPress={() => edit({ kind: 'insert', path: [key], value: { en: '' } satisfies LocalText })}>Add a line</Small>
          )}
          <FindingsAt findings={findings} path={key} task={task} deep />
        </div>
      ))}
      <div className="mt-3">
        <h3 className="font-text text-[15px] font-bold">When to stop</h3>
        <LocalField
          label="Stop rule"
          value={task.stopRule}
          rows={2}
          meter
          fixed={fixed}
          onText={(value) => edit({ kind: 'set', path: ['stopRule'], value })}
        />
        <FindingsAt findings={findings} path="stopRule" task={task} deep />
      </div>
    </>
  );
}
