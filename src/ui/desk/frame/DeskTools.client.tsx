'use client';

import { Command } from 'cmdk';
import { setNonce } from 'get-nonce';
import { useRouter } from 'next/navigation';
import { Dialog } from 'radix-ui';
import { useEffect, useRef, useState } from 'react';
import { plain } from '@/core/text';
import { MarkList } from '../../stepTimeline/MarkList';
import { KeyCap } from '../parts/KeyCap';
import { useDeskKeys } from './useDeskKeys';

export interface Findable {
  readonly href: string;
  readonly name: string;
  readonly hint?: string;
}

interface Props {
  readonly places: readonly Findable[];
  /** Actions that are available on every screen. */
  readonly doings: readonly Findable[];
}

/** The command box (Ctrl/⌘ K), the list of this screen's keys and marks (?), and the listener that makes `data-key` work. */
export function DeskTools({ places, doings }: Props) {
  const [open, setOpen] = useState<'find' | 'keys' | null>(null);
  const router = useRouter();
  useDeskKeys(setOpen);
  // Styles that a dialog adds carry the page's nonce.
  useEffect(() => setNonce(document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce ?? ''), []);
  const go = (href: string) => {
    setOpen(null);
    router.push(href);
  };
  return (
    <>
      <button type="button" onClick={() => setOpen('find')} className="flex items-center gap-2 text-[14px] text-soft hover:text-ink">
        Search or jump to… <KeyCap>Ctrl</KeyCap>
        <KeyCap>K</KeyCap>
      </button>
      <button
        type="button"
        data-for-keys
        onClick={() => setOpen('keys')}
        className="min-h-6 text-soft hover:text-ink"
        aria-label="Keyboard shortcuts and symbols"
      >
        <KeyCap>?</KeyCap>
      </button>
      <Dialog.Root open={open !== null} onOpenChange={(next) => setOpen(next ? open : null)}>
        <Dialog.Portal>
          <Dialog.Overlay className="fixed inset-0 bg-ink/30" />
          <Dialog.Content
            aria-describedby={undefined}
            tabIndex={0}
            className="fixed top-[8vh] left-1/2 max-h-[80vh] w-[560px] max-w-[92vw] -translate-x-1/2 overflow-auto rounded-[6px] border border-ink bg-sheet p-4"
          >
            {open === 'keys' ? <KeyList /> : <FindBox places={places} doings={doings} go={go} close={() => setOpen(null)} />}
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
    </>
  );
}

const CHOSEN = '[cmdk-item][data-selected="true"]';

/** Acts and screens are there at once; children and tasks come as soon as they are asked for. */
function FindBox({ places, doings, go, close }: Props & { go: (href: string) => void; close: () => void }) {
  const [found, setFound] = useState<readonly Findable[] | null>(null);
  const [here] = useState(actsHere);
  const box = useRef<HTMLDivElement>(null);
  const enterWaits = useRef(false);
  useEffect(() => {
    const stop = new AbortController();
    fetch('/find', { signal: stop.signal })
      .then((answer) => (answer.ok ? (answer.json() as Promise<Findable[]>) : []))
      .then(setFound)
      .catch(() => stop.signal.aborted || setFound([]));
    return () => stop.abort();
  }, []);
  // Typing a name and Enter before the names have loaded goes there once they have.
  useEffect(() => {
    if (found === null || !enterWaits.current) return;
    enterWaits.current = false;
    const chosen = requestAnimationFrame(() => box.current?.querySelector<HTMLElement>(CHOSEN)?.click());
    return () => cancelAnimationFrame(chosen);
  }, [found]);
  const press = (element: HTMLElement) => {
    close();
    // Once the box has given the focus back.
    setTimeout(() => element.click(), 0);
  };
  return (
    <Command
      ref={box}
      onKeyDown={({ key }) => {
        enterWaits.current = key === 'Enter' && found === null && !box.current?.querySelector(CHOSEN);
      }}
      label="Search for a student, a task, a screen or an action"
      filter={(value, search) => Number(plain(value).includes(plain(search)))}
    >
      <Dialog.Title className="sr-only">Search</Dialog.Title>
      <Command.Input placeholder="Student, task, screen or action…" className="field w-full text-[17px]" />
      <Command.List className="mt-2">
        <Command.Empty className="p-2 text-soft">{found === null ? 'Looking…' : 'No match.'}</Command.Empty>
        {here.map(({ says, element }) => (
          <FindRow key={`here ${says}`} name={says} hint="here" onSelect={() => press(element)} />
        ))}
        {[...places, ...doings, ...(found ?? [])].map((item) => (
          <FindRow key={item.href} name={item.name} hint={item.hint ?? 'screen'} onSelect={() => go(item.href)} />
        ))}
      </Command.List>
    </Command>
  );
}

function FindRow({ name, hint, onSelect }: { name: string; hint: string; onSelect: () => void }) {
  return (
    <Command.Item
      value={`${name} ${hint}`}
      onSelect={onSelect}
      className="flex cursor-pointer justify-between gap-4 px-2 py-1.5 data-[selected=true]:bg-straw-tint"
    >
      <span>{name}</span>
      <span className="text-soft">{hint}</span>
    </Command.Item>
  );
}

/** Returns the actions that this screen offers by a key, links to other screens left out. */
function actsHere(): { says: string; element: HTMLElement }[] {
  return [...document.querySelectorAll<HTMLElement>('main [data-key][data-key-says]:not([data-key^="Arrow"])')].map((element) => ({
    says: element.dataset.keySays!,
    element,
  }));
}

function KeyList() {
  const keys = [...document.querySelectorAll<HTMLElement>('[data-key][data-key-says]')].map((element) => ({
    key: element.dataset.key!,
    says: element.dataset.keySays!,
  }));
  const everywhere = [
    { key: 'Ctrl K', says: 'Search for a student, a task, a screen or an action' },
    { key: 'Ctrl Enter', says: 'Submit the form' },
    { key: 'Esc', says: 'Leave the field, then go back' },
    { key: '?', says: 'Keyboard shortcuts and symbols' },
  ];
  return (
    <>
      <Dialog.Title className="mb-2 font-title text-[18px] font-bold">Keyboard shortcuts of this screen</Dialog.Title>
      <dl className="grid grid-cols-[auto_1fr] items-center gap-x-4 gap-y-1.5">
        {[...keys, ...everywhere].map(({ key, says }) => (
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
      <h2 className="mt-4 mb-2 text-[18px]">What the symbols mean</h2>
      <MarkList />
    </>
  );
}

const shown = (key: string) =>
  ({ ArrowRight: '→', ArrowLeft: '←', ArrowDown: '↓', ArrowUp: '↑' })[key] ?? (key.length === 1 ? key.toUpperCase() : key);
