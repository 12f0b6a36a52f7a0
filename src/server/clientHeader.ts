/** Header by which the web server tells its pages where a request came from. A client's own header of this name is removed. */
export const CLIENT_HEADER = 'x-yard-client';

/** In which a route tells the server in front of it how long its answer is. */
export const LENGTH_HEADER = 'x-yard-length';
