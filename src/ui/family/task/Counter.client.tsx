'use client';

import { useEffect, useRef, useSyncExternalStore, useState } from 'react';

export interface CountField {
  readonly name: string;
  readonly label: string;
  /** Null where nothing is asked for: a tally. */
  readonly target: number | null;
  readonly of: string;
  /** Null where nothing was counted yet: that is not 0. */
  readonly start: number | null;
}

const nothing = () => () => {};

/**
 * Without scripts: number boxes. With scripts: one big place to tap for each good one; the boxes stay and can be typed in. What
 * was typed before the scripts came stays: the boxes hold it themselves, and are read.
 */
export function Counter({ fields, tap }: { fields: readonly CountField[]; tap: { hint: string; less: string; swap: string } | null }) {
  /** What was tapped last is spoken: whose eyes or hands are with the child hears that it counted. */
  const [lastTapped, setLastTapped] = useState<number | null>(null);
  const [counts, setCounts] = useState(() => fields.map((field) => String(field.start ?? '')));
  const scripted = useSyncExternalStore(
    nothing,
    () => true,
    () => false,
  );
  const numbers = counts.map((count) => Number(count) || 0);
  const isTally = fields.some(({ target }) => target === null);
  const waiting = fields.findIndex(({ target }, index) => numbers[index]! < (target ?? 0));
  const active = waiting === -1 ? fields.length - 1 : waiting;
  // A tally has no turns: each of its fields can be tapped at any time.
  const tapped = isTally ? fields.map((_, index) => index) : [active];
  const boxes = useRef<(HTMLInputElement | null)[]>([]);
  useEffect(() => setCounts((before) => before.map((count, index) => boxes.current[index]?.value ?? count)), []);
  const note = (index: number, count: string) => setCounts((before) => before.map((each, place) => (place === index ? count : each)));
  const setCount = (index: number, count: string) => {
    const box = boxes.current[index];
    if (box) box.value = count;
    note(index, count);
  };
  const tapOn = (index: number, count: number) => {
    setCount(index, String(count));
    setLastTapped(index);
  };
  const lastCounted = numbers.reduce((last, count, index) => (count > 0 ? index : last), -1);
  return (
    <div className="mt-2">
      {scripted && tap && (
        <>
          <div className={`grid gap-2.5 ${tapped.length > 1 ? 'grid-cols-2' : ''}`}>
            {tapped.map((index, place) => (
              // By its place, so that a press of a key stays where it was when the hand changes.
              <button
                key={place}
                type="button"
                onClick={() => tapOn(index, numbers[index]! + 1)}
                className="block w-full rounded-[12px] bg-green-tint px-4 py-4 text-center select-none active:bg-straw-tint"
              >
                <span className="font-title text-[52px] leading-none font-bold">{numbers[index]}</span>{' '}
                <span className="text-[24px]">{fields[index]!.of}</span>
                <span className="mt-1 block font-bold">
                  {!isTally && index > 0 && numbers[index] === 0 ? `${tap.swap}: ${fields[index]!.label}` : fields[index]!.label}
                </span>
                <span className="block text-[15px] text-soft">{tap.hint}</span>
              </button>
            ))}
          </div>
          <p role="status" className="sr-only">
            {lastTapped !== null &&
              [
                `${fields[lastTapped]!.label}: ${numbers[lastTapped]} ${fields[lastTapped]!.of}.`,
                ...(!isTally && active !== lastTapped && numbers[active] === 0 ? [`${tap.swap}: ${fields[active]!.label}.`] : []),
              ].join(' ')}
          </p>
          <button
            type="button"
            disabled={lastCounted < 0}
            onClick={() => tapOn(lastCounted, numbers[lastCounted]! - 1)}
            className="mx-auto block min-h-[2.6rem] px-4 text-[15px] underline disabled:opacity-50"
          >
            {tap.less}
          </button>
        </>
      )}
      <div className={`grid gap-3 ${fields.length > 1 ? 'grid-cols-2' : ''}`}>
        {fields.map((each, index) => (
          <label key={each.name} className="block">
            {each.label} <span className="text-soft">{each.of}</span>
            <input
              name={each.name}
              inputMode={tap ? 'numeric' : 'decimal'}
              autoComplete="off"
              defaultValue={String(each.start ?? '')}
              ref={(box) => {
                boxes.current[index] = box;
              }}
              onChange={(event) => note(index, event.target.value)}
              className="box"
              data-field={each.name}
            />
          </label>
        ))}
      </div>
    </div>
  );
}
