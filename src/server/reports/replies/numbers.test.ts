import { senderOf } from './numbers';

it.each([
  ['(406) 555-0142', '+14065550142'],
  ['+1 406 555 0142', '+14065550142'],
  ['406.555.0142', '+14065550142'],
  ['+44 20 7946 0958', '+442079460958'],
  [' Nana@Home.Example ', 'nana@home.example'],
  // Senders that are not numbers stay as they are: a family of the pretend phone, a short code, a name.
  ['family-31', 'family-31'],
  ['family-4065550142', 'family-4065550142'],
  ['call me on 406 555 0142', 'call me on 406 555 0142'],
  ['', ''],
])('%s is %s', (written, one) => {
  expect(senderOf(written)).toBe(one);
});
