import { useEffect, useState } from 'react';
import { calculateDose } from '@/core/dose';
import { contentFor } from '@/core/programs';
import { callChild, skinsOf, type Hand, type TaskContent } from '@/core/tasks';
import type { Skin } from '@/core/vocabulary';
import { TaskInstructions } from '../../../task/TaskInstructions';
import { LANGUAGES, say, type Language } from '@/core/text';
import { words } from '../../../shared/deskWords';
import { familyWords, type FamilyWords } from '../../../shared/familyWords';
import { languageName } from '../../../shared/languageName';

/** Name used in the preview, where no child is meant. */
const SOMEBODY = { en: 'your child', es: 'su hijo o hija' };
const HANDS = { left: 'left-handed', right: 'right-handed', unsettled: 'hand preference not established' } as const;

/** The family's page of the chosen step, live beside the bench. */
export function Preview({ task, step }: { task: TaskContent; step: number }) {
  const [hand, setHand] = useState<Hand>('left');
  const [language, setLanguage] = useState<Language>('en');
  const spoken = useFamilyWords(language);
  const [skin, setSkin] = useState<Skin>('buildersYard');
  const content = callChild(contentFor(task, { skin }), SOMEBODY);
  const here = content.ladder.steps[Math.min(step, content.ladder.steps.length - 1)];
  return (
    <aside
      aria-label="The family’s page"
      className="sticky top-2 max-h-[calc(100vh-1rem)] self-start overflow-y-auto border border-line bg-paper p-3"
    >
      <div className="flex flex-wrap gap-1.5 text-[13px]">
        <select
          aria-label="Hand of the child"
          value={hand}
          onChange={(event) => setHand(event.target.value as Hand)}
          className="field py-0"
        >
          {Object.entries(HANDS).map(([id, label]) => (
            <option key={id} value={id}>
              {label}
            </option>
          ))}
        </select>
        <select
          aria-label="Language of the family"
          value={language}
          onChange={(event) => setLanguage(event.target.value as Language)}
          className="field py-0"
        >
          {LANGUAGES.map((each) => (
            <option key={each} value={each}>
              {languageName(each)}
            </option>
          ))}
        </select>
        <select aria-label="Theme" value={skin} onChange={(event) => setSkin(event.target.value as Skin)} className="field py-0">
          {skinsOf(task).map((each) => (
            <option key={each} value={each}>
              {words(`skins.${each}`)}
            </option>
          ))}
        </select>
      </div>
      <div lang={language} className="text-[16px]">
        <p className="mt-2 font-title text-[22px] leading-tight font-bold">{say(content.title, language) || '…'}</p>
        {content.description && <p>{say(content.description, language)}</p>}
        {content.story && <p className="mt-1">{say(content.story, language)}</p>}
        <p className="sheet mt-2 font-bold">{(here && say(here.how, language)) || '…'}</p>
        {spoken && (
          <TaskInstructions
            content={content}
            step={step + 1}
            child={{ calledName: spoken.t('yourChild'), hand, care: null }}
            words={spoken}
            pieces={content.dose.piecesPerRepetition > 0 ? calculateDose(content.dose, 1).piecesPerDay : 0}
          />
        )}
      </div>
    </aside>
  );
}

/** The family's words in the language looked at; its file is loaded when it is first chosen. */
function useFamilyWords(language: Language): FamilyWords | null {
  const [spoken, setSpoken] = useState<FamilyWords | null>(null);
  useEffect(() => {
    let wanted = true;
    void familyWords(language).then((loaded) => wanted && setSpoken(loaded));
    return () => {
      wanted = false;
    };
  }, [language]);
  return spoken?.language === language ? spoken : null;
}
