'use client';

import { useState } from 'react';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';

interface Props {
  readonly thing: {
    readonly thing: string;
    readonly name: { readonly en: string };
    readonly inCupboard: number | null;
    readonly packSize: number;
    readonly short: number;
  };
  readonly count: WordedAction;
}

/** Shows the supplies on hand; a press counts them again. */
export function StockCell({ thing: { thing, name, inCupboard, packSize, short }, count }: Props) {
  const [isOpen, setOpen] = useState(false);
  if (!isOpen)
    return (
      <button type="button" className="link whitespace-nowrap" onClick={() => setOpen(true)}>
        {inCupboard ?? 'count'}
        <span className="sr-only"> supplies on hand: {name.en}</span>
        {short > 0 && inCupboard !== null && <span className="font-semibold text-brick"> {short} short</span>}
      </button>
    );
  return (
    <ActionForm action={count} hidden={{ thing }} onDone={() => setOpen(false)} className="flex flex-wrap items-center gap-1">
      <input
        name="inCupboard"
        inputMode="numeric"
        autoFocus
        defaultValue={inCupboard ?? ''}
        aria-label={`Supplies on hand: ${name.en}`}
        className="field w-[60px]"
      />
      <input
        name="packSize"
        inputMode="numeric"
        defaultValue={packSize}
        aria-label={`In packs of: ${name.en}`}
        className="field w-[52px]"
      />
      <button className="link">Save</button>
    </ActionForm>
  );
}
