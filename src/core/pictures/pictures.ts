import { FRAME, go, hand, mirroredParts, sheet, thing, thumbTip, way, type HandPose, type Part, type Spot } from './parts';

/** The pictures that families look at most, each drawn once for the right hand. Selection: common practice, no source. */
export const PICTURES = [
  'thumbUpScissors',
  'thumbUpZip',
  'pinch',
  'threeFingers',
  'wristBack',
  'helperHolds',
  'acrossMiddle',
  'cornersMatched',
  'onTheLine',
  'glueDot',
  'feetTogether',
  'pointerAlone',
  'oneInPalm',
  'twoPinches',
] as const;
export type PictureId = (typeof PICTURES)[number];

const BENT = [55, 60, 40] as const;
const PINCHING = { pointer: [40, 40, 25], others: [60, 60, 40], thumb: [22, 12] } as const;

/** The parts of a picture for a working hand. A hand that is not settled is drawn as a right one. */
export function pictureOf(id: PictureId, isLeft: boolean): readonly Part[] {
  const parts = DRAWN[id]();
  return isLeft ? mirroredParts(parts) : parts;
}

const DRAWN: Readonly<Record<PictureId, () => Part[]>> = {
  thumbUpScissors: () => {
    const pose: HandPose = { wrist: [52, 66], towards: -8, pointer: [30, 70, 50], others: [45, 75, 50], thumb: [-38, 30] };
    const [top, low]: [Spot, Spot] = [thumbTip(pose), [82, 76]];
    const pivot: Spot = [104, 58];
    return [
      sheet(112, 30, 44, 64, -4),
      {
        kind: 'line',
        spots: way('112 57, 154 55'),
        isDashed: true,
      },
      thing([low, pivot, [136, 47]], 'none', false),
      { kind: 'disc', at: [low[0], low[1] + 2], radius: 9, fill: 'none' },
      ...hand(pose),
      thing([[top[0] + 3, top[1] + 3], pivot, [138, 66]], 'none', false),
      { kind: 'disc', at: top, radius: 9, fill: 'none' },
      { kind: 'disc', at: pivot, radius: 2, fill: 'dark' },
      {
        kind: 'arrow',
        spots: [
          [go(top, -90, 14)[0], top[1] - 13],
          [top[0], top[1] - 29],
        ],
      },
    ];
  },
  thumbUpZip: () => {
    const pose: HandPose = { wrist: [72, 66], towards: -14, pointer: [18, 62, 30], others: BENT, thumb: [-14, 22] };
    const tip = thumbTip(pose);
    return [
      thing(way('112 4, 104 106'), 'none', false),
      thing(way('122 4, 112 106'), 'none', false),
      ...[14, 26, 38].map((y): Part => ({
        kind: 'line',
        spots: [
          [111 - y / 14, y],
          [121 - y / 12, y],
        ],
        isDashed: false,
      })),
      ...hand(pose),
      thing(
        [
          [tip[0] + 2, tip[1] - 3],
          [tip[0] + 14, tip[1] - 4],
          [tip[0] + 14, tip[1] + 4],
          [tip[0] + 2, tip[1] + 5],
        ],
        'thing',
      ),
      {
        kind: 'arrow',
        spots: way('138 70, 138 26'),
      },
    ];
  },
  pinch: () => {
    const pose: HandPose = { wrist: [56, 48], towards: 18, ...PINCHING };
    const [x, y] = thumbTip(pose);
    return [{ kind: 'disc', at: [x + 8, y + 8], radius: 9, fill: 'thing' }, ...hand(pose), ...table()];
  },
  threeFingers: () => {
    const pose: HandPose = { wrist: [58, 58], towards: 14, pointer: [26, 34, 22], others: [42, 48, 30], thumb: [16, 8] };
    const [x, y] = thumbTip(pose);
    return [
      sheet(70, 84, 80, 20, 10),
      thing(
        [
          [x + 14, y + 20],
          [x - 20, y - 26],
          [x - 14, y - 30],
          [x + 18, y + 16],
        ],
        'thing',
      ),
      ...hand(pose),
      {
        kind: 'line',
        spots: [
          [x + 18, y + 20],
          [x + 34, y + 20],
          [x + 46, y + 16],
        ],
        isDashed: false,
      },
    ];
  },
  wristBack: () => {
    const pose: HandPose = { wrist: [78, 62], towards: -38, wristBack: 34, pointer: [34, 30, 20], others: [46, 48, 30], thumb: [14, 10] };
    const [x, y] = thumbTip(pose);
    return [
      sheet(128, 6, 8, 98),
      thing(
        [
          [x - 6, y - 6],
          [126, y - 10],
          [126, y - 4],
          [x - 2, y + 2],
        ],
        'thing',
      ),
      ...hand(pose),
      {
        kind: 'arrow',
        spots: way('52 40, 66 28, 82 24'),
      },
    ];
  },
  helperHolds: () => {
    const working: HandPose = {
      wrist: [118, 50],
      towards: 154,
      pointer: [-26, -34, -22],
      others: [-42, -48, -30],
      thumb: [-16, -8],
      size: 0.8,
    };
    return [
      sheet(38, 60, 84, 44, 8),
      ...hand({ wrist: [20, 60], towards: 24, pointer: [6, 4, 4], others: [8, 6, 4], thumb: [-34, 20], size: 0.8 }),
      thing(way('84 82, 104 42, 109 44, 89 84'), 'thing'),
      ...flipped(working),
      {
        kind: 'line',
        spots: way('66 86, 86 84'),
        isDashed: false,
      },
    ];
  },
  acrossMiddle: () => [
    ...table(),
    {
      kind: 'line',
      spots: way('80 8, 80 96'),
      isDashed: true,
    },
    { kind: 'disc', at: [34, 60], radius: 9, fill: 'thing' },
    ...flipped({ wrist: [98, 58], towards: 178, pointer: [-16, -20, -14], others: [-26, -34, -20], thumb: [-24, -16] }),
    {
      kind: 'arrow',
      spots: way('44 34, 80 22, 118 34'),
    },
  ],
  cornersMatched: () => [
    thing(way('16 92, 104 92, 112 44, 24 44'), 'paper'),
    thing(way('18 90, 104 92, 111 46, 44 26'), 'paper'),
    { kind: 'disc', at: [111, 45], radius: 4, fill: 'dark' },
    ...flipped({ wrist: [150, 44], towards: 178, pointer: [-4, -8, -6], others: [-10, -16, -10], thumb: [-30, -14], size: 0.8 }),
    {
      kind: 'arrow',
      spots: way('24 66, 18 42, 36 26'),
    },
  ],
  onTheLine: () => {
    const pose: HandPose = { wrist: [62, 56], towards: 16, pointer: [26, 34, 22], others: [42, 48, 30], thumb: [16, 8] };
    const [x, y] = thumbTip(pose);
    return [
      sheet(20, 78, 130, 28, 10),
      {
        kind: 'line',
        spots: way('34 96, 144 92'),
        isDashed: true,
      },
      {
        kind: 'line',
        spots: [
          [34, 96],
          [x + 16, y + 24],
        ],
        isDashed: false,
      },
      thing(
        [
          [x + 14, y + 22],
          [x - 18, y - 24],
          [x - 12, y - 28],
          [x + 19, y + 18],
        ],
        'thing',
      ),
      ...hand(pose),
    ];
  },
  glueDot: () => {
    const pose: HandPose = { wrist: [52, 30], towards: 14, pointer: [20, 60, 30], others: [26, 66, 40], thumb: [24, 24] };
    return [
      sheet(40, 88, 100, 18, 8),
      thing(way('78 22, 100 26, 98 52, 92 56, 90 68, 86 68, 84 56, 76 50'), 'thing'),
      ...hand(pose),
      { kind: 'disc', at: [88, 74], radius: 2.4, fill: 'dark' },
      { kind: 'disc', at: [88, 94], radius: 5, fill: 'none' },
    ];
  },
  feetTogether: () => {
    const foot = (x: number): Part[] => [
      {
        kind: 'limb',
        spots: [
          [x, 8],
          [x, 76],
        ],
        width: 20,
      },
      {
        kind: 'limb',
        spots: [
          [x - 2, 80],
          [x + 22, 82],
        ],
        width: 15,
      },
    ];
    return [
      {
        kind: 'line',
        spots: way('10 94, 150 94'),
        isDashed: false,
      },
      ...foot(58),
      ...foot(82),
      {
        kind: 'arrow',
        spots: way('124 78, 124 40'),
      },
      {
        kind: 'arrow',
        spots: way('136 40, 136 78'),
      },
    ];
  },
  pointerAlone: () => [
    ...table(),
    { kind: 'disc', at: [112, 78], radius: 7, fill: 'thing' },
    ...hand({ wrist: [52, 52], towards: 22, pointer: [4, 6, 4], others: [70, 80, 50], thumb: [38, 40] }),
  ],
  oneInPalm: () => {
    const pose: HandPose = { wrist: [54, 42], towards: 20, pointer: [36, 38, 24], others: [72, 86, 60], thumb: [22, 12] };
    const [x, y] = thumbTip(pose);
    return [
      ...hand(pose),
      { kind: 'disc', at: [x + 7, y + 7], radius: 7, fill: 'thing' },
      // Under the last fingers, where it is kept.
      { kind: 'disc', at: [69, 68], radius: 6, fill: 'thing' },
      ...table(),
    ];
  },
  twoPinches: () => {
    const pose: HandPose = { wrist: [38, 44], towards: 24, ...PINCHING, size: 0.85 };
    return [
      thing(way('44 62, 78 62, 78 104, 44 104'), 'paper'),
      thing(way('80 62, 116 58, 120 100, 82 104'), 'paper'),
      ...hand(pose),
      ...mirroredParts(hand(pose)),
      {
        kind: 'arrow',
        spots: way('104 34, 118 20'),
      },
      {
        kind: 'arrow',
        spots: way('56 24, 44 34'),
      },
    ];
  },
};

const table = (): Part[] => [
  {
    kind: 'line',
    spots: way('6 96, 154 96'),
    isDashed: false,
  },
];

/** A hand from the right: its fingers bend the other way, and its thumb stands on the other side. */
function flipped(pose: HandPose): Part[] {
  const mirror: HandPose = {
    ...pose,
    wrist: [FRAME.width - pose.wrist[0], pose.wrist[1]],
    towards: 180 - pose.towards,
    pointer: pose.pointer.map((bend) => -bend) as unknown as HandPose['pointer'],
    others: pose.others.map((bend) => -bend) as unknown as HandPose['others'],
    thumb: [-pose.thumb[0], -pose.thumb[1]],
  };
  return mirroredParts(hand(mirror));
}
