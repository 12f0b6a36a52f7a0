import { Slider } from 'radix-ui';

interface Props {
  readonly seconds: number;
  readonly from: number;
  readonly to: number;
  readonly onChange: (from: number, to: number) => void;
}

const TENTH = 0.1;

/** Two handles over the length of a clip: what lies outside of them is cut away. Arrows move a handle by a tenth of a second. */
export function TrimHandles({ seconds, from, to, onChange }: Props) {
  return (
    <Slider.Root
      className="relative flex h-9 w-full touch-none items-center select-none"
      min={0}
      max={Math.round(seconds * 10) / 10}
      step={TENTH}
      minStepsBetweenThumbs={5}
      value={[from, to]}
      onValueChange={([start = 0, end = seconds]) => onChange(start, end)}
    >
      <Slider.Track className="relative h-3 grow rounded-[2px] border border-soft bg-sheet">
        <Slider.Range className="absolute h-full bg-straw" />
      </Slider.Track>
      {(['begins', 'ends'] as const).map((which, index) => (
        <Slider.Thumb
          key={which}
          aria-label={`Video ${which} Time in seconds`}
          aria-valuetext={`${(index ? to : from).toFixed(1)} seconds`}
          className="block h-8 w-3 rounded-[2px] border border-ink bg-green"
        />
      ))}
    </Slider.Root>
  );
}
