import { handTurns, type Dose, type DoseTarget } from '@/core/dose';

/** Names of the kinds of a target, and the form of their amount. */
export const TARGETS: Readonly<
  Record<DoseTarget['kind'], { readonly name: string; readonly amount: string; readonly most: number; readonly step: number }>
> = {
  count: { name: 'number of repetitions', amount: 'how many', most: 100, step: 1 },
  time: { name: 'time', amount: 'minutes', most: 30, step: 0.5 },
  untilDone: { name: 'until finished', amount: 'pieces', most: 100, step: 1 },
  hold: { name: 'hold', amount: 'times held', most: 50, step: 1 },
  watch: { name: 'observe, no target', amount: '', most: 0, step: 1 },
};

const SECONDS_HELD = 5;

/** The number in a target; null where it has none. */
export function amountIn(target: DoseTarget): number | null {
  switch (target.kind) {
    case 'count':
      return target.perRound;
    case 'time':
      return target.minutesPerRound;
    case 'untilDone':
      return target.pieces;
    case 'hold':
      return target.times;
    case 'watch':
      return null;
  }
}

/** A target of a kind with an amount, brought within what the kind may be. */
export function targetOf(kind: DoseTarget['kind'], amount: number, seconds = SECONDS_HELD): DoseTarget {
  const { most, step } = TARGETS[kind];
  const fitting = Math.min(most, Math.max(step, Math.round((amount || 0) / step) * step));
  switch (kind) {
    case 'count':
      return { kind, perRound: fitting };
    case 'time':
      return { kind, minutesPerRound: fitting };
    case 'untilDone':
      return { kind, pieces: fitting };
    case 'hold':
      return { kind, times: fitting, seconds };
    case 'watch':
      return { kind };
  }
}

/** The same target with another amount. */
export function withAmount(target: DoseTarget, amount: number): DoseTarget {
  return targetOf(target.kind, amount, target.kind === 'hold' ? target.seconds : undefined);
}

/** Words beside the number of a target: "each hand", "hands together", "s held, each foot". */
export function amountWords({ target, hands, limb }: Dose): string {
  if (target.kind === 'watch') return 'watch';
  const unit = { count: '', time: 'min', untilDone: 'pieces', hold: `× ${target.kind === 'hold' ? target.seconds : 0} s` }[target.kind];
  const [one, two] = limb === 'foot' ? ['foot', 'feet'] : ['hand', 'hands'];
  const turns = handTurns(hands) === 2 ? `each ${one}` : hands === 'both' ? `${two} together` : `one ${one}`;
  return [unit, turns].filter(Boolean).join(', ');
}

/** Limb that works: a hand or foot, and whether each has its own turn. */
export const WORKS = [
  { value: 'preferred', name: 'one hand', work: { hands: 'preferred', limb: undefined } },
  { value: 'each', name: 'each hand separately', work: { hands: 'each', limb: undefined } },
  { value: 'both', name: 'hands together', work: { hands: 'both', limb: undefined } },
  { value: 'preferred:foot', name: 'one foot', work: { hands: 'preferred', limb: 'foot' } },
  { value: 'each:foot', name: 'each foot separately', work: { hands: 'each', limb: 'foot' } },
  { value: 'both:foot', name: 'feet together', work: { hands: 'both', limb: 'foot' } },
] as const;

export function workValue({ hands, limb }: Pick<Dose, 'hands' | 'limb'>): string {
  return WORKS.find(({ work }) => work.hands === hands && (work.limb ?? 'hand') === (limb ?? 'hand'))!.value;
}

export function workOf(value: string): Pick<Dose, 'hands' | 'limb'> {
  return WORKS.find((each) => each.value === value)!.work;
}
