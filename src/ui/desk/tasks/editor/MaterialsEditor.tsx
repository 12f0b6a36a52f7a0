import { smallPartVerdict } from '@/core/safety';
import { textOf } from '@/core/text';
import { ALLERGENS, HAZARDS, TEXTURES } from '@/core/vocabulary';
import type { HomeMaterial, Material, Shape } from '@/core/tasks';
import { words } from '../../../shared/deskWords';
import { smallPartWords } from '../../parts/taskWords';
import type { EditorProps } from './editorProps';
import { FindingsAt, LocalField, NumberField, Small } from './parts';

interface Props extends EditorProps {
  /** Everything that the library's tasks use: taken over with its size and cautions. */
  readonly things: readonly HomeMaterial[];
}

/** Edits the materials: how many, how big (and so whether they are small parts), and their substitutes. */
export function MaterialsEditor({ task, things, findings, edit, fixed }: Props) {
  const add = (id: string) => {
    const known = things.find((thing) => thing.id === id);
    const own = `own-${task.materials.length + 1}`;
    const { name, ...care } = known ?? { id: own, name: { en: '' }, hazards: [], allergens: [], textures: [] };
    edit({ kind: 'insert', path: ['materials'], value: { ...care, name, count: 1, substitutes: [], looseParts: [] } });
  };
  return (
    <>
      {task.materials.map((material, index) => (
        <MaterialRow
          key={index}
          task={task}
          material={material}
          index={index}
          things={things}
          findings={findings}
          edit={edit}
          fixed={fixed}
        />
      ))}
      {!fixed && task.materials.length < 12 && (
        <label className="mt-2 block text-[14px]">
          <span className="sr-only">Add a material</span>
          <select value="" onChange={(event) => add(event.target.value)} className="field">
            <option value="">Add a material…</option>
            <option value="own">A thing of your own</option>
            {things.map((thing) => (
              <option key={thing.id} value={thing.id}>
                {thing.name.en}
              </option>
            ))}
          </select>
        </label>
      )}
      <FindingsAt findings={findings} path="materials" task={task} />
    </>
  );
}

type RowProps = Props & { readonly material: Material; readonly index: number };

function MaterialRow({ task, material, index, things, findings, edit, fixed }: RowProps) {
  const path = ['materials', index];
  const set = (key: keyof Material, value: unknown) => edit({ kind: 'set', path: [...path, key], value });
  const count = task.ladder.steps.length;
  const steps = material.steps ?? { from: 1, to: count };
  const verdict = material.shape ? smallPartVerdict(material.shape) : null;
  const setSteps = (from: number, to: number) => set('steps', from === 1 && to >= count ? undefined : { from, to });
  return (
    <details className="border-b border-line py-1.5">
      <summary>
        <strong>
          {material.count > 1 && `${material.count} `}
          {material.name.en || '…'}
        </strong>{' '}
        <span className="text-[14px] text-soft">
          {material.steps ? `steps ${material.steps.from} to ${material.steps.to} · ` : ''}
          {material.substitutes.length ? `or ${material.substitutes.map((substitute) => substitute.en).join(', ')}` : 'no substitute'}
        </span>
        {verdict?.fits && <span className="text-[14px] font-bold text-brick"> · small part</span>}
      </summary>
      <div className="mt-1 grid gap-1.5 pl-4">
        <LocalField label="Material" value={material.name} fixed={fixed} onText={(value) => set('name', value)} />
        <div className="flex flex-wrap items-end gap-3">
          <NumberField
            label="How many"
            value={material.count}
            least={1}
            most={200}
            fixed={fixed}
            onNumber={(value) => set('count', value)}
          />
          <NumberField
            label="From step"
            value={steps.from}
            least={1}
            most={count}
            fixed={fixed}
            onNumber={(value) => setSteps(value, Math.max(value, steps.to))}
          />
          <NumberField
            label="To step"
            value={steps.to}
            least={1}
            most={count}
            fixed={fixed}
            onNumber={(value) => setSteps(Math.min(value, steps.from), value)}
          />
          <ShapeFields shape={material.shape} onShape={(shape) => set('shape', shape)} fixed={fixed} />
        </div>
        <p className={`text-[14px] ${verdict?.fits ? 'text-brick' : 'text-soft'}`}>{smallPartWords(verdict)} 16 CFR 1501.4.</p>
        <Ticks label="Brings" all={HAZARDS} chosen={material.hazards} fixed={fixed} onChosen={(value) => set('hazards', value)} />
        <Ticks
          label="Allergens"
          all={ALLERGENS}
          chosen={material.allergens}
          fixed={fixed}
          onChosen={(value) => set('allergens', value)}
          nameOf={(allergen) => words(`allergens.${allergen}`)}
        />
        <Ticks
          label="Feels"
          all={TEXTURES}
          chosen={material.textures}
          fixed={fixed}
          onChosen={(value) => set('textures', value)}
          nameOf={(texture) => words(`textures.${texture}`)}
        />
        <Substitutes task={task} material={material} index={index} things={things} findings={findings} edit={edit} fixed={fixed} />
        {!fixed && <Small onPress={() => edit({ kind: 'removeAt', path: ['materials'], index })}>Remove this material</Small>}
      </div>
      <FindingsAt findings={findings} path={`materials.${index}`} task={task} deep />
    </details>
  );
}

