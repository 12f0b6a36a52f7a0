import type { Fault } from '@/server/answer';
import { familyWords, type FamilyWords } from '../../shared/familyWords';
import { faultForFamily } from './faultForFamily';
import { mendPage } from './mendPage';

let en: FamilyWords;
let es: FamilyWords;
beforeAll(async () => {
  [en, es] = await Promise.all([familyWords('en'), familyWords('es')]);
});

const invalid: Fault = { code: 'invalid', detail: { issues: [{ code: 'negative', path: 'left', given: '-1' }] }, logId: null };

describe('the page that answers a form that could not be taken in', () => {
  it('shows what is wrong beside its field and carries everything else along', () => {
    const fault = faultForFamily(invalid, es);
    const page = mendPage({
      entries: [
        ['left', '-1'],
        ['right', '5'],
        ['words', 'bien'],
        ['thing', 'tongs'],
        ['thing', 'box'],
      ],
      fault,
      words: es,
      address: '/f/x/report',
      page: '/f/x',
    });
    expect(page).toContain('-1 es menos que 0. Escriba 0 o más.');
    expect(page).toContain('<input name="left" aria-invalid="true" value="-1">');
    expect(page).toContain('<input type="hidden" name="right" value="5">');
    expect(page).toContain('<input type="hidden" name="thing" value="tongs">');
    expect(page).toContain('<input type="hidden" name="thing" value="box">');
  });

  it.each(['constructor', 'toString', '__proto__', 'hasOwnProperty', 'valueOf'])('carries a field that a stranger calls %s', (name) => {
    const page = mendPage({ entries: [[name, 'x']], fault: faultForFamily(invalid, en), words: en, address: '/f/x/report', page: '/f/x' });
    expect(page).toContain(`<input type="hidden" name="${name}" value="x">`);
  });

  it('never lets what was written become markup', () => {
    const fault = faultForFamily({ code: 'databaseAway', detail: null, logId: 'abc' }, en);
    const page = mendPage({
      entries: [
        ['words', '"><script>alert(1)</script>'],
        ['x"y', '<b>'],
      ],
      fault,
      words: en,
      address: '/f/x/report',
      page: '/f/x',
    });
    expect(page).not.toContain('<script>');
    expect(page).toContain('&quot;&gt;&lt;script&gt;');
    expect(page).toContain('kept on this page');
  });

  it('says when the same may be sent again', () => {
    expect(faultForFamily({ code: 'databaseAway', detail: null, logId: 'a' }, en).again).toBe(true);
    expect(faultForFamily(invalid, en).again).toBe(false);
  });
});
