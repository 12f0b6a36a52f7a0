/** A page of our own to go on to; the first one where anything else was asked for. @example ownPath('//evil.test') // '/review' */
export function ownPath(wished: unknown): string {
  return typeof wished === 'string' && /^\/(?![/\\])[\w\-/?=&.#%]*$/.test(wished) ? wished : '/review';
}
