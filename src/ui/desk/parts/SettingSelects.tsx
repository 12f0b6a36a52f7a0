import { SETTING_CHOICES, SHAPE_ORDERS, type SettingId, type TaskSettings } from '@/core/tasks';
import { words } from '../../shared/deskWords';

interface Props {
  /** Settings that apply where nothing is chosen. */
  readonly known: TaskSettings;
  /** The settings to show. */
  readonly ids: readonly string[];
  readonly chosen: TaskSettings;
  readonly onChoose: (settings: TaskSettings) => void;
}

const optionWords = (id: SettingId, choice: string) => words(`settings.${id}.${choice}` as 'settings.helpBy.hand');

/** Shows a select for each setting on which schools of thought differ; "as usual" leaves it to what applies anyway. */
export function SettingSelects({ known, ids, chosen, onChoose }: Props) {
  const shown = (Object.keys(SETTING_CHOICES) as SettingId[]).filter((id) => ids.includes(id));
  const choose = (id: SettingId, value: string) => {
    const { [id]: _before, ...rest } = chosen;
    onChoose(value === '' ? rest : { ...rest, [id]: value });
  };
  return (
    <>
      {shown.map((id) => (
        <label key={id} className="block">
          <span className="block text-[13px] font-semibold text-soft">{words(`settings.${id}.title`)}</span>
          <select value={chosen[id] ?? ''} onChange={(event) => choose(id, event.target.value)} className="field">
            <option value="">{known[id] ? `Default: ${optionWords(id, known[id])}` : 'not set'}</option>
            {SETTING_CHOICES[id].map((choice) => (
              <option key={choice} value={choice}>
                {optionWords(id, choice)}
              </option>
            ))}
          </select>
        </label>
      ))}
      {shown.includes('shapeOrder') && (chosen.shapeOrder ?? known.shapeOrder) === 'free' && (
        <FreeOrder
          order={chosen.freeShapes ?? known.freeShapes ?? SHAPE_ORDERS.strokesFirst}
          onOrder={(freeShapes) => onChoose({ ...chosen, shapeOrder: 'free', freeShapes })}
        />
      )}
    </>
  );
}

/** An order of shapes of one's own: each moves one place earlier by its button. */
function FreeOrder({ order, onOrder }: { order: readonly string[]; onOrder: (order: string[]) => void }) {
  const earlier = (index: number) =>
    order.map((shape, place) => (place === index - 1 ? order[index]! : place === index ? order[index - 1]! : shape));
  return (
    <fieldset className="basis-full">
      <legend className="text-[13px] font-semibold text-soft">Your order. Press a shape to move it earlier.</legend>
      <span className="flex flex-wrap gap-1">
        {order.map((shape, index) => (
          <button
            key={shape}
            type="button"
            disabled={index === 0}
            className="border border-soft bg-sheet px-1.5 text-[13px] disabled:opacity-60"
            onClick={() => onOrder(earlier(index))}
          >
            {index + 1} {words(`shapes.${shape as 'circle'}`)}
          </button>
        ))}
      </span>
    </fieldset>
  );
}
