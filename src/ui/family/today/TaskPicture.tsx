import { isNeededAt, type Shape, type TaskContent } from '@/core/tasks';

const WIDTH = 84;
const HEIGHT = 44;
const GROUND = HEIGHT - 4;
/** The largest thing is drawn this high and this wide. */
const MOST = { high: 34, wide: 30 };
const MOST_THINGS = 3;

/** For a child who can't read: what will lie on the table, drawn from the things' own shapes, the larger the larger. */
export function TaskPicture({ content, step }: { content: TaskContent; step: number }) {
  const shapes = content.materials
    .flatMap((material) => (isNeededAt(material, step) && material.shape ? [material.shape] : []))
    .slice(0, MOST_THINGS);
  if (shapes.length === 0) return null;
  const boxes = shapes.map(boxOf);
  const scale = Math.min(...boxes.map(({ wide, high }) => Math.min(MOST.wide / wide, MOST.high / high)));
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width={WIDTH} height={HEIGHT} aria-hidden="true" className="shrink-0">
      {boxes.map(({ wide, high, round }, index) => {
        // A bead beside a box is still to be seen.
        const [width, height] = [Math.max(7, wide * scale), Math.max(4, high * scale)];
        const middle = (WIDTH * (index + 0.5)) / boxes.length;
        return (
          <rect
            key={index}
            x={middle - width / 2}
            y={GROUND - height}
            width={width}
            height={height}
            rx={round ? Math.min(width, height) / 2 : 2}
            fill={['var(--color-straw)', 'var(--color-green-tint)', 'var(--color-brick-tint)'][index]}
            stroke="var(--color-ink)"
            strokeWidth="1.3"
          />
        );
      })}
      <path d={`M2 ${GROUND + 1}H${WIDTH - 2}`} stroke="var(--color-line)" strokeWidth="2" />
    </svg>
  );
}

/** As it stands or lies on a table, seen from the side; sizes by their root, so that small things are seen beside large ones. */
function boxOf(shape: Shape): { readonly wide: number; readonly high: number; readonly round: boolean } {
  switch (shape.kind) {
    case 'sphere':
      return { wide: Math.sqrt(shape.diameterMm), high: Math.sqrt(shape.diameterMm), round: true };
    case 'cylinder':
      return { wide: Math.sqrt(shape.diameterMm), high: Math.sqrt(shape.lengthMm), round: false };
    case 'box':
      return { wide: Math.sqrt(shape.lengthMm), high: Math.sqrt(Math.max(shape.heightMm, shape.widthMm / 3)), round: false };
  }
}
