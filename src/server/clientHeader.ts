/** By this the web server tells its pages where a request came from. Whatever a client sends under the name is taken away. */
export const CLIENT_HEADER = 'x-yard-client';

/** In which a route tells the server in front of it how long its answer is. */
export const LENGTH_HEADER = 'x-yard-length';
