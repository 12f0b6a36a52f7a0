import type { TransferView } from '@/server/caseload/viewTransfer';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';

/** Children of one therapist go to another: programs, links and history go on as they are. */
export function TransferScreen({ view, ticked, handOver }: { view: TransferView; ticked: number | null; handOver: WordedAction }) {
  const { from, children, receivers, isSupervisor } = view;
  return (
    <div className="max-w-[760px]">
      <h1 className="text-[24px]">Transfer students</h1>
      <p className="text-soft">
        The new therapist takes over as lead. Programs, family links, reports and history do not change. Families are not notified. Open
        injury reports go to the new lead’s review list.
      </p>
      {children.length === 0 && <p className="mt-4">{from.name} leads no student.</p>}
      {receivers.length === 0 && <p className="mt-4">No one else here can lead a student. Invite a colleague in Settings.</p>}
      {children.length > 0 && receivers.length > 0 && (
        <ActionForm action={handOver} hidden={{ from: isSupervisor ? 'caseloads' : 'yard' }} className="mt-4 space-y-4">
          <fieldset>
            <legend className="text-[13px] font-semibold text-soft">Led by {from.name}</legend>
            <div className="columns-3 gap-4">
              {children.map((child) => (
                <label key={child.childId} className="flex break-inside-avoid items-center gap-1.5">
                  <input
                    type="checkbox"
                    name="childId"
                    value={child.childId}
                    defaultChecked={child.childId === ticked}
                    className="size-4 accent-green"
                  />{' '}
                  {child.name}
                </label>
              ))}
            </div>
          </fieldset>
          <label className="block">
            <span className="block text-[13px] font-semibold text-soft">To</span>
            <select name="to" className="field">
              {receivers.map(({ id, name, role, leads }) => (
                <option key={id} value={id}>{`${name}, ${role}, leads ${leads}`}</option>
              ))}
            </select>
          </label>
          <label className="block">
            <span className="block text-[13px] font-semibold text-soft">Transfer note for the new therapist</span>
            <textarea name="note" maxLength={2000} rows={4} className="field w-full" />
          </label>
          <label className="flex items-center gap-1.5">
            <input type="checkbox" name="staysSharing" value="yes" className="size-4 accent-green" /> {from.name} still shares them
          </label>
          <button className="act act-main">Transfer</button>
        </ActionForm>
      )}
    </div>
  );
}
