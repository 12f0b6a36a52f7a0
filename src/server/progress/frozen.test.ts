import { addDays, calendarDay } from '@/core/calendar';
import { goalSchema } from '@/core/goals';
import type { GoalLog } from '@/core/progress';
import { HELP_LEVELS, type HelpLevel } from '@/core/vocabulary';
import { EXAMPLE_GOAL } from '../../../tests/fixtures/tarrowHill';
import { freeze, readFrozen } from './frozen';

const begun = calendarDay('2026-09-01');
const goal = goalSchema.parse({ ...EXAMPLE_GOAL, measure: { kind: 'help', from: 'handOverHand', to: 'alone', baselineOn: begun } });
const measured = (id: number, help: HelpLevel) => ({
  ...{ id, measuredOn: addDays(begun, 7 * id), good: null, trials: null, help, level: null, minutes: null, step: null },
});
const log = {
  measurements: [measured(1, 'steadied'), measured(2, 'pointed'), measured(3, 'alone')],
  ...{ sessions: [], phases: [], skins: [], plannedDays: 0, daysWithoutWord: 0 },
} as unknown as GoalLog;
const frozen = freeze(goal, log, addDays(begun, 30));
const values = ({ figures }: typeof frozen) => figures.ownPoints.map(({ value }) => HELP_LEVELS[value]);

describe('a closed period', () => {
  it('comes back as it was frozen', () => {
    expect(readFrozen(JSON.parse(JSON.stringify(frozen)))).toEqual(JSON.parse(JSON.stringify(frozen)));
    expect(values(frozen).slice(-3)).toEqual(['steadied', 'pointed', 'alone']);
  });

  it('says the same help after a level was added in the middle', () => {
    // As it would have been written while there was no “shown”: each later level one place earlier.
    const before: readonly HelpLevel[] = HELP_LEVELS.filter((level) => level !== 'shown');
    const ownPoints = frozen.figures.ownPoints.map((point) => ({ ...point, value: before.indexOf(HELP_LEVELS[point.value]!) }));
    const written = { ...frozen, helpLevels: before, figures: { ...frozen.figures, ownPoints } };
    expect(values(written as typeof frozen).slice(-3)).not.toEqual(['steadied', 'pointed', 'alone']);
    expect(values(readFrozen(JSON.parse(JSON.stringify(written)))).slice(-3)).toEqual(['steadied', 'pointed', 'alone']);
  });
});
