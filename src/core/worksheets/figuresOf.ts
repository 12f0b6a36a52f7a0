import { box } from './scene';
import type { Figure, Room, SheetFor } from './figure';
import type { SheetSpec } from './sheetSpec';
import { coloringFigures } from './kinds/coloring';
import { copyFigures } from './kinds/copy';
import { snipFigures, stripFigures } from './kinds/cuts';
import { foldFigures, halfShapeFigures } from './kinds/folds';
import { letterFigures } from './kinds/letters';
import { aroundFigures, countCardFigures, glueFigures, joinDotFigures, tokenFigures } from './kinds/marks';
import { placematFigures, stoneFigures } from './kinds/placemat';
import { roadFigures } from './kinds/road';
import { strokeFigures } from './kinds/strokes';

/** What stands on a sheet, piece by piece, before it is laid out. */
export function figuresOf(spec: SheetSpec, whom: SheetFor, room: Room): readonly Figure[] {
  switch (spec.kind) {
    case 'strokes':
      return strokeFigures(spec, whom);
    case 'letters':
      return letterFigures(spec, whom, room);
    case 'road':
      return roadFigures(spec, whom);
    case 'snips':
      return snipFigures(spec, whom, room);
    case 'halfShape':
      return halfShapeFigures(spec, whom, room);
    case 'folds':
      return foldFigures(spec, whom, room);
    case 'strips':
      return stripFigures(spec, whom, room);
    case 'glueMarks':
      return glueFigures(spec, whom, room);
    case 'countCards':
      return countCardFigures(spec, whom);
    case 'coloring':
      return coloringFigures(spec, whom, room);
    case 'copy':
      return copyFigures(spec, whom, room);
    case 'around':
      return aroundFigures(spec);
    case 'joinDots':
      return joinDotFigures(spec, whom, room);
    case 'tokens':
      return tokenFigures(spec);
    case 'placemat':
      return placematFigures(whom, room);
    case 'stones':
      return stoneFigures(spec, whom, room);
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
