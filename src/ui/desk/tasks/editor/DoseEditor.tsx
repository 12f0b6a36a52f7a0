import { useState } from 'react';
import { callHands, minutesOf, calculateDose, repetitionsFrom, splitIntoCards } from '@/core/dose';
import { SKILLS, type Skill } from '@/core/vocabulary';
import type { TaskContent } from '@/core/tasks';
import { words } from '../../../shared/deskWords';
import { doseSentence, hiddenPractice, minutesSentence } from '../../parts/doseWords';
import { seededRandom } from '@/core/random';
import type { EditorProps } from './editorProps';
import { FindingsAt, LocalField, NumberField, Small } from './parts';
import { TargetFields } from './TargetFields';

const DAYS = 5;

/** How much of it: the target, what a day and a week come to, what has to be prepared, how long it takes. */
export function DoseEditor({ task, findings, edit, fixed }: EditorProps) {
  const { dose } = task;
  const set = (key: keyof TaskContent['dose'], value: unknown) => edit({ kind: 'set', path: ['dose', key], value });
  const number = (
    key: 'rounds' | 'secondsEach' | 'restSeconds' | 'setUpMinutes' | 'tidyUpMinutes' | 'piecesPerRepetition',
    label: string,
    least: number,
    most: number,
    step = 1,
  ) => (
    <NumberField
      label={label}
      value={dose[key]}
      least={least}
      most={most}
      step={step}
      fixed={fixed}
      onNumber={(value) => set(key, value)}
    />
  );
  return (
    <>
      <div className="mt-1.5 flex flex-wrap items-end gap-3">
        <TargetFields
          dose={dose}
          fixed={fixed}
          labels={{ target: 'target', count: 'in a round', hands: 'hands' }}
          onTarget={(target) => set('target', target)}
          onWork={(work) => edit({ kind: 'set', path: ['dose'], value: { ...dose, ...work } })}
        />
        {number('rounds', 'rounds', 1, 20)}
        {number('secondsEach', 'seconds each', 0, 300)}
        {number('restSeconds', 'rest, s', 0, 600)}
        {number('setUpMinutes', 'set up, min', 0, 30, 0.5)}
        {number('tidyUpMinutes', 'tidy up, min', 0, 30, 0.5)}
        {number('piecesPerRepetition', 'pieces for each', 0, 10)}
        <label className="flex items-center gap-2 pb-1.5">
          <input
            type="checkbox"
            checked={dose.heavyGrip}
            disabled={fixed}
            onChange={(event) => set('heavyGrip', event.target.checked)}
            className="size-4 accent-green"
          />
          firm squeezing
        </label>
      </div>
      <p className="mt-1.5">
        {doseSentence(dose, DAYS)}. {hiddenPractice(dose, DAYS).join(' ')} <span className="text-soft">{minutesSentence(dose)}</span>
      </p>
      <div className="mt-1.5 mb-3 max-w-[760px]">
        <LocalField
          label="Definition of a good try"
          value={dose.goodOne ?? { en: '' }}
          fixed={fixed}
          onText={(value) => set('goodOne', Object.values(value).some(Boolean) ? value : undefined)}
        />
      </div>
      <SetUp task={task} edit={edit} fixed={fixed} />
      <Calculators task={task} />
      <FindingsAt findings={findings} path="dose" task={task} deep />
    </>
  );
}

/** Movements hidden in set-up: practice too, so they count. */
function SetUp({ task, edit, fixed }: Pick<EditorProps, 'task' | 'edit' | 'fixed'>) {
  const { setUpMovements } = task.dose;
  const path = ['dose', 'setUpMovements'];
  return (
    <>
      {setUpMovements.map((movement, index) => (
        <div key={index} className="mt-1.5 flex flex-wrap items-end gap-3">
          <div className="min-w-[420px] flex-1">
            <LocalField
              label="Hidden in set-up"
              value={movement.name}
              fixed={fixed}
              onText={(value) => edit({ kind: 'set', path: [...path, index, 'name'], value })}
            />
          </div>
          <NumberField
            label="Times a round"
            value={movement.timesPerRound}
            least={1}
            most={50}
            fixed={fixed}
            onNumber={(value) => edit({ kind: 'set', path: [...path, index, 'timesPerRound'], value })}
          />
          <select
            aria-label="Skill of the movement"
            value={movement.skill}
            disabled={fixed}
            className="field"
            onChange={(event) => edit({ kind: 'set', path: [...path, index, 'skill'], value: event.target.value as Skill })}
          >
            {SKILLS.map((skill) => (
              <option key={skill} value={skill}>
                {words(`skills.${skill}`)}
              </option>
            ))}
          </select>
          {!fixed && <Small onPress={() => edit({ kind: 'removeAt', path, index })}>Remove</Small>}
        </div>
      ))}
      {!fixed && setUpMovements.length < 6 && (
        <Small onPress={() => edit({ kind: 'insert', path, value: { name: { en: '' }, skill: task.skill, timesPerRound: 1 } })}>
          Add a movement that is hidden in set-up (open, close, peel, tear)
        </Small>
      )}
    </>
  );
}

/** The ways back and the fair draws: from pieces to repetitions, cards that add up, hands called in a fair order. */
function Calculators({ task }: { task: TaskContent }) {
  const [pieces, setPieces] = useState(10);
  const [draw, setDraw] = useState(1);
  const { dose } = task;
  const calculated = calculateDose(dose, 1);
  const back = repetitionsFrom(pieces, dose);
  const countable = calculated.unit !== 'minutes' && calculated.perDay >= 4 && calculated.perDay <= 100;
  const count = Math.max(2, Math.round(calculated.perDay / 4));
  const cards = countable ? splitIntoCards(calculated.perDay, count, 1, Math.min(calculated.perDay, 8), seededRandom(draw)) : null;
  const calls =
    dose.hands === 'each' && calculated.unit !== 'minutes' && calculated.perRound <= 25
      ? callHands(calculated.perRound, 3, seededRandom(draw))
      : null;
  return (
    <details className="mt-1.5 text-[14px]">
      <summary className="link inline">Work backward, cards, hand calls</summary>
      <p className="mt-1 flex flex-wrap items-baseline gap-2">
        <label>
          With{' '}
          <input
            type="number"
            aria-label="Pieces at hand"
            min={0}
            max={500}
            value={pieces}
            onChange={(event) => setPieces(Math.max(0, Math.min(500, Math.round(Number(event.target.value) || 0))))}
            className="field w-[64px] py-0"
          />{' '}
          pieces:
        </label>
        <span>
          {back === null
            ? 'used again, so they set no bound.'
            : `${back.repetitions} a day${dose.hands === 'each' ? `, ${back.perHand} each hand` : ''}, ${back.left} left over.`}
        </span>
      </p>
      {cards && (
        <p>
          {count} cards that add up to {calculated.perDay}: {cards.join(' + ')} = {calculated.perDay}
        </p>
      )}
      {calls && (
        <p>
          A fair order, no hand more than three in a row: {calls.map((hand) => (hand === 'left' ? 'L' : 'R')).join(' ')} (
          {calculated.perRound} each)
        </p>
      )}
      {(cards || calls) && <Small onPress={() => setDraw(draw + 1)}>Draw again</Small>}{' '}
      <span className="text-soft">One day takes {minutesOf(dose).toFixed(1)} minutes.</span>
    </details>
  );
}
