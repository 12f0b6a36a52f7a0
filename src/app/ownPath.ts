/** A page of our own to go on to; the first one where anything else was asked for. @example ownPath('//evil.test') // '/review' */
export function ownPath(requested: unknown): string {
  return typeof requested === 'string' && /^\/(?![/\\])[\w\-/?=&.#%]*$/.test(requested) ? requested : '/review';
}
