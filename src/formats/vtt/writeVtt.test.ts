import { writeVtt } from '.';

// Source: W3C WebVTT, https://www.w3.org/TR/webvtt1/ (the form of a file, its cues and its escapes, from memory); a browser reads it in
// tests/e2e/videos.spec.ts.
describe('captions as WebVTT', () => {
  const captions = [
    { atSeconds: 0, text: { en: 'Pinch.', es: 'Pellizca.' } },
    { atSeconds: 2.5, text: { en: 'Let\n\ngo --> <b>now</b> & rest' } },
  ];
  it('are cues, each till the next, the last to the end', () => {
    expect(writeVtt([captions[0]!, { atSeconds: 61.25, text: { en: 'x' } }], 62, 'en')).toBe(
      'WEBVTT\n\n00:00:00.000 --> 00:01:01.250\nPinch.\n\n00:01:01.250 --> 00:01:02.000\nx\n',
    );
  });
  it('are in the language that is asked for, English where it is not written', () => {
    const lines = writeVtt(captions, 5, 'es').split('\n');
    expect(lines).toContain('Pellizca.');
  });
  it('let no words of theirs end a cue or begin another', () => {
    const text = writeVtt(captions, 5, 'en');
    expect(text).toContain('Let go --&gt; &lt;b&gt;now&lt;/b&gt; &amp; rest');
    expect(text.match(/-->/g)).toHaveLength(2);
  });
});
