import { useState } from 'react';
import { reckonDose } from '@/core/dose';
import { contentFor } from '@/core/program';
import { skinsOf, type Hand, type Skin, type TaskContent } from '@/core/tasks';
import { TaskInstructions } from '../../family/TaskInstructions';
import type { Language } from '../../shared/words';
import { words } from '../../shared/words';

const HANDS = { left: 'left-handed', right: 'right-handed', unsettled: 'hand not settled' } as const;

/** The family's page of the chosen step, live beside the bench. */
export function Preview({ task, step }: { task: TaskContent; step: number }) {
  const [hand, setHand] = useState<Hand>('left');
  const [language, setLanguage] = useState<Language>('en');
  const [skin, setSkin] = useState<Skin>('buildersYard');
  const content = contentFor(task, { skin });
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
          <option value="en">English</option>
          <option value="es">Spanish</option>
        </select>
        <select aria-label="Skin" value={skin} onChange={(event) => setSkin(event.target.value as Skin)} className="field py-0">
          {skinsOf(task).map((each) => (
            <option key={each} value={each}>
              {words(`skins.${each}`)}
            </option>
          ))}
        </select>
      </div>
      <div lang={language} className="text-[16px]">
        <p className="mt-2 font-title text-[22px] leading-tight font-bold">{content.title[language] || '…'}</p>
        {content.story && <p className="mt-1">{content.story[language]}</p>}
        <p className="sheet mt-2 font-bold">{here?.how[language] || '…'}</p>
        <TaskInstructions
          content={content}
          step={step + 1}
          child={{ calledName: language === 'es' ? 'La niña o el niño' : 'Your child', hand, care: null }}
          language={language}
          pieces={content.dose.piecesPerRepetition > 0 ? reckonDose(content.dose, 1).piecesPerDay : 0}
        />
      </div>
    </aside>
  );
}
