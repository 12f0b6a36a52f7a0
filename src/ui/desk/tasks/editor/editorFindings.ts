import { LANGUAGES } from '@/core/text';
import { languageName } from '../../../shared/languageName';
import { checkTask, type TaskFinding } from '@/core/library';
import { taskContentSchema, type TaskContent } from '@/core/tasks';
import { taskFindingWords } from '../../parts/taskWords';

/** A fault of the task's form: something empty, a number out of range. */
export interface FormFault {
  readonly code: 'form';
  readonly severity: 'error';
  readonly path: string;
  readonly said: string;
}

export type EditorFinding = TaskFinding | FormFault;

/** Returns the findings on a task, and what its form still lacks; a text is named once for both languages. */
export function editorFindings(task: TaskContent): readonly EditorFinding[] {
  const form = taskContentSchema.safeParse(task);
  const faults = new Map<string, { path: string; said: string; languages: string[] }>();
  for (const { path, code, message } of form.success ? [] : form.error.issues) {
    const last = String(path.at(-1));
    const language = LANGUAGES.some((each) => each === last) ? languageName(last) : undefined;
    const place = (language ? path.slice(0, -1) : path).join('.');
    const said = code === 'too_small' ? 'still empty' : message.toLowerCase();
    const known = faults.get(`${place} ${said}`) ?? { path: place, said, languages: [] };
    faults.set(`${place} ${said}`, { ...known, languages: language ? [...known.languages, language] : known.languages });
  }
  const formFaults = [...faults.values()].map(({ path, said, languages }): FormFault => ({
    code: 'form',
    severity: 'error',
    path,
    said: languages.length === 1 ? `${said} in ${languages[0]}` : said,
  }));
  return [...checkTask(task), ...formFaults];
}

export function editorFindingWords(finding: EditorFinding, task: TaskContent): string {
  return finding.code === 'form' ? `${placeInWords(finding.path)}: ${finding.said}.` : taskFindingWords(finding, task);
}

const PLACES: Readonly<Record<string, string>> = {
  title: 'Title',
  story: 'Story',
  helperSteps: 'Steps for the helper',
  childSteps: 'Steps for the student',
  looksRight: 'Looks right when',
  cautions: 'Watch out',
  cues: 'Cues',
  stopRule: 'Stop rule',
  materials: 'Materials',
  tableMap: 'Table map',
  dose: 'Dose',
  knobs: 'Grading factor',
  ladder: 'Ladder',
  ages: 'Ages',
  skins: 'Skin',
};

/** "Ladder, step 3, how (Spanish)" for `ladder.steps.2.how.es`. */
function placeInWords(path: string): string {
  const [first = '', ...rest] = path.split('.');
  const parts = rest.map((part, index) =>
    /^\d+$/.test(part)
      ? `${rest[index - 1] === 'steps' ? 'step ' : ''}${Number(part) + 1}`
      : LANGUAGES.some((language) => language === part)
        ? languageName(part)
        : part === 'steps'
          ? ''
          : part,
  );
  return [PLACES[first] ?? first, ...parts.filter(Boolean)].join(', ');
}
