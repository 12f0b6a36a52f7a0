/** A browser that failed at a page's scripts carries this, and gets pages that may run none. */
export const PLAIN_COOKIE = 'yard-plain';
