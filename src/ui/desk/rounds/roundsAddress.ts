/** A card's address; the first one's where no key is given. Among the cards of one tread, where one is looked at alone. */
export function roundsAddress(key: string | null, tread: { readonly taskId: number; readonly step: number } | null): string {
  const asked = new URLSearchParams({ ...(tread && { tread: `${tread.taskId}:${tread.step}` }), ...(key !== null && { at: key }) });
  return `/rounds?${asked}`;
}
