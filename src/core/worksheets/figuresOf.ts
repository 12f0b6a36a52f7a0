import { box } from './scene';
import type { Figure, Room, SheetFor } from './figure';
import type { SheetSpec } from '../tasks';
import { coloringFigures } from './kinds/coloring';
import { copyFigures } from './kinds/copy';
import { snipFigures, stripFigures } from './kinds/cuts';
import { foldFigures, halfShapeFigures } from './kinds/folds';
import { letterFigures } from './kinds/letters';
import { aroundFigures, countCardFigures, glueFigures, joinDotFigures, tokenFigures } from './kinds/marks';
import { placematFigures, stoneFigures } from './kinds/placemat';
import { roadFigures } from './kinds/road';
import { strokeFigures } from './kinds/strokes';

/** Lists the figures of a worksheet, before they are laid out. */
export function figuresOf(spec: SheetSpec, audience: SheetFor, room: Room): readonly Figure[] {
  switch (spec.kind) {
    case 'strokes':
      return strokeFigures(spec, audience);
    case 'letters':
      return letterFigures(spec, audience, room);
    case 'road':
      return roadFigures(spec, audience);
    case 'snips':
      return snipFigures(spec, audience, room);
    case 'halfShape':
      return halfShapeFigures(spec, audience, room);
    case 'folds':
      return foldFigures(spec, audience, room);
    case 'strips':
      return stripFigures(spec, audience, room);
    case 'glueMarks':
      return glueFigures(spec, audience, room);
    case 'countCards':
      return countCardFigures(spec, audience);
    case 'coloring':
      return coloringFigures(spec, audience, room);
    case 'copy':
      return copyFigures(spec, audience, room);
    case 'around':
      return aroundFigures(spec);
    case 'joinDots':
      return joinDotFigures(spec, audience, room);
    case 'tokens':
      return tokenFigures(spec);
    case 'placemat':
      return placematFigures(audience, room);
    case 'stones':
      return stoneFigures(spec, audience, room);
    case 'blank':
      return [
        {
          widthMm: room.widthMm,
          heightMm: room.heightMm,
          marks: [box(0, 0, room.widthMm, room.heightMm, { widthMm: 0.3, tone: 'faint' })],
        },
      ];
  }
}
