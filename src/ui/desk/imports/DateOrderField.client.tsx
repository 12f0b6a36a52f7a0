'use client';

import type { DateOrder } from '@/core/students';
import { FormField } from '../parts/FormField';

/** Which of two numbers of a date is the month, where a list does not tell by itself. */
export function DateOrderField({ order, onOrder }: { order: DateOrder | null; onOrder: (order: DateOrder) => void }) {
  return (
    <FormField label="Dates such as 3/4/2026 begin with">
      <select
        value={order ?? ''}
        onChange={(event) => onOrder(event.target.value as DateOrder)}
        className={`field ${order === null ? 'border-brick' : ''}`}
      >
        {order === null && <option value="">Choose…</option>}
        <option value="monthFirst">The month</option>
        <option value="dayFirst">The day</option>
      </select>
    </FormField>
  );
}
