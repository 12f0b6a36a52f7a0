import { languageName } from '../../shared/languageName';
import { ageOf, type Child } from '@/core/students';
import type { CalendarDay } from '@/core/calendar';
import { words } from '../../shared/deskWords';
import { weekdaysInWords } from './doseWords';

const HANDS = { left: 'left hand', right: 'right hand', unsettled: 'hand preference not established' } as const;
const ALL_DAYS = 7;

/** The facts that change decisions, underlined; the rest in plain words behind them. */
export function ChildFacts({ child, today }: { child: Child; today: CalendarDay }) {
  const age = ageOf(child, today);
  const facts = [
    `${age.years} y ${age.months} m`,
    child.leaningHand ? `probably ${child.leaningHand} hand` : HANDS[child.hand],
    ...(child.mouthsThings ? ['mouths objects'] : []),
    ...child.allergies,
    ...child.precautions.map((precaution) => precaution.words),
    ...(child.scissorsAllowed ? [] : ['no scissors']),
    ...child.texturesAvoided.map((texture) => `avoids ${texture}`),
    ...child.themesNotWanted.map((skin) => `no ${words(`skins.${skin}`).toLowerCase()}`),
  ];
  const rest = [
    child.school,
    `${child.homeLanguages.map((language) => languageName(language)).join(' and ')} at home`,
    `${child.minutesPerDay} min per day${child.practiceWeekdays.length < ALL_DAYS ? `, ${weekdaysInWords(child.practiceWeekdays)}` : ''}`,
    child.hasPrinter ? 'has a printer' : 'no printer',
    ...(child.likes ? [`likes ${child.likes}`] : []),
  ];
  return (
    <p className="mt-1 flex flex-wrap gap-x-4 gap-y-1">
      {facts.map((fact) => (
        <span key={fact} className="fact">
          {fact}
        </span>
      ))}
      <span className="text-soft">{rest.join(' · ')}</span>
    </p>
  );
}
