import Link from 'next/link';
import type { MessagesView } from '@/server/messages/viewMessages';
import { momentIn, timeIn } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';
import { RowKeys } from '../parts/RowKeys.client';
import { SearchBox } from '../parts/SearchBox.client';
import { HeadRow } from '../parts/HeadRow';
import { Phone } from './Phone';

export interface MessagesProps {
  readonly search: string;
  readonly view: MessagesView;
  readonly tryAgain: WordedAction;
  readonly writeAsFamily: WordedAction;
  readonly setNetwork: WordedAction;
  readonly sendOwn: WordedAction;
}

export function MessagesScreen({ view, search, tryAgain, ...acts }: MessagesProps) {
  return (
    <>
      <div className="flex items-baseline">
        <h1 className="text-[24px]">Messages</h1>
        <SearchBox value={search} />
      </div>
      {!view.reaches.text && (
        <p className="mt-2 border-l-4 border-brick bg-brick-tint px-3 py-1.5" data-no-texts="">
          <strong>No text service is set up, so no texts are sent{view.reaches.email ? '' : ', and no emails'}.</strong> Give each family
          its link yourself: the student’s page has a copy button and a QR code. Your IT staff can set up a text service.
        </p>
      )}
      <div className="mt-2 grid grid-cols-1 min-[900px]:grid-cols-[minmax(0,1fr)_380px] gap-8">
        <div className="min-w-0">
          <CameIn view={view} />
          <section aria-label="Sent messages" className="min-w-0">
            <h2 className="mt-4 text-[17px]">Sent</h2>
            <RowKeys />
            <div className="overflow-x-auto">
              <table className="w-full border-collapse">
                <HeadRow heads={['family of', 'kind', 'message', 'by', 'when', 'status']} />
                <tbody>
                  {view.messages.map((message) => (
                    <tr key={message.id} data-row>
                      <td className="cell whitespace-nowrap">
                        <Link href={`/messages?phone=${message.childId}`} prefetch={false} className="font-semibold hover:underline">
                          {message.childName}
                        </Link>
                      </td>
                      <td className="cell whitespace-nowrap">{words(`messageKinds.${message.kind}`)}</td>
                      <td className="cell w-full text-soft" title={message.words.replace('{link}', '(private link)')}>
                        {message.kind !== 'note' && message.words.includes('{link}')
                          ? 'a private link to the program'
                          : message.words.replace('{link}', '(private link)')}
                      </td>
                      <td className="cell whitespace-nowrap">{message.createdBy ?? 'automatic'}</td>
                      <td className="cell whitespace-nowrap">{momentIn(message.createdAt, view.timeZone)}</td>
                      <td className={`cell whitespace-nowrap ${message.status === 'givenUp' ? 'text-brick' : ''}`}>
                        {message.status === 'waiting' && message.sendAt !== null
                          ? `sending at ${timeIn(message.sendAt, view.timeZone)}`
                          : words(`messageStates.${message.status}`)}
                        {message.status === 'givenUp' && message.mayTryAgain && (
                          <ActionForm action={tryAgain} hidden={{ childId: message.childId, messageId: message.id }}>
                            <button className="link">Try again</button>
                          </ActionForm>
                        )}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
            {view.messages.length === 0 && <p className="text-soft">No messages sent yet.</p>}
          </section>
        </div>
        <Phone view={view} {...acts} />
      </div>
    </>
  );
}

/** Lists texts from families, and what was done with each. */
function CameIn({ view: { incoming, ofNobody, timeZone } }: Pick<MessagesProps, 'view'>) {
  if (incoming.length + ofNobody.length === 0) return null;
  return (
    <section aria-label="Received texts" className="min-w-0">
      <h2 className="text-[17px]">Received by text</h2>
      <div className="overflow-x-auto">
        <table className="w-full border-collapse">
          <HeadRow heads={['family of', 'message', 'from', 'when', 'result']} />
          <tbody>
            {incoming.map(({ id, childId, childName, text, saidBy, receivedAt, outcome, settledAt }) => (
              <tr key={id}>
                <td className="cell whitespace-nowrap">
                  <Link href={`/messages?phone=${childId}`} prefetch={false} className="font-semibold hover:underline">
                    {childName}
                  </Link>
                </td>
                <td className="cell w-full" dir="auto">
                  {text}
                </td>
                <td className="cell whitespace-nowrap">{saidBy || 'not named'}</td>
                <td className="cell whitespace-nowrap">{momentIn(receivedAt, timeZone)}</td>
                <td className={`cell whitespace-nowrap ${needsAPerson(outcome) && settledAt === null ? 'text-brick' : ''}`}>
                  {needsAPerson(outcome) && settledAt !== null ? 'read by a person' : words(`textOutcomes.${outcome}`)}
                </td>
              </tr>
            ))}
            {ofNobody.map(({ id, text, from, receivedAt }) => (
              <tr key={id}>
                <td className="cell whitespace-nowrap text-soft">unknown sender</td>
                <td className="cell w-full" dir="auto">
                  {text}
                </td>
                <td className="cell whitespace-nowrap">{from}</td>
                <td className="cell whitespace-nowrap">{momentIn(receivedAt, timeZone)}</td>
                <td className="cell whitespace-nowrap text-brick">the number is not on any student’s page</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

const needsAPerson = (outcome: MessagesView['incoming'][number]['outcome']) => outcome === 'person' || outcome === 'stopped';
