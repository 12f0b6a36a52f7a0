import type { FactChange } from '@/core/students';
import { words } from '../../../shared/deskWords';

/** A change of a fact as it is read: "minutes a day: 15 → 20". */
export function factWords({ fact, before, after }: FactChange): string {
  return `${words(`facts.${fact}`)}: ${valueWords(before)} → ${valueWords(after)}`;
}

function valueWords(value: unknown): string {
  if (value === null || value === undefined || value === '') return 'nothing';
  if (value === true) return 'yes';
  if (value === false) return 'no';
  if (Array.isArray(value)) return value.length === 0 ? 'none' : value.map(valueWords).join(', ');
  if (typeof value !== 'object') return String(value);
  const { words: told, name } = value as { words?: string; name?: string };
  return told ?? name ?? JSON.stringify(value);
}