/** Edits the substitutes of a material, and their effect on the grade: the knob that is then at another level. */
function Substitutes({ task, material, index, things, edit, fixed }: RowProps) {
  const path = ['materials', index, 'substitutes'];
  const add = (id: string) => {
    const known = things.find((thing) => thing.id === id);
    if (!known) return;
    const { name, ...care } = known;
    edit({ kind: 'insert', path, value: { ...care, ...textOf(name), levels: [] } });
  };
  return (
    <div>
      <span className="text-[13px] font-semibold text-soft">may be replaced by</span>
      {material.substitutes.map((substitute, place) => (
        <div key={place} className="flex flex-wrap items-center gap-2 text-[14px]">
          <span>
            {substitute.en}
            <span className="text-soft">{turnWords(substitute)}</span>
          </span>
          <select
            aria-label={`What ${substitute.en} does to the grade`}
            disabled={fixed}
            className="field py-0"
            value={substitute.levels[0] ? `${substitute.levels[0].knob}=${substitute.levels[0].level}` : ''}
            onChange={(event) => {
              const [knob, level] = event.target.value.split('=');
              edit({ kind: 'set', path: [...path, place, 'levels'], value: knob ? [{ knob, level: Number(level) }] : [] });
            }}
          >
            <option value="">Level unchanged</option>
            {task.knobs.flatMap((knob) =>
              knob.levels.map((level, number) => (
                <option key={`${knob.knob}=${number}`} value={`${knob.knob}=${number}`}>
                  Then {knob.name?.en || words(`knobs.${knob.knob as 'help'}`)}: {level.en}
                </option>
              )),
            )}
          </select>
          {!fixed && <Small onPress={() => edit({ kind: 'removeAt', path, index: place })}>Remove</Small>}
        </div>
      ))}
      {!fixed && material.substitutes.length < 4 && (
        <select
          value=""
          aria-label={`Add a substitute for ${material.name.en}`}
          onChange={(event) => add(event.target.value)}
          className="field py-0 text-[14px]"
        >
          <option value="">Add a substitute…</option>
          {things
            .filter((thing) => thing.id !== material.id && !material.substitutes.some((substitute) => substitute.id === thing.id))
            .map((thing) => (
              <option key={thing.id} value={thing.id}>
                {thing.name.en}
              </option>
            ))}
        </select>
      )}
    </div>
  );
}

/** Describes what a substitute changes where the task has no level for it, or why it changes nothing. */
function turnWords({ turns, same }: Material['substitutes'][number]): string {
  const turned = Object.entries(turns ?? {}).map(([knob, way]) => `${way} by ${words(`knobs.${knob as 'help'}`)}`);
  return turned.length > 0 ? `, ${turned.join(', ')}` : same ? `, the same: ${same}` : '';
}

const SHAPES: Record<Shape['kind'], string> = { sphere: 'ball', cylinder: 'round, flat or long', box: 'block or sheet' };
const EMPTY_SHAPES: Record<Shape['kind'], Shape> = {
  sphere: { kind: 'sphere', diameterMm: 50 },
  cylinder: { kind: 'cylinder', diameterMm: 50, lengthMm: 50 },
  box: { kind: 'box', lengthMm: 50, widthMm: 50, heightMm: 50 },
};
const SIDES = { diameterMm: 'across, mm', lengthMm: 'long, mm', widthMm: 'wide, mm', heightMm: 'high, mm' } as const;

function ShapeFields({ shape, onShape, fixed }: { shape: Shape | undefined; onShape: (shape: Shape | undefined) => void; fixed: boolean }) {
  const sides = Object.entries(shape ?? {}).filter(([key]) => key !== 'kind') as [keyof typeof SIDES, number][];
  return (
    <>
      <label className="block">
        <span className="block text-[13px] font-semibold text-soft">shape</span>
        <select
          value={shape?.kind ?? ''}
          disabled={fixed}
          className="field"
          onChange={(event) => onShape(event.target.value ? EMPTY_SHAPES[event.target.value as Shape['kind']] : undefined)}
        >
          <option value="">Not given</option>
          {Object.entries(SHAPES).map(([kind, label]) => (
            <option key={kind} value={kind}>
              {label}
            </option>
          ))}
        </select>
      </label>
      {shape &&
        sides.map(([side, value]) => (
          <NumberField
            key={side}
            label={SIDES[side]}
            value={value}
            least={0.1}
            most={10_000}
            step={0.1}
            width={84}
            fixed={fixed}
            onNumber={(number) => onShape({ ...shape, [side]: number } as Shape)}
          />
        ))}
    </>
  );
}

interface TicksProps<Id extends string> {
  readonly label: string;
  readonly all: readonly Id[];
  readonly chosen: readonly Id[];
  readonly onChosen: (chosen: Id[]) => void;
  readonly fixed: boolean;
  readonly nameOf?: (id: Id) => string;
}

const spaced = (id: string) => id.replace(/([A-Z])/g, ' $1').toLowerCase();

export function Ticks<Id extends string>({ label, all, chosen, onChosen, fixed, nameOf = spaced }: TicksProps<Id>) {
  const shown = fixed ? all.filter((id) => chosen.includes(id)) : all;
  if (shown.length === 0) return null;
  return (
    <fieldset className="text-[13px]">
      <legend className="font-semibold text-soft">{label}</legend>
      <span className="flex flex-wrap gap-x-3">
        {shown.map((id) => (
          <label key={id} className="flex min-h-[26px] items-center gap-1.5">
            <input
              type="checkbox"
              disabled={fixed}
              checked={chosen.includes(id)}
              className="size-4 accent-green"
              onChange={() => onChosen(chosen.includes(id) ? chosen.filter((other) => other !== id) : [...chosen, id])}
            />
            {nameOf(id)}
          </label>
        ))}
      </span>
    </fieldset>
  );
}
