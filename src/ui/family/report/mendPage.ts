import type { FamilyWords } from '../../shared/familyWords';
import type { FamilyFault } from './faultForFamily';

interface Mend {
  /** Names with what was written; a name may stand more than once. */
  readonly entries: Iterable<readonly [string, unknown]>;
  readonly fault: FamilyFault;
  readonly words: FamilyWords;
  /** Address that the form is sent to. */
  readonly address: string;
  /** Address of its page. */
  readonly page: string;
}

/**
 * The page that answers a plain form which could not be taken in. It stands alone (no script, no style sheet, no database)
 * and carries everything that was written, so that one press sends it again.
 */
export function mendPage({ entries, fault, words, address, page }: Mend): string {
  const { t, language } = words;
  const labels = new Map(
    Object.entries({
      left: t('leftHand'),
      right: t('rightHand'),
      amount: t('count'),
      minutes: t('minutes'),
      notDone: t('whyNotDone'),
      help: t('help'),
      effort: t('felt'),
      stopReason: t('stopped'),
      doneOn: t('when'),
      words: t('more'),
      saidBy: t('who'),
    }),
  );
  const texts = [...entries].filter((entry): entry is [string, string] => typeof entry[1] === 'string');
  const fields = texts.map(([name, value]) => {
    // The names are a stranger's: only a field of our own has a word of its own.
    const wrong = Object.hasOwn(fault.fields, name) ? fault.fields[name] : undefined;
    if (!wrong) return `<input type="hidden" name="${escape(name)}" value="${escape(value)}">`;
    const box =
      name === 'words'
        ? `<textarea name="words" rows="10" aria-invalid="true">${escape(value)}</textarea>`
        : `<input name="${escape(name)}" aria-invalid="true" value="${escape(value)}"${name === 'doneOn' ? ' type="date"' : ''}>`;
    return `<label><b>${escape(labels.get(name) ?? name)}</b><span class="wrong">${escape(wrong)}</span>${box}</label>`;
  });
  return `<!doctype html><html lang="${language}"><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>Yard Steps</title>
<style>body{background:#f4f0e6;color:#1f2e2b;font:17px/1.5 system-ui,sans-serif;max-width:30rem;margin:2rem auto;padding:0 1.1rem}h1{font-size:1.5rem}label{display:block;margin:1rem 0}
input,textarea{display:block;width:100%;box-sizing:border-box;font:inherit;padding:.5rem;border:1.5px solid #55625d;border-radius:8px;background:#fffdf8}.wrong{display:block;color:#a3402a;font-weight:700}
button{width:100%;min-height:3rem;border:0;border-radius:8px;background:#1f5a4c;color:#fffdf8;font:inherit;font-weight:700}</style>
<h1>${escape(t('notSavedTitle'))}</h1><p role="alert">${escape(fault.words)}</p>
<form method="post" action="${escape(address)}">${fields.join('\n')}<button>${escape(t('tryAgain'))}</button></form><p><a href="${escape(page)}?lang=${language}">${escape(t('back'))}</a></p></html>`;
}

const ENTITIES: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' };

function escape(text: string): string {
  return text.replace(/[&<>"']/g, (character) => ENTITIES[character]!);
}
