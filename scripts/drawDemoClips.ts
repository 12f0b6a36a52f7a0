import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { createElement, Fragment } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import sharp from 'sharp';
import { hand, thing, thumbTip, type HandPose, type Part, type Spot } from '@/core/pictures/parts';
import { DrawnPart } from '@/ui/task/GoodOneDrawing';
import { say } from './say';

/**
 * Draws the clips of the demo, frame by frame, from our own drawn hands: nobody was filmed. Run by hand where a drawing has changed; it needs
 * ffmpeg. `node scripts/run.mjs scripts/drawDemoClips.ts`
 */
const [WIDTH, HEIGHT] = [480, 320];
const PICTURES_A_SECOND = 10;
const SECONDS = 8;
const FOLDER = path.join('demo', 'clips');

/** Position of the hand from 0 (where it takes) to 1 (where it lets go): there, a rest, and back, slowly. */
const WAY = [0, 0, 0, 0.15, 0.4, 0.7, 0.9, 1, 1, 1, 0.8, 0.5, 0.2, 0, 0, 0] as const;
const LETS_GO = 8.5;

interface Drawn {
  readonly slug: string;
  /** Pose of the fingers, and the thing they hold on their way there; the way back is empty. */
  readonly held: (tip: Spot) => Part[];
  readonly tool: (tip: Spot) => { readonly parts: Part[]; readonly end: Spot };
  readonly from: Spot;
  readonly to: Spot;
}

/** Tongs between thumb and fingers, their ends on what is carried. */
const tongs: Drawn['tool'] = ([x, y]) => ({
  parts: [
    thing(
      [
        [x - 16, y - 12],
        [x + 34, y + 22],
      ],
      'none',
      false,
    ),
    thing(
      [
        [x - 12, y + 6],
        [x + 24, y + 32],
      ],
      'none',
      false,
    ),
  ],
  end: [x + 31, y + 31],
});
const block: Drawn['held'] = ([x, y]) => [
  thing(
    [
      [x - 12, y - 8],
      [x + 12, y - 8],
      [x + 12, y + 10],
      [x - 12, y + 10],
    ],
    'thing',
  ),
];
const washer: Drawn['held'] = (at) => [
  { kind: 'disc', at, radius: 9, fill: 'thing' },
  { kind: 'disc', at, radius: 3, fill: 'paper' },
];

const CLIPS: readonly Drawn[] = [
  { slug: 'crane-lift', tool: tongs, held: block, from: [60, 60], to: [230, 40] },
  { slug: 'pocket-the-washers', tool: ([x, y]) => ({ parts: [], end: [x + 3, y + 4] }), held: washer, from: [70, 90], to: [210, 70] },
];

const COLORS = { sheet: '#fffdf8', ink: '#1f2e2b', green: '#1f5a4c', 'straw-tint': '#f3e3b3' } as const;

const HELD_POSE = { towards: 18, pointer: [40, 40, 25], others: [60, 60, 40], thumb: [22, 12] } as const;

function markupOf(parts: readonly Part[]): string {
  const markup = renderToStaticMarkup(createElement(Fragment, null, ...parts.map((part, key) => createElement(DrawnPart, { key, part }))));
  return markup.replace(/var\(--color-([a-z-]+)\)/g, (_, name: keyof typeof COLORS) => COLORS[name]);
}

function frame({ tool, held, from, to }: Drawn, wrist: Spot, isCarrying: boolean): string {
  const pose: HandPose = { wrist, ...HELD_POSE };
  const { parts, end } = tool(thumbTip(pose));
  // Ground below the hand: where it takes lies the thing, where it lets go is the dish.
  const groundAt = (place: Spot): Spot => tool(thumbTip({ wrist: place, ...HELD_POSE })).end;
  const dish = ([x, y]: Spot, fill: string) =>
    `<ellipse cx="${x}" cy="${y + 12}" rx="34" ry="11" fill="${fill}" stroke="${COLORS.ink}" stroke-width="1.6"/>`;
  const lying = isCarrying ? [] : held([groundAt(from)[0] - 6, groundAt(from)[1] + 4]);
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}" viewBox="0 0 360 240">
<rect width="360" height="240" fill="#f4f0e6"/><path d="M0 190H360" stroke="#c9c1ae" stroke-width="3"/>
${dish(groundAt(from), COLORS.sheet)}${dish(groundAt(to), COLORS['straw-tint'])}
<g fill="none" stroke-linecap="round" stroke-linejoin="round">${markupOf([...lying, ...(isCarrying ? held(end) : []), ...parts, ...hand(pose)])}</g></svg>`;
}

mkdirSync(FOLDER, { recursive: true });
for (const clip of CLIPS) {
  const folder = mkdtempSync(path.join(tmpdir(), 'yard-drawn-'));
  const count = SECONDS * PICTURES_A_SECOND;
  for (let index = 0; index < count; index += 1) {
    const at = (index / count) * (WAY.length - 1);
    const [low, high] = [WAY[Math.floor(at)]!, WAY[Math.ceil(at)]!];
    const part = low + (high - low) * (at % 1);
    // A hand that carries goes up and over.
    const lift = 40 * Math.sin(Math.PI * part);
    const place: Spot = [clip.from[0] + (clip.to[0] - clip.from[0]) * part, clip.from[1] + (clip.to[1] - clip.from[1]) * part - lift];
    const isCarrying = at > 2 && at < LETS_GO;
    writeFileSync(
      path.join(folder, `${String(index).padStart(3, '0')}.png`),
      await sharp(Buffer.from(frame(clip, place, isCarrying)))
        .png()
        .toBuffer(),
    );
  }
  const file = path.join(FOLDER, `${clip.slug}.mp4`);
  const made = spawnSync(
    'ffmpeg',
    [
      '-v',
      'error',
      '-y',
      '-framerate',
      String(PICTURES_A_SECOND),
      '-i',
      path.join(folder, '%03d.png'),
      '-c:v',
      'libx264',
      '-profile:v',
      'baseline',
      '-crf',
      '30',
      '-g',
      '20',
      '-pix_fmt',
      'yuv420p',
      '-map_metadata',
      '-1',
      '-movflags',
      '+faststart',
      file,
    ],
    { encoding: 'utf8' },
  );
  rmSync(folder, { recursive: true });
  if (made.status !== 0) throw new Error(made.stderr || 'ffmpeg is not there');
  say(file);
}
