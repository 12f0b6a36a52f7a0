/** The card that another screen was opened from, as its own address names it; null where it was opened from none. */
export function cardIn(address: Readonly<Record<string, string | string[] | undefined>>): string | null {
  return typeof address.card === 'string' && address.card !== '' ? reviewAddress(address.card.slice(0, 120), null) : null;
}

/** An address with the card that it is opened from, so that one comes back to it. */
export function fromCard(address: string, key: string): string {
  const [path, part] = address.split('#');
  return `${path}?${new URLSearchParams({ card: key })}${part ? `#${part}` : ''}`;
}

/** A card's address; the first one's where no key is given. Among the cards of one tread, where one is looked at alone. */
export function reviewAddress(key: string | null, stepOutcomes: { readonly taskId: number; readonly step: number } | null): string {
  const asked = new URLSearchParams({
    ...(stepOutcomes && { stepOutcomes: `${stepOutcomes.taskId}:${stepOutcomes.step}` }),
    ...(key !== null && { at: key }),
  });
  return `/review?${asked}`;
}
