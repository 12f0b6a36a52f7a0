import Link from 'next/link';
import { nameOf } from '@/core/child';
import type { PostView } from '@/server/messages/viewPost';
import { momentIn, timeIn } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';
import { RowKeys } from '../parts/RowKeys.client';
import { SearchBox } from '../parts/SearchBox.client';
import { HeadRow } from '../parts/HeadRow';

export interface PostProps {
  readonly search: string;
  readonly view: PostView;
  readonly tryAgain: WordedAction;
}

export function PostScreen({ view, search, tryAgain }: PostProps) {
  return (
    <>
      <div className="flex items-baseline">
        <h1 className="text-[24px]">Messages</h1>
        <SearchBox value={search} />
      </div>
      <div className="mt-2 grid grid-cols-1 min-[900px]:grid-cols-[minmax(0,1fr)_380px] gap-8">
        <section aria-label="Sent messages">
          <RowKeys />
          <table className="w-full border-collapse">
            <HeadRow heads={['family of', 'what', 'words', 'by', 'when', 'state']} />
            <tbody>
              {view.messages.map((message) => (
                <tr key={message.id} data-row>
                  <td className="cell whitespace-nowrap">
                    <Link href={`/post?phone=${message.childId}`} prefetch={false} className="font-semibold hover:underline">
                      {message.childName}
                    </Link>
                  </td>
                  <td className="cell whitespace-nowrap">{words(`messageKinds.${message.kind}`)}</td>
                  <td className="cell w-full text-soft" title={message.words.replace('{link}', '(private link)')}>
                    {message.kind === 'note' ? message.words : 'a private link to the program'}
                  </td>
                  <td className="cell whitespace-nowrap">{message.createdBy}</td>
                  <td className="cell whitespace-nowrap">{momentIn(message.createdAt, view.timeZone)}</td>
                  <td className={`cell whitespace-nowrap ${message.status === 'givenUp' ? 'text-brick' : ''}`}>
                    {message.status === 'waiting' && message.sendAt !== null
                      ? `going out at ${timeIn(message.sendAt, view.timeZone)}`
                      : words(`messageStates.${message.status}`)}
                    {message.status === 'givenUp' && message.mayTryAgain && (
                      <ActionForm action={tryAgain} hidden={{ childId: message.childId, messageId: message.id }}>
                        <button className="link">try again</button>
                      </ActionForm>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {view.messages.length === 0 && <p className="text-soft">Nothing has gone out yet.</p>}
        </section>
        <Phone phone={view.phone} />
      </div>
    </>
  );
}

/** Writes the private link as a link, the rest as text. */
function TextWithLink({ text }: { text: string }) {
  const parts = text.split(/(https?:\/\/\S+)/);
  return parts.map((part, index) =>
    index % 2 ? (
      <a
        key={index}
        href={part}
        className="link [overflow-wrap:anywhere]"
        data-key="v"
        data-key-says="Open the newest link as the family would"
      >
        {part}
      </a>
    ) : (
      part
    ),
  );
}

function Phone({ phone }: Pick<PostView, 'phone'>) {
  return (
    <aside>
      <h2 className="text-[17px]">{phone ? `The phone of ${nameOf(phone.child)}’s family` : 'A family’s phone'}</h2>
      <p className="text-[13px] text-soft">A pretend phone: it stands in for the text service. Choose a family on the left.</p>
      <div className="mt-2 rounded-[22px] border-[6px] border-ink bg-sheet px-4 py-5" role="group" aria-label="Pretend phone">
        <ol className="flex max-h-[560px] min-h-[380px] flex-col gap-3 overflow-auto" tabIndex={0} aria-label="Texts on the phone">
          {phone?.texts.map((text) => (
            <li key={text.key} className="rounded-[10px] bg-green-tint px-3 py-2">
              <TextWithLink text={text.text} />
              <span className="mt-1 block text-[12px] text-soft">{momentIn(text.at, phone.child.timeZone)}</span>
            </li>
          ))}
          {(!phone || phone.texts.length === 0) && <li className="text-soft">No texts on this phone.</li>}
        </ol>
      </div>
    </aside>
  );
}
