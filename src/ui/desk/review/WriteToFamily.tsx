import { useState } from 'react';
import type { ToFamily } from './reviewAct';

/** Words to a family, with what it asked in sight. Where it reads another language the words stand beside what they say in one’s own, and come back the next time. */
export function WriteToFamily({ toFamily }: { toFamily: ToFamily | null }) {
  const [own, setOwn] = useState('');
  const [said, setSaid] = useState('');
  const { phrases = [], asked = null, isOther = false, language = '', languageName = '' } = toFamily ?? {};
  const again = (id: string) => {
    const phrase = phrases.find((each) => String(each.id) === id);
    if (!phrase) return;
    setOwn(phrase.own);
    setSaid(phrase.said);
  };
  return (
    <>
      {asked && (
        <blockquote className="border-l-4 border-straw bg-straw-tint px-3 py-1.5" dir="auto">
          “{asked}”
        </blockquote>
      )}
      {phrases.length > 0 && (
        <label className="block">
          <span className="font-semibold">Said before</span>
          <select className="field mt-1 w-full" value="" onChange={(event) => again(event.target.value)}>
            <option value="">Something new</option>
            {phrases.map((phrase) => (
              <option key={phrase.id} value={phrase.id}>
                {phrase.own}
              </option>
            ))}
          </select>
        </label>
      )}
      {isOther && (
        <label className="block">
          <span className="font-semibold">Your short name for it (for you, and for next time)</span>
          <textarea
            name="own"
            maxLength={600}
            rows={2}
            value={own}
            onChange={(event) => setOwn(event.target.value)}
            className="field mt-1 w-full"
          />
        </label>
      )}
      <label className="block">
        <span className="font-semibold">To the family{isOther && `, which reads ${languageName}`}</span>
        <textarea
          name="words"
          required
          maxLength={600}
          rows={5}
          autoFocus
          lang={language}
          dir="auto"
          value={said}
          onChange={(event) => setSaid(event.target.value)}
          className="field mt-1 w-full"
        />
      </label>
      <p className="text-[13px] text-soft">
        The family’s page shows it exactly as you write it{isOther && `. It is not translated into ${languageName}`}. A text says only that
        there is a message.
      </p>
    </>
  );
}
