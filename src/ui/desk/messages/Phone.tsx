import { nameOf } from '@/core/students';
import type { MessagesView } from '@/server/messages/viewMessages';
import { momentIn } from '../../shared/days';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';
import { OwnText } from './OwnText.client';

interface Props {
  readonly view: Pick<MessagesView, 'phone' | 'network' | 'incoming'>;
  readonly writeAsFamily: WordedAction;
  readonly setNetwork: WordedAction;
  readonly sendOwn: WordedAction;
}

/** A family's texts, ours and theirs, latest first; what is written on the phone comes in as from the family. */
export function Phone({ view: { phone, network, incoming }, writeAsFamily, setNetwork, sendOwn }: Props) {
  const theirs = incoming.filter(({ childId }) => childId === phone?.child.id);
  const texts = [
    ...(phone?.texts ?? []).map(({ key, at, text }) => ({ key, at, text, isTheirs: false })),
    ...theirs.map(({ id, receivedAt, text }) => ({ key: `in-${id}`, at: receivedAt, text, isTheirs: true })),
  ].sort((a, b) => b.at - a.at);
  const newestLink = texts.find(({ text, isTheirs }) => !isTheirs && LINK.test(text))?.key;
  return (
    <aside>
      <h2 className="text-[17px]">{phone ? `The phone of ${nameOf(phone.child)}’s family` : 'A family’s phone'}</h2>
      <p className="text-[13px] text-soft">A simulated phone in place of the text service. Choose a family on the left.</p>
      <div className="mt-2 rounded-[22px] border-[6px] border-ink bg-sheet px-4 py-5" role="group" aria-label="Simulated phone">
        {phone?.mayWrite && network && (
          <ActionForm action={writeAsFamily} hidden={{ childId: phone.child.id }} className="mb-3">
            <label className="block text-[13px] font-semibold" htmlFor="as-family">
              Write as the family
            </label>
            <span className="flex gap-2">
              <input id="as-family" name="text" maxLength={600} className="field min-w-0 flex-1" autoComplete="off" dir="auto" />
              <button className="act">Send</button>
            </span>
          </ActionForm>
        )}
        <ol className="flex max-h-[480px] min-h-[280px] flex-col gap-3 overflow-auto" tabIndex={0} aria-label="Texts on the phone">
          {texts.map(({ key, at, text, isTheirs }) => (
            <li
              key={key}
              dir="auto"
              className={`max-w-[88%] rounded-[10px] px-3 py-2 ${isTheirs ? 'self-end bg-straw-tint' : 'self-start bg-green-tint'}`}
            >
              <span className="sr-only">{isTheirs ? 'From the family: ' : 'To the family: '}</span>
              {isTheirs ? text : <TextWithLink text={text} isNewest={key === newestLink} />}
              <span className="mt-1 block text-[12px] text-soft">{phone && momentIn(at, phone.child.timeZone)}</span>
            </li>
          ))}
          {texts.length === 0 && <li className="text-soft">No texts on this phone.</li>}
        </ol>
      </div>
      {phone?.mayWrite && <OwnText childId={phone.child.id} send={sendOwn} />}
      {network && (
        <details className="mt-4">
          <summary className="text-[15px] font-semibold">Simulated network</summary>
          <ActionForm action={setNetwork} hidden={{}} className="mt-2 grid gap-2 text-[14px]">
            <label>
              Messages that fail the first time{' '}
              <input name="fails" inputMode="numeric" className="field w-[70px]" defaultValue={network.fails} key={network.fails} />
            </label>
            <label>
              Seconds until a family’s text arrives{' '}
              <input
                name="delaySeconds"
                inputMode="numeric"
                className="field w-[70px]"
                defaultValue={network.delaySeconds}
                key={network.delaySeconds}
              />
            </label>
            <label className="flex items-center gap-2">
              <input type="checkbox" name="twice" defaultChecked={network.twice} className="size-4 accent-green" /> Each text arrives twice
            </label>
            <label className="flex items-center gap-2">
              <input type="checkbox" name="disorder" defaultChecked={network.disorder} className="size-4 accent-green" /> Texts arrive in
              another order
            </label>
            <button className="act justify-self-start">Save</button>
          </ActionForm>
        </details>
      )}
    </aside>
  );
}

const LINK = /(https?:\/\/\S+)/;

/** Writes the private link as a link, the rest as text. The newest one has a key. */
function TextWithLink({ text, isNewest }: { text: string; isNewest: boolean }) {
  const key = isNewest && { 'data-key': 'v', 'data-key-says': 'Open the newest link as the family' };
  return text.split(LINK).map((part, index) =>
    index % 2 ? (
      <a key={index} href={part} className="link [overflow-wrap:anywhere]" {...key}>
        {part}
      </a>
    ) : (
      part
    ),
  );
}
