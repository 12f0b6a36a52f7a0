'use client';

import { Command } from 'cmdk';
import { useRouter } from 'next/navigation';
import { Dialog } from 'radix-ui';
import { useEffect, useState } from 'react';
import { KeyCap } from '../parts/KeyCap';

export interface Findable {
  readonly href: string;
  readonly name: string;
  readonly hint?: string;
}

interface Props {
  readonly places: readonly Findable[];
  readonly findable: readonly Findable[];
}

const CHORD_MILLISECONDS = 1200;

/** The command box (Ctrl/⌘ K), the list of this screen's keys (?), and the listener that makes `data-key` work. */
export function DeskTools({ places, findable }: Props) {
  const [open, setOpen] = useState<'find' | 'keys' | null>(null);
  const router = useRouter();
  useKeys(setOpen);
  const go = (href: string) => {
    setOpen(null);
    router.push(href);
  };
  return (
    <>
      <button type="button" onClick={() => setOpen('find')} className="flex items-center gap-2 text-[14px] text-soft hover:text-ink">
        find or do <KeyCap>Ctrl</KeyCap>
        <KeyCap>K</KeyCap>
      </button>
      <button type="button" onClick={() => setOpen('keys')} className="text-soft hover:text-ink" aria-label="Keys of this screen">
        <KeyCap>?</KeyCap>
      </button>
      <Dialog.Root open={open !== null} onOpenChange={(next) => setOpen(next ? open : null)}>
        <Dialog.Portal>
          <Dialog.Overlay className="fixed inset-0 bg-ink/30" />
          <Dialog.Content
            aria-describedby={undefined}
            className="fixed top-[12vh] left-1/2 max-h-[70vh] w-[520px] max-w-[92vw] -translate-x-1/2 overflow-auto rounded-[6px] border border-ink bg-sheet p-4"
          >
            {open === 'keys' ? <KeyList /> : <FindBox places={places} findable={findable} go={go} />}
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
    </>
  );
}

function FindBox({ places, findable, go }: Props & { go: (href: string) => void }) {
  return (
    <Command label="Find a child or a screen">
      <Dialog.Title className="sr-only">Find or do</Dialog.Title>
      <Command.Input placeholder="A child’s name, a screen…" className="field w-full text-[17px]" />
      <Command.List className="mt-2">
        <Command.Empty className="p-2 text-soft">Nothing by that name.</Command.Empty>
        {[...places, ...findable].map((item) => (
          <Command.Item
            key={item.href}
            value={`${item.name} ${item.hint ?? ''}`}
            onSelect={() => go(item.href)}
            className="flex cursor-pointer justify-between px-2 py-1.5 data-[selected=true]:bg-straw-tint"
          >
            <span>{item.name}</span>
            <span className="text-soft">{item.hint}</span>
          </Command.Item>
        ))}
      </Command.List>
    </Command>
  );
}

function KeyList() {
  const keys = [...document.querySelectorAll<HTMLElement>('[data-key][data-key-says]')].map((element) => ({
    key: element.dataset.key!,
    says: element.dataset.keySays!,
  }));
  return (
    <>
      <Dialog.Title className="mb-2 font-title text-[18px] font-bold">Keys of this screen</Dialog.Title>
      <dl className="grid grid-cols-[auto_1fr] items-center gap-x-4 gap-y-1.5">
        {[...keys, { key: 'Ctrl K', says: 'Find a child or a screen' }, { key: '?', says: 'These keys' }].map(({ key, says }) => (
          <div key={key} className="contents">
            <dt>
              {key.split(' ').map((cap) => (
                <KeyCap key={cap}>{shown(cap)}</KeyCap>
              ))}
            </dt>
            <dd>{says}</dd>
          </div>
        ))}
      </dl>
    </>
  );
}

const shown = (key: string) =>
  ({ ArrowRight: '→', ArrowLeft: '←', ArrowDown: '↓', ArrowUp: '↑' })[key] ?? (key.length === 1 ? key.toUpperCase() : key);

/** A key presses what carries it; two-key chords (`g y`) wait a moment for their second key. */
function useKeys(setOpen: (what: 'find' | 'keys') => void) {
  useEffect(() => {
    let chord: { key: string; until: number } | null = null;
    const listen = (event: KeyboardEvent) => {
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
        event.preventDefault();
        setOpen('find');
        return;
      }
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      if (isTyping(event.target)) {
        // Out of the field first: what was typed is thrown away by no single key.
        if (event.key === 'Escape' && event.target instanceof HTMLElement) event.target.blur();
        return;
      }
      if (event.key === '?') return setOpen('keys');
      const wanted = chord && Date.now() < chord.until ? `${chord.key} ${event.key}` : event.key;
      chord = event.key === 'g' ? { key: 'g', until: Date.now() + CHORD_MILLISECONDS } : null;
      const target = document.querySelector<HTMLElement>(`[data-key="${CSS.escape(wanted)}"]`);
      if (!target) return;
      event.preventDefault();
      if (target.matches('input, textarea, select')) target.focus();
      else target.click();
    };
    document.addEventListener('keydown', listen);
    return () => document.removeEventListener('keydown', listen);
  }, [setOpen]);
}

function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.matches('input, textarea, select') || target.isContentEditable || target.closest('[role="dialog"]') !== null)
  );
}
