/**
 * Holds a number to be whole and within bounds, both included.
 * @throws RangeError that says which number, what it is and what it may be.
 */
export function requireWhole(name: string, value: number, least: number, most = Number.MAX_SAFE_INTEGER): void {
  if (Number.isInteger(value) && value >= least && value <= most) return;
  const upTo = most === Number.MAX_SAFE_INTEGER ? '' : ` to ${most}`;
  throw new RangeError(`${name} is ${value}, but must be a whole number from ${least}${upTo}`);
}

/** Holds a number to be finite and not below `least`. @throws RangeError as `requireWhole` does. */
export function requireAtLeast(name: string, value: number, least: number): void {
  if (Number.isFinite(value) && value >= least) return;
  throw new RangeError(`${name} is ${value}, but must be a number from ${least}`);
}

/** Holds a number to be finite and above `bound`. @throws RangeError as `requireWhole` does. */
export function requireAbove(name: string, value: number, bound: number): void {
  if (Number.isFinite(value) && value > bound) return;
  throw new RangeError(`${name} is ${value}, but must be a number above ${bound}`);
}

/** @throws RangeError for what is no number, or none that ends */
export function requireFinite(name: string, value: number): void {
  if (!Number.isFinite(value)) throw new RangeError(`${name} must be finite, but is ${value}`);
}
