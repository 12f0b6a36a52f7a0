import { FILMED_HANDS, KEPT_DAYS, type ClipFacts } from '@/core/videos';

type Facts = Pick<ClipFacts, 'hand' | 'mayMirror' | 'consent' | 'consentWords' | 'keptDays' | 'isMuted'>;

interface Props {
  readonly facts: Facts;
  readonly onChange: (facts: Facts) => void;
  readonly isForAll: boolean;
  readonly onForAll: (isForAll: boolean) => void;
  readonly childName: string | null;
}

const HANDS = { right: 'Right hand', left: 'Left hand', both: 'Both, each with its own part' } as const;

/** Edits the facts about a video: which hand, who can be recognized and agreed, for whom, and for how long. */
export function FactFields({ facts, onChange, isForAll, onForAll, childName }: Props) {
  const set = (to: Partial<Facts>) => onChange({ ...facts, ...to });
  return (
    <div className="flex flex-col gap-2.5">
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <label>
          <span className="block text-[13px] font-semibold text-soft">Filmed with</span>
          <select className="field" value={facts.hand} onChange={(event) => set({ hand: event.target.value as Facts['hand'] })}>
            {FILMED_HANDS.map((hand) => (
              <option key={hand} value={hand}>
                {HANDS[hand]}
              </option>
            ))}
          </select>
        </label>
        {facts.hand !== 'both' && (
          <label className="flex items-center gap-2 pb-1">
            <input type="checkbox" checked={facts.mayMirror} onChange={(event) => set({ mayMirror: event.target.checked })} />
            Can be mirrored for the other hand (no letters in it)
          </label>
        )}
        <label>
          <span className="block text-[13px] font-semibold text-soft">deleted after</span>
          <select
            className="field"
            value={facts.keptDays}
            onChange={(event) => set({ keptDays: KEPT_DAYS.find((days) => days === Number(event.target.value))! })}
          >
            {KEPT_DAYS.map((days) => (
              <option key={days} value={days}>
                {days} days
              </option>
            ))}
          </select>
        </label>
      </div>
      <fieldset>
        <legend className="text-[13px] font-semibold text-soft">Who can be recognized</legend>
        <label className="flex items-center gap-2">
          <input type="radio" name="consent" checked={facts.consent === 'nobody'} onChange={() => set({ consent: 'nobody' })} />
          No one: only hands and table, and no name is said
        </label>
        <label className="flex items-center gap-2">
          <input type="radio" name="consent" checked={facts.consent === 'agreed'} onChange={() => set({ consent: 'agreed' })} />
          Someone who agreed
        </label>
        {facts.consent === 'agreed' && (
          <label className="block">
            <span className="block text-[13px] text-soft">Who agreed to what, and when. Ask your district for its form.</span>
            <input
              className="field w-full"
              maxLength={200}
              value={facts.consentWords}
              onChange={(event) => set({ consentWords: event.target.value })}
              required
            />
          </label>
        )}
      </fieldset>
      {childName !== null && (
        <fieldset>
          <legend className="text-[13px] font-semibold text-soft">Who may see it</legend>
          <label className="flex items-center gap-2">
            <input type="radio" name="forAll" checked={!isForAll} onChange={() => onForAll(false)} />
            {childName}’s family, and people who work with {childName}
          </label>
          <label className="flex items-center gap-2">
            <input type="radio" name="forAll" checked={isForAll} onChange={() => onForAll(true)} />
            Every family whose program includes it, and all staff
          </label>
        </fieldset>
      )}
      {childName === null && (
        <p className="text-[14px] text-soft">Every family whose program includes it can see it, and so can all staff.</p>
      )}
    </div>
  );
}
