import { useRef, useState } from 'react';
import { outlineOf, type Outline, type OutlineFinding, type Point } from '@/core/worksheets';
import type { ReadOutline } from '@/server/worksheets/putSheet';
import { faultOfFile, findingWords } from './sheetWords';

interface Props {
  readonly take: (outline: Outline) => void;
  readonly readFile: (file: string, sizeMm: number) => Promise<ReadOutline | string>;
}

const SIZE_MM = 120;
const BOARD = 200;

/** An outline of one's own: drawn with the pointer, or read from a file of paths. */
export function OwnOutline({ take, readFile }: Props) {
  const [points, setPoints] = useState<readonly Point[]>([]);
  const [fault, setFault] = useState<string | null>(null);
  const [findings, setFindings] = useState<readonly OutlineFinding[]>([]);
  const draws = useRef(false);
  const settle = (outline: Outline) => {
    setFindings(outline.findings);
    // An outline that falls apart when it is cut is no worksheet.
    if (outline.findings.some(({ code }) => code === 'crossesItself')) return;
    take(outline);
  };
  const taken = (read: ReadOutline) => {
    setFault(read.ok ? null : faultOfFile(read.faults[0]!));
    if (read.ok) settle(read.value);
  };
  const at = (event: React.PointerEvent<SVGSVGElement>): Point => {
    const box = event.currentTarget.getBoundingClientRect();
    return [((event.clientX - box.left) / box.width) * BOARD, ((event.clientY - box.top) / box.height) * BOARD];
  };
  return (
    <div className="mt-1">
      <svg
        viewBox={`0 0 ${BOARD} ${BOARD}`}
        className="h-[200px] w-[200px] cursor-crosshair touch-none border border-dashed border-soft bg-sheet"
        role="img"
        aria-label="Area to draw an outline with the pointer"
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          draws.current = true;
          setPoints([at(event)]);
        }}
        onPointerMove={(event) => {
          const place = at(event);
          if (draws.current) setPoints((known) => [...known, place]);
        }}
        onPointerUp={() => {
          draws.current = false;
          const outline = outlineOf(points, SIZE_MM);
          setFault(outline.ok ? null : faultOfFile(outline.issues[0]!));
          if (outline.ok) settle(outline.value);
        }}
      >
        <polyline points={points.map((point) => point.join(',')).join(' ')} fill="none" stroke="#1f2e2b" strokeWidth={1.5} />
      </svg>
      <label className="mt-1 block text-[14px]">
        Or an SVG file with one path{' '}
        <input
          type="file"
          accept=".svg,image/svg+xml"
          className="block text-[14px]"
          onChange={async (event) => {
            const [file] = event.target.files ?? [];
            if (!file) return;
            if (file.size > 200_000) return setFault(faultOfFile({ code: 'tooLarge' }));
            const read = await readFile(await file.text(), SIZE_MM);
            if (typeof read === 'string') setFault(read);
            else taken(read);
          }}
        />
      </label>
      <div role="status" className="text-[14px]">
        {fault && <p className="text-brick">{fault}</p>}
        {findings.map((finding, index) => (
          <p key={index} className={finding.code === 'crossesItself' ? 'text-brick' : ''}>
            {findingWords(finding)}
          </p>
        ))}
      </div>
    </div>
  );
}
