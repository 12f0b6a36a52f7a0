import { all, one } from './page';

export const SCREENS = ['ready', 'look', 'do', 'how', 'saved'] as const;
export type Screen = (typeof SCREENS)[number];

/**
 * Shows one screen at a time, by the address alone: the phone's own back button goes back. Without this script all of them are
 * shown below each other.
 * @param first where the address names none
 */
export function showScreens(first: Screen, onShown: (screen: Screen) => void): void {
  const named = (): Screen | null => SCREENS.find((screen) => `#${screen}` === location.hash) ?? null;
  let shown: Screen | null = null;
  const show = (screen: Screen, isOpening = false) => {
    for (const section of all('.screen')) section.classList.toggle('shown', section.id === screen);
    if (shown === screen) return;
    shown = screen;
    document.body.dataset.screen = screen;
    onShown(screen);
    if (isOpening) return;
    one(`#${screen} [data-heading]`)?.focus({ preventScroll: true });
    // The browser itself goes to the address first.
    window.scrollTo(0, 0);
    requestAnimationFrame(() => window.scrollTo(0, 0));
  };
  show(named() ?? first, true);
  window.addEventListener('hashchange', () => {
    const screen = named();
    if (screen) show(screen);
  });
}

export function goTo(screen: Screen): void {
  location.hash = screen;
}
