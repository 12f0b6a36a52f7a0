import type { Dispatch } from 'react';
import type { TaskContent } from '@/core/tasks';
import type { UsualKnobs } from './usualLevels';
import type { EditorEdit } from './editorEdits';
import type { EditorFinding } from './editorFindings';

/** Props of every editor section. */
export interface EditorProps {
  readonly task: TaskContent;
  readonly findings: readonly EditorFinding[];
  readonly edit: Dispatch<EditorEdit>;
  /** True where the task may only be looked at. */
  readonly fixed: boolean;
}

/** For the editors that offer knobs and levels. */
export interface KnobEditorProps extends EditorProps {
  /** The usual levels of every knob. */
  readonly usual: UsualKnobs;
}
