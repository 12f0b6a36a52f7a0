import { layTimeline, type TimelineDrawing, type TimelineInput, type TimelineSize, type StepOutcomes } from '@/core/stepTimeline';

const SMALL: TimelineSize = { width: 108, height: 30, headroom: 12, bracketRoom: 0, pipRoom: 0, footShare: 0.2, pipPitch: 12 };
const LARGE: TimelineSize = { width: 790, height: 176, headroom: 30, bracketRoom: 16, pipRoom: 20, footShare: 0.36, pipPitch: 13 };

export type TimelineData = Omit<TimelineInput, 'size'> & {
  /** Something hurt at this task, and nobody has lifted the stop: a barred square stands where the peg stood. */
  readonly closed?: boolean;
};

/** The flight in a table: the same line without words. */
export function SmallTimeline({ timeline, label }: { timeline: TimelineData; label: string }) {
  const laid = layTimeline({ ...timeline, size: SMALL });
  return (
    <svg className="flight flight-small" width={SMALL.width} height={SMALL.height} role="img">
      <title>{label}</title>
      <Stairs laid={laid} size={SMALL} pegRadius={1.9} closed={timeline.closed ?? false} />
    </svg>
  );
}

/** The flight with its steps' names, the family's bracket and the pips of sessions. */
export function LargeTimeline({
  timeline,
  names,
  label,
  width = LARGE.width,
}: {
  timeline: TimelineData;
  names: readonly string[];
  label: string;
  width?: number;
}) {
  const size = { ...LARGE, width };
  const laid = layTimeline({ ...timeline, size });
  return (
    <svg viewBox={`-4 0 ${size.width + 8} ${size.height}`} className="flight h-auto w-full" role="img" aria-label={label}>
      <Stairs laid={laid} size={size} pegRadius={5.5} closed={timeline.closed ?? false} />
      {laid.outcomesPerStep.map((stepOutcomes, index) => (
        <OutcomesName key={stepOutcomes.step} stepOutcomes={stepOutcomes} floorY={laid.floorY} name={names[index] ?? ''} />
      ))}
      {laid.bracket && (
        <path
          d={`M${laid.bracket.fromX + 1} ${laid.bracket.y - 5}V${laid.bracket.y}H${laid.bracket.toX - 1}V${laid.bracket.y - 5}`}
          fill="none"
          stroke="var(--color-slate)"
          strokeWidth="1.5"
        />
      )}
      {laid.pips.map((pip, index) => (
        <use key={index} href={`#pip-${pip.outcome}`} x={pip.x - 6} y={pip.y - 6} width="12" height="12" />
      ))}
    </svg>
  );
}

/** The stairs by classes: their colours and widths stand in the style sheet, since a yard draws hundreds of them. */
function Stairs({ laid, size, pegRadius, closed }: { laid: TimelineDrawing; size: TimelineSize; pegRadius: number; closed: boolean }) {
  const done = laid.outcomesPerStep.filter((stepOutcomes) => stepOutcomes.state !== 'coming');
  const coming = laid.outcomesPerStep.filter((stepOutcomes) => stepOutcomes.state === 'coming');
  const here = done.at(-1)!;
  const floor = round(laid.floorY);
  const top = round(here.y);
  const end = round(here.x + here.width);
  const pegX = round(laid.peg.x);
  const pegTop = round(laid.peg.y - size.headroom * 0.62);
  const climbed = `${round(done[0]!.y)}${line(done)}`;
  return (
    <>
      <path className="ahead" d={`M${end} ${floor}V${top}${line(coming)}V${floor}Z`} />
      <path className="climbed" d={`M0 ${floor}V${climbed}V${floor}Z`} />
      <path className="edge" d={`M0 ${climbed}`} />
      {coming.length > 0 && <path className="coming" d={`M${end} ${top}${line(coming)}`} />}
      <path className="here" d={`M${round(here.x)} ${top}H${end}`} />
      {closed ? (
        <path className="shut" d={`M${pegX} ${round(laid.peg.y)}V${pegTop}${barred(pegRadius)}`} />
      ) : (
        <path className="peg" d={`M${pegX} ${round(laid.peg.y)}V${pegTop}${disc(pegRadius)}`} />
      )}
    </>
  );
}

/** A disc around the point at which the pen stands. */
const disc = (radius: number) => `m-${radius} 0a${radius} ${radius} 0 1 0 ${2 * radius} 0a${radius} ${radius} 0 1 0 -${2 * radius} 0`;

/** A square with a bar across it, around the point at which the pen stands. */
const barred = (radius: number) => `m-${radius} -${radius}h${2 * radius}v${2 * radius}h-${2 * radius}zm-${radius} ${radius}h${4 * radius}`;

function line(outcomesPerStep: readonly StepOutcomes[]): string {
  return outcomesPerStep.map((stepOutcomes) => `V${round(stepOutcomes.y)}H${round(stepOutcomes.x + stepOutcomes.width)}`).join('');
}

const round = (value: number) => Math.round(value * 10) / 10;

/** A name lies under its tread; one that has no room there ends in an ellipsis and stands whole in the title. */
function OutcomesName({ stepOutcomes, floorY, name }: { stepOutcomes: StepOutcomes; floorY: number; name: string }) {
  const room = Math.floor((stepOutcomes.width - 8) / 6.1);
  const text = `${stepOutcomes.step} ${name}`;
  const lines = wrap(text, room, Math.floor((floorY - stepOutcomes.y - 4) / 13));
  return (
    <text
      x={stepOutcomes.x + 5}
      y={stepOutcomes.y + 16}
      fontSize="12"
      fontWeight={stepOutcomes.state === 'here' ? 700 : 400}
      fill={stepOutcomes.state === 'coming' ? 'var(--color-soft)' : 'var(--color-green)'}
    >
      <title>{text}</title>
      {lines.map((part, index) => (
        <tspan key={index} x={stepOutcomes.x + 5} dy={index === 0 ? 0 : 13}>
          {part}
        </tspan>
      ))}
    </text>
  );
}

function wrap(text: string, room: number, most: number): string[] {
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && `${last} ${word}`.length <= room) lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines.length <= most ? lines : [...lines.slice(0, most - 1), `${lines[most - 1]}…`];
}
