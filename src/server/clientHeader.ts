/** By this the web server tells its pages where a request came from. Whatever a client sends under the name is taken away. */
export const CLIENT_HEADER = 'x-yard-client';
