import { clientAddress } from './clientAddress';

const proxy = ['127.0.0.1', '10.0.0.2'];

it.each([
  ['198.51.100.4', undefined, proxy, '198.51.100.4'],
  // A stranger without a proxy says what it likes.
  ['198.51.100.4', '6.6.6.6', proxy, '198.51.100.4'],
  ['127.0.0.1', '203.0.113.7', proxy, '203.0.113.7'],
  ['::ffff:127.0.0.1', '6.6.6.6, 203.0.113.7', proxy, '203.0.113.7'],
  ['127.0.0.1', '203.0.113.7, 10.0.0.2', proxy, '203.0.113.7'],
  ['127.0.0.1', undefined, proxy, '127.0.0.1'],
  ['127.0.0.1', '203.0.113.7', [], '127.0.0.1'],
  ['127.0.0.1', '<script>', proxy, 'unknown'],
  ['127.0.0.1', '2001:db8::1', proxy, '2001:db8::1'],
  [undefined, undefined, proxy, 'unknown'],
])('from %s with %s behind %j it is %s', (remote, forwarded, trusted, address) => {
  expect(clientAddress(remote, forwarded, trusted)).toBe(address);
});
