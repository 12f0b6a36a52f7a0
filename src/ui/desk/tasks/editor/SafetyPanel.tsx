import { judgeSafety, thingsAt, type ChildForSafety } from '@/core/safety';
import { HAZARDS } from '@/core/vocabulary';
import { words } from '../../../shared/deskWords';
import { safetyWords } from '../../parts/taskWords';
import { Ticks } from './MaterialsEditor';
import type { EditorProps } from './editorProps';
import { FindingsAt, Small } from './parts';

interface Props extends EditorProps {
  readonly titles: Readonly<Record<string, string>>;
}

const MOUTHING: ChildForSafety = { ageYears: 4, mouthsThings: true, scissorsAllowed: false, allergies: [], texturesAvoided: [] };

/** Shows the safety findings of this task: for any child, and for one who mouths objects and may not have scissors. */
export function SafetyPanel({ task, titles, findings, edit, fixed }: Props) {
  const things = thingsAt(task, 1, task.ladder.steps.length);
  const general = judgeSafety(task, things, null);
  const hard = judgeSafety(task, things, MOUTHING).findings.filter((finding) => finding.severity !== 'caution');
  return (
    <>
      <p className="mt-1.5 text-[14px]">
        Supervision: <strong>{words(`supervision.${general.supervision}`)}</strong>. The cautions below are computed from materials and
        moves, and are shown on the family’s page. Local rules and your license come first.
      </p>
      <ul className="mt-1 list-disc pl-5 text-[14px]">
        {general.findings.map((finding) => (
          <li key={finding.key}>
            {safetyWords(finding)} <span className="text-soft">{finding.source}</span>
          </li>
        ))}
        {general.findings.length === 0 && <li>No rule applies.</li>}
      </ul>
      {hard.length > 0 && (
        <p className="mt-1 text-[14px]">
          <strong>For a student of 4 who mouths objects and may not have scissors:</strong>{' '}
          {hard
            .map((finding) => `${safetyWords(finding)} ${finding.severity === 'block' ? words('safety.blocked') : 'Needs your reason.'}`)
            .join(' ')}
        </p>
      )}
      <div className="mt-2">
        <Ticks
          label="The moves bring"
          all={HAZARDS}
          chosen={task.moveHazards}
          fixed={fixed}
          onChosen={(value) => edit({ kind: 'set', path: ['moveHazards'], value })}
        />
      </div>
      <Twins task={task} titles={titles} edit={edit} fixed={fixed} />
      <FindingsAt findings={findings} path="twins" task={task} deep />
    </>
  );
}

const INSTEAD = { scissors: 'without scissors', food: 'without food', smallParts: 'without small parts' } as const;

function Twins({ task, titles, edit, fixed }: Pick<Props, 'task' | 'titles' | 'edit' | 'fixed'>) {
  return (
    <div className="mt-2 text-[14px]">
      {task.twins.map((twin, index) => (
        <p key={index} className="flex gap-3">
          {INSTEAD[twin.instead]}: {titles[twin.slug] ?? twin.slug}
          {!fixed && <Small onPress={() => edit({ kind: 'removeAt', path: ['twins'], index })}>Remove</Small>}
        </p>
      ))}
      {!fixed && task.twins.length < 3 && (
        <span className="flex flex-wrap gap-2">
          {(Object.keys(INSTEAD) as (keyof typeof INSTEAD)[])
            .filter((instead) => !task.twins.some((twin) => twin.instead === instead))
            .map((instead) => (
              <select
                key={instead}
                value=""
                aria-label={`Safer alternative ${INSTEAD[instead]}`}
                className="field py-0"
                onChange={(event) => edit({ kind: 'insert', path: ['twins'], value: { slug: event.target.value, instead } })}
              >
                <option value="">Safer alternative {INSTEAD[instead]}…</option>
                {Object.entries(titles)
                  .filter(([slug]) => slug !== task.slug)
                  .map(([slug, title]) => (
                    <option key={slug} value={slug}>
                      {title}
                    </option>
                  ))}
              </select>
            ))}
        </span>
      )}
    </div>
  );
}
