import Link from 'next/link';
import type { ReviewView } from '@/server/review/viewReview';
import { momentIn } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { NamesWithLinks } from '../parts/NamesWithLinks';

/** Lists an assistant's tasks: to read, to type in, to print. */
export function ToDoLine({ toDo }: Pick<ReviewView, 'toDo'>) {
  if (!toDo) return null;
  const { hurt, slips, texts, toPrint } = toDo;
  const nothing = hurt.length + slips.length + texts + toPrint.length === 0;
  return (
    <div className="mt-1 flex flex-wrap gap-x-6 gap-y-0.5 text-[13px]">
      <span className="font-semibold text-soft">To do:</span>
      {nothing && <span className="text-soft">nothing to enter or print</span>}
      {hurt.length > 0 && (
        <span className="font-semibold text-brick">
          something hurt, not read yet: <NamesWithLinks people={hurt} hrefOf={({ childId }) => `/students/${childId}`} />
        </span>
      )}
      {slips.length > 0 && (
        <span>
          practice logs of last week:{' '}
          <NamesWithLinks people={slips} hrefOf={({ childId, monday }) => `/reports/enter?child=${childId}&week=${monday}`} />
        </span>
      )}
      {texts > 0 && (
        <Link href="/reports" prefetch={false} className="link">
          {texts} {texts === 1 ? 'text' : 'texts'} to enter
        </Link>
      )}
      {toPrint.length > 0 && (
        <span>
          to print again: <NamesWithLinks people={toPrint} hrefOf={({ childId }) => `/students/${childId}/print`} />
        </span>
      )}
    </div>
  );
}

/** Lists colleagues' decisions on students whom this person follows, too. */
export function Colleagues({ view }: { view: ReviewView }) {
  const { colleagues, names, timeZone } = view;
  if (colleagues.length === 0) return null;
  return (
    <details className="mt-1 text-[13px] text-soft">
      <summary>
        {colleagues.length} {colleagues.length === 1 ? 'decision' : 'decisions'} of colleagues this week
      </summary>
      <ul className="mt-1">
        {colleagues.map(({ id, childId, kind, answer, reason, decidedAt, decidedByName }) => (
          <li key={id}>
            {momentIn(decidedAt, timeZone)}, {decidedByName}:{' '}
            <Link href={`/students/${childId}`} prefetch={false} className="link">
              {names[childId]}
            </Link>
            , {words(`decisionKinds.${kind}`)}: {words(`settledAs.${answer}`)}
            {reason && ` (“${reason}”)`}
          </li>
        ))}
      </ul>
    </details>
  );
}
