import type { FamilyWords } from '../../shared/familyWords';
import type { OutboxWords } from './Outbox.client';

const HOLE = '\u0000';

/** What the outbox says, ready for the page's script. */
export function outboxWords({ t }: FamilyWords): OutboxWords {
  const [before = '', after = ''] = t('refused', { why: HOLE }).split(HOLE);
  return { kept: t('kept'), sent: t('sent'), refused: [before, after], showDay: t('showDay') };
}
