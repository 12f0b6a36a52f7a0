import type { Dispatch } from 'react';
import type { PlannedTask, ProgramFinding } from '@/core/programs';
import { SUPERVISION } from '@/core/safety';
import type { TaskSettings } from '@/core/tasks';
import { words } from '../../shared/deskWords';
import { Finding } from '../parts/Finding';
import { safetyWords } from '../parts/taskWords';
import { settingsAsSent, type DraftEdit, type LibraryTask } from './draftEdits';
import { findingWords } from './findingWords';

interface Props {
  readonly finding: ProgramFinding;
  readonly planned: PlannedTask;
  readonly task: LibraryTask;
  readonly index: number;
  readonly library: readonly LibraryTask[];
  readonly childSettings: TaskSettings;
  readonly edit: Dispatch<DraftEdit>;
}

/** A finding beside its task; where a rule of safety asks for a reason, the place to write it, and the safer twin where there is one. */
export function ProgramFindingRow({ finding, planned, task, index, library, childSettings, edit }: Props) {
  const safety = finding.code === 'safety' ? finding.finding : null;
  const reasons = planned.choices.reasons ?? {};
  const twin = safety?.twin ? library.find((task) => task.content.slug === safety.twin) : undefined;
  return (
    <Finding severity={finding.severity}>
      {findingWords(finding)}
      {safety?.severity === 'block' && <strong> {words('safety.blocked')}</strong>}
      {twin && (
        <>
          {' '}
          {words('safety.twin', { title: twin.content.title.en })}{' '}
          <button type="button" className="link" onClick={() => edit({ kind: 'swap', index, task: twin, childSettings })}>
            Use it instead
          </button>
        </>
      )}
      {safety?.severity === 'acknowledge' && (
        <label className="mt-1 flex items-center gap-2">
          {words('safety.reason')}
          <input
            value={reasons[safety.key] ?? ''}
            maxLength={300}
            onChange={(event) => edit({ kind: 'choose', index, choices: { reasons: { ...reasons, [safety.key]: event.target.value } } })}
            className="field min-w-0 flex-1"
          />
        </label>
      )}
      {finding.code === 'orderChanged' && (
        <span className="mt-1 flex gap-4">
          <button
            type="button"
            className="link"
            onClick={() => edit({ kind: 'settings', index, task, settings: settingsAsSent(task, finding.sent), childSettings })}
          >
            Keep the family’s current order
          </button>
          <button type="button" className="link" onClick={() => edit({ kind: 'choose', index, choices: { takesNewOrder: true } })}>
            Use the new order
          </button>
        </span>
      )}
      {safety && <span className="block text-[13px] text-soft">Rule: {safety.source}.</span>}
    </Finding>
  );
}

/** True for what a rule only asks to be said: nothing to mend, no reason to give. */
export function isPlainCaution(finding: ProgramFinding): boolean {
  return finding.code === 'safety' && finding.finding.severity === 'caution';
}

/** Groups the cautions of a task, with the nearest supervision that any of them asks for. */
export function PlainCautions({ findings }: { findings: readonly ProgramFinding[] }) {
  const said = findings.flatMap((finding) => (finding.code === 'safety' ? [finding.finding] : []));
  if (said.length === 0) return null;
  const nearest = said.map((finding) => finding.supervision).reduce((a, b) => (SUPERVISION.indexOf(a) >= SUPERVISION.indexOf(b) ? a : b));
  const sources = [...new Set(said.map((finding) => finding.source))];
  return (
    <Finding severity="caution">
      {said.map(safetyWords).join(' ')} <strong>{words(`supervision.${nearest}`).replace(/^a/, 'A')}.</strong>
      <span className="block text-[13px] text-soft">Rules: {sources.join('; ')}.</span>
    </Finding>
  );
}
