'use client';

import { useEffect, useRef, useSyncExternalStore, useState } from 'react';

export interface CountField {
  readonly name: string;
  readonly label: string;
  readonly target: number;
  readonly of: string;
  /** Null where nothing was counted yet: that is not 0. */
  readonly start: number | null;
}

const nothing = () => () => {};

/**
 * Without scripts: number boxes. With scripts: one big place to tap for each good one; the boxes stay and can be typed in. What
 * was typed before the scripts came stays: the boxes hold it themselves, and are read.
 */
export function Counter({ fields, tap }: { fields: readonly CountField[]; tap: { hint: string; less: string; swap: string } }) {
  const [counts, setCounts] = useState(() => fields.map((field) => String(field.start ?? '')));
  const scripted = useSyncExternalStore(
    nothing,
    () => true,
    () => false,
  );
  const numbers = counts.map((count) => Number(count) || 0);
  const reached = fields.findIndex((field, index) => numbers[index]! < field.target);
  const active = reached === -1 ? fields.length - 1 : reached;
  const field = fields[active]!;
  const boxes = useRef<(HTMLInputElement | null)[]>([]);
  useEffect(() => setCounts((before) => before.map((count, index) => boxes.current[index]?.value ?? count)), []);
  const note = (index: number, count: string) => setCounts((before) => before.map((each, place) => (place === index ? count : each)));
  const setCount = (index: number, count: string) => {
    const box = boxes.current[index];
    if (box) box.value = count;
    note(index, count);
  };
  const lastCounted = numbers.findLastIndex((count) => count > 0);
  return (
    <div className="mt-2">
      {scripted && (
        <>
          <button
            type="button"
            onClick={() => setCount(active, String(numbers[active]! + 1))}
            className="block w-full rounded-[12px] bg-green-tint px-4 py-4 text-center select-none active:bg-straw-tint"
          >
            <span className="font-title text-[52px] leading-none font-bold">{numbers[active]}</span>{' '}
            <span className="text-[24px]">{field.of}</span>
            <span className="mt-1 block font-bold">
              {active > 0 && numbers[active] === 0 ? `${tap.swap}: ${field.label}` : field.label}
            </span>
            <span className="block text-[15px] text-soft">{tap.hint}</span>
          </button>
          <button
            type="button"
            disabled={lastCounted < 0}
            onClick={() => setCount(lastCounted, String(numbers[lastCounted]! - 1))}
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
              inputMode="numeric"
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
