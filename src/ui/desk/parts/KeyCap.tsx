/** The key beside the word of an act. */
export function KeyCap({ children }: { children: React.ReactNode }) {
  return (
    <kbd className="inline-block min-w-[1.5rem] rounded-[4px] border border-b-[3px] border-soft bg-sheet px-1 text-center font-text text-[12px] leading-[1.35] font-semibold text-ink">
      {children}
    </kbd>
  );
}
