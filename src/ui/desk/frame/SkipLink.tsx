/** The first stop of the keyboard on every screen: past the strips and the navigation. */
export function SkipLink() {
  return (
    <a href="#main" className="absolute -top-20 left-2 z-10 bg-sheet p-2 focus:top-2">
      Skip to the content
    </a>
  );
}
