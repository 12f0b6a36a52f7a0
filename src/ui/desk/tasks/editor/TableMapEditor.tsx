import { placesFor } from '@/core/tasks';
import { TableMapDrawing } from '../../../task/TableMapDrawing';
import { words } from '../../../shared/deskWords';
import type { EditorProps } from './editorProps';
import { FindingsAt, LocalField, Small } from './parts';

const PLACES = { preferredSide: 'on the preferred side', otherSide: 'on the other side', middle: 'in the middle', far: 'far' } as const;

/** Edits the table map, once for both hands, and shows it for each. */
export function TableMapEditor({ task, findings, edit, fixed }: EditorProps) {
  return (
    <>
      {task.tableMap.map((place, index) => (
        <div key={index} className="mt-1 flex items-end gap-2">
          <div className="min-w-0 flex-1">
            <LocalField
              label="What"
              value={place.what}
              fixed={fixed}
              onText={(value) => edit({ kind: 'set', path: ['tableMap', index, 'what'], value })}
            />
          </div>
          <select
            aria-label={`Where ${place.what.en} lies`}
            value={place.place}
            disabled={fixed}
            className="field"
            onChange={(event) => edit({ kind: 'set', path: ['tableMap', index, 'place'], value: event.target.value })}
          >
            {Object.entries(PLACES).map(([id, label]) => (
              <option key={id} value={id}>
                {label}
              </option>
            ))}
          </select>
          <select
            aria-label={`Which material ${place.what.en} is`}
            value={place.things?.[0] ?? ''}
            disabled={fixed}
            className="field w-[180px]"
            onChange={(event) =>
              edit({ kind: 'set', path: ['tableMap', index, 'things'], value: event.target.value ? [event.target.value] : undefined })
            }
          >
            <option value="">By its words</option>
            {[...new Map(task.materials.map(({ id, name }) => [id, name.en]))].map(([id, name]) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
          {!fixed && <Small onPress={() => edit({ kind: 'removeAt', path: ['tableMap'], index })}>Remove</Small>}
        </div>
      ))}
      {!fixed && task.tableMap.length < 6 && (
        <Small onPress={() => edit({ kind: 'insert', path: ['tableMap'], value: { what: { en: '' }, place: 'preferredSide' } })}>
          Add a thing to the table
        </Small>
      )}
      <FindingsAt findings={findings} path="tableMap" task={task} deep />
      {task.tableMap.length > 0 && (
        <div className="mt-2 grid grid-cols-3 gap-4">
          {(['left', 'right', 'unsettled'] as const).map((hand) => {
            const places = placesFor(task, hand);
            return (
              <figure key={hand}>
                <TableMapDrawing
                  places={places}
                  wordsOf={(each) => each.what.en}
                  hand={hand}
                  childName="child"
                  label={places.map((each) => words(`side.${each.side}`, { what: each.what.en })).join('. ')}
                />
                <figcaption className="text-[13px] text-soft">
                  {hand === 'unsettled' ? 'hand preference not established' : `${hand}-handed`}
                </figcaption>
              </figure>
            );
          })}
        </div>
      )}
    </>
  );
}
