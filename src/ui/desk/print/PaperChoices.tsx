/** How paper is to look: the same choices for one child and for many. */
export function PaperChoices() {
  return (
    <>
      <label className="block">
        <span className="block text-[13px] font-semibold">Contents</span>
        <select name="part" className="field" defaultValue="all">
          <option value="all">Program and practice log</option>
          <option value="program">Program only</option>
          <option value="slip">Practice log only</option>
        </select>
      </label>
      <label className="block">
        <span className="block text-[13px] font-semibold">Paper</span>
        <select name="size" className="field" defaultValue="letter">
          <option value="letter">Letter</option>
          <option value="a4">A4</option>
        </select>
      </label>
      <label className="block">
        <span className="block text-[13px] font-semibold">Practice log from</span>
        <input type="date" name="from" className="field" aria-describedby="slip-from" />
      </label>
      <label className="flex items-center gap-2 self-end pb-2">
        <input type="checkbox" name="large" className="size-4 accent-green" /> large print
      </label>
    </>
  );
}
