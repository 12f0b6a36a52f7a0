import { useEffect } from 'react';

/** A key presses what carries it; Ctrl Enter sends the form that is written in. */
export function useDeskKeys(open: (what: 'find' | 'keys') => void): void {
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      const isControl = event.ctrlKey || event.metaKey;
      if (isControl && event.key.toLowerCase() === 'k') {
        event.preventDefault();
        return open('find');
      }
      if (isControl && event.key === 'Enter' && event.target instanceof HTMLElement) {
        const form = event.target.closest('form');
        if (!form) return;
        event.preventDefault();
        return form.requestSubmit();
      }
      if (isControl || event.altKey) return;
      if (isTyping(event.target)) {
        // Out of the field first: what was typed is thrown away by no single key.
        if (event.key === 'Escape' && event.target instanceof HTMLElement) event.target.blur();
        return;
      }
      if (event.key === '?') return open('keys');
      // An open question takes its keys before the screen around it.
      const key = `[data-key="${CSS.escape(event.key)}"]`;
      const target = document.querySelector<HTMLElement>(`[data-keys-first] ${key}`) ?? document.querySelector<HTMLElement>(key);
      if (!target) return;
      event.preventDefault();
      if (target.matches('input, textarea, select')) target.focus();
      else target.click();
    };
    document.addEventListener('keydown', listen);
    return () => document.removeEventListener('keydown', listen);
  }, [open]);
}

function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.matches('input:not([type=checkbox], [type=radio]), textarea, select') ||
      target.isContentEditable ||
      target.closest('[role="dialog"]') !== null)
  );
}
