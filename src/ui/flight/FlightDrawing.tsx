import { layFlight, type Flight, type FlightInput, type FlightSize, type Tread } from '@/core/flight';

const SMALL: FlightSize = { width: 108, height: 30, headroom: 12, bracketRoom: 0, pipRoom: 0, footShare: 0.2, pipPitch: 12 };
const LARGE: FlightSize = { width: 790, height: 176, headroom: 30, bracketRoom: 16, pipRoom: 20, footShare: 0.36, pipPitch: 13 };

export type FlightData = Omit<FlightInput, 'size'>;

/** The flight in a table: the same line without words. */
export function SmallFlight({ flight, label }: { flight: FlightData; label: string }) {
  const laid = layFlight({ ...flight, size: SMALL });
  return (
    <svg width={SMALL.width} height={SMALL.height} viewBox={`0 0 ${SMALL.width} ${SMALL.height}`} role="img" aria-label={label}>
      <title>{label}</title>
      <Stairs laid={laid} size={SMALL} heavy={2} />
    </svg>
  );
}

/** The flight with its steps' names, the family's bracket and the pips of sessions. */
export function LargeFlight({
  flight,
  names,
  label,
  width = LARGE.width,
}: {
  flight: FlightData;
  names: readonly string[];
  label: string;
  width?: number;
}) {
  const size = { ...LARGE, width };
  const laid = layFlight({ ...flight, size });
  return (
    <svg viewBox={`-4 0 ${size.width + 8} ${size.height}`} className="h-auto w-full" role="img" aria-label={label}>
      <Stairs laid={laid} size={size} heavy={4} />
      {laid.treads.map((tread, index) => (
        <TreadName key={tread.step} tread={tread} floorY={laid.floorY} name={names[index] ?? ''} />
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

function Stairs({ laid, size, heavy }: { laid: Flight; size: FlightSize; heavy: number }) {
  const done = laid.treads.filter((tread) => tread.state !== 'coming');
  const coming = laid.treads.filter((tread) => tread.state === 'coming');
  const here = done.at(-1)!;
  const end = here.x + here.width;
  const radius = heavy === 2 ? 2.6 : 7;
  return (
    <>
      <path
        d={`M${end} ${laid.floorY}V${here.y}${line(coming)}V${laid.floorY}Z`}
        fill="var(--color-sheet)"
        stroke="var(--color-line)"
        strokeWidth="1"
      />
      <path d={`M0 ${laid.floorY}V${done[0]!.y}${line(done)}V${laid.floorY}Z`} fill="var(--color-green-tint)" />
      <path d={`M0 ${done[0]!.y}${line(done)}`} fill="none" stroke="var(--color-green)" strokeWidth="1.4" />
      {coming.length > 0 && (
        <path d={`M${end} ${here.y}${line(coming)}`} fill="none" stroke="var(--color-soft)" strokeWidth="1.2" strokeDasharray="3 2" />
      )}
      <path d={`M${here.x} ${here.y}H${end}`} stroke="var(--color-green)" strokeWidth={heavy} />
      <path
        d={`M${laid.peg.x} ${laid.peg.y}V${laid.peg.y - size.headroom * 0.5}`}
        stroke="var(--color-ink)"
        strokeWidth={heavy === 2 ? 1.4 : 3}
      />
      <circle cx={laid.peg.x} cy={laid.peg.y - size.headroom * 0.62} r={radius} fill="var(--color-ink)" />
    </>
  );
}

function line(treads: readonly Tread[]): string {
  return treads.map((tread) => `V${round(tread.y)}H${round(tread.x + tread.width)}`).join('');
}

const round = (value: number) => Math.round(value * 10) / 10;

/** A name lies under its tread; one that has no room there ends in an ellipsis and stands whole in the title. */
function TreadName({ tread, floorY, name }: { tread: Tread; floorY: number; name: string }) {
  const room = Math.floor((tread.width - 8) / 6.1);
  const text = `${tread.step} ${name}`;
  const lines = wrap(text, room, Math.floor((floorY - tread.y - 4) / 13));
  return (
    <text
      x={tread.x + 5}
      y={tread.y + 16}
      fontSize="12"
      fontWeight={tread.state === 'here' ? 700 : 400}
      fill={tread.state === 'coming' ? 'var(--color-soft)' : 'var(--color-green)'}
    >
      <title>{text}</title>
      {lines.map((part, index) => (
        <tspan key={index} x={tread.x + 5} dy={index === 0 ? 0 : 13}>
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
