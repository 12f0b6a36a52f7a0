import { SHAPES_DRAWN } from '@/core/worksheets';
import { CUES, type SheetSpec } from '@/core/tasks';
import { words } from '../../shared/deskWords';
import { NEW_ROADS, NEW_SHEETS } from './newSheet';
import { KIND_NAMES } from './sheetWords';
import { TEXT_BANK } from './textBank';

interface Props {
  readonly spec: SheetSpec;
  readonly set: (spec: SheetSpec, turned: string) => void;
}

const CUE_NAMES: Readonly<Record<(typeof CUES)[number], string>> = {
  full: 'a thick line to follow',
  dots: 'dots all the way',
  fewerDots: 'dots at the turns',
  endDots: 'start and end dot',
  numbered: 'numbered corners',
  box: 'a box',
  blank: 'nothing',
};
const SHAPE_NAMES: Readonly<Record<string, string>> = Object.fromEntries(SHAPES_DRAWN.map((shape) => [shape, words(`shapes.${shape}`)]));
const RULINGS = { boxes: 'boxes by height', two: 'two lines', one: 'one line', none: 'no line' } as const;
const COPY_RULINGS = {
  shaded: 'shaded lines',
  plain: 'plain lines',
  none: 'no lines',
  letterBoxes: 'a box a letter',
  wordBoxes: 'a box for each word',
  grid: 'a grid',
  columns: 'columns',
} as const;

/** Options of a worksheet that are chosen and not measured: how much is shown, on which line it is, and its words. */
export function ContentOptions({ spec, set }: Props) {
  return (
    <div className="mt-2 grid gap-1.5 text-[14px]">
      <Choice label="Kind" value={spec.kind} from={KIND_NAMES} onChange={(kind) => set(NEW_SHEETS[kind], 'kind')} />
      {spec.kind === 'strokes' && (
        <Choice label="Shape" value={spec.shape} from={SHAPE_NAMES} onChange={(shape) => set({ ...spec, shape }, 'shape')} />
      )}
      {spec.kind === 'road' && (
        <label>
          path{' '}
          <select
            className="field"
            value=""
            onChange={(event) => set({ ...spec, onStrip: false, path: NEW_ROADS[event.target.value]! }, 'road')}
          >
            <option value="">Another one…</option>
            {Object.keys(NEW_ROADS).map((name) => (
              <option key={name}>{name}</option>
            ))}
          </select>
        </label>
      )}
      {(spec.kind === 'strokes' || spec.kind === 'letters') && (
        <Choice label="Shows" value={spec.cue} from={CUE_NAMES} onChange={(cue) => set({ ...spec, cue }, 'cue')} />
      )}
      {spec.kind === 'letters' && (
        <Choice label="Writing lines" value={spec.ruling} from={RULINGS} onChange={(ruling) => set({ ...spec, ruling }, 'ruling')} />
      )}
      {spec.kind === 'copy' && (
        <Choice label="Written on" value={spec.ruling} from={COPY_RULINGS} onChange={(ruling) => set({ ...spec, ruling }, 'ruling')} />
      )}
      {(spec.kind === 'letters' || spec.kind === 'copy') && (
        <label>
          Comments{' '}
          <input
            className="field w-full"
            value={spec.text.en}
            maxLength={200}
            onChange={(event) => event.target.value.trim() && set({ ...spec, text: { en: event.target.value } }, 'text')}
          />
          <span className="block text-soft">{'{child} is the name. A bar ( | ) begins a new line.'}</span>
        </label>
      )}
      {spec.kind === 'copy' && (
        <label>
          from the bank{' '}
          <select
            className="field"
            value=""
            onChange={(event) => set({ ...spec, text: TEXT_BANK[Number(event.target.value)]!.text }, 'bank')}
          >
            <option value="">Choose a text…</option>
            {TEXT_BANK.map(({ text, years }, index) => (
              <option key={text.en} value={index}>
                {years}: {text.en.slice(0, 60)}
              </option>
            ))}
          </select>
        </label>
      )}
    </div>
  );
}

function Choice<Value extends string>({
  label,
  value,
  from,
  onChange,
}: {
  label: string;
  value: Value;
  from: Readonly<Record<Value, string>>;
  onChange: (value: Value) => void;
}) {
  return (
    <label>
      {label}{' '}
      <select className="field" value={value} onChange={(event) => onChange(event.target.value as Value)}>
        {(Object.keys(from) as Value[]).map((each) => (
          <option key={each} value={each}>
            {from[each]}
          </option>
        ))}
      </select>
    </label>
  );
}
