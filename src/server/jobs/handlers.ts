import { inTransaction, markSystem, migrationNames, openStops, personById, sharingOf, workplaceOf } from '@/db';
import { deliverHandler } from '../messages/deliver';
import { makePasswordLink } from '../accounts/passwordReset';
import { clipFormsHandler } from '../videos/clipForms';
import { deleteMediaHandler } from '../videos/storeFile';
import { remindHandler } from '../messages/reminders';
import { receiveText } from '../reports/replies/receiveText';
import { personAddressOf, strangerAddressOf, type TextToSend } from '../ports';
import { injuryEmailKey, passwordLinkKey, strangerReplyKey, type JobKind, type PayloadOf } from './jobs';
import { cleanUpHandler } from './cleanUp';
import type { JobHandler } from './jobHandler';

const nothing = async () => {};

/** The kinds whose effect is outside of our tables. The trail is appended by `appendTrail`. */
export type LeasedKind = Exclude<JobKind, 'audit'>;

export const HANDLERS = {
  deliver: deliverHandler,
  passwordLink: {
    prepare: (context, { personId, asking }) =>
      inTransaction(context.db, async (work) => {
        const person = await personById(work, personId);
        return (
          person && {
            to: personAddressOf(personId),
            reach: { way: 'email' as const, at: person.email },
            text: `Someone asked to reset the password for this Yard Steps account. If it was not you, ignore this email. Your password stays the same. If it was you, open this link within one hour: ${await makePasswordLink(work, context, personId, asking)}`,
            idempotencyKey: passwordLinkKey(asking),
          }
        );
      }),
    act: async (context, text: TextToSend) => {
      await context.texts.send(text);
    },
    settle: nothing,
    giveUp: nothing,
  } satisfies JobHandler<PayloadOf<'passwordLink'>, TextToSend>,
  forgetPhone: {
    prepare: async (_context, { to }) => to,
    act: (context, to) => context.texts.forget(String(to)),
    settle: nothing,
    giveUp: nothing,
  },
  incoming: {
    prepare: async (_context, text) => text,
    act: async (context, text: PayloadOf<'incoming'>) => {
      await receiveText(context, text);
    },
    settle: nothing,
    giveUp: nothing,
  } satisfies JobHandler<PayloadOf<'incoming'>, PayloadOf<'incoming'>>,
  tellStranger: {
    prepare: async (_context, stranger) => ({
      to: strangerAddressOf(stranger.from),
      reach: { way: 'text' as const, at: stranger.from },
      text: stranger.text,
      idempotencyKey: strangerReplyKey(stranger),
    }),
    act: async (context, text: TextToSend) => {
      await context.texts.send(text);
    },
    settle: nothing,
    giveUp: nothing,
  } satisfies JobHandler<PayloadOf<'tellStranger'>, TextToSend>,
  injuryEmail: {
    prepare: (context, payload) =>
      inTransaction(context.db, async (work) => {
        const lead = (await sharingOf(work, payload.childId)).find(({ access }) => access === 'lead');
        const person = lead && (await personById(work, lead.personId));
        const { injuryEmail } = await workplaceOf(work);
        if (!person || !injuryEmail || (await openStops(work, [payload.childId])).length === 0) return null;
        return {
          to: personAddressOf(person.id),
          reach: { way: 'email' as const, at: person.email },
          text: `An injury report is open in Yard Steps. The activity is on hold at home until you review it. Sign in to read it: ${context.origin}/review`,
          idempotencyKey: injuryEmailKey(payload),
        };
      }),
    act: async (context, text: TextToSend) => {
      await context.texts.send(text);
    },
    settle: nothing,
    giveUp: nothing,
  } satisfies JobHandler<PayloadOf<'injuryEmail'>, TextToSend>,
  backup: {
    prepare: async (context, { day }) => context.backups && { day, migrations: await inTransaction(context.db, migrationNames) },
    act: (context, { day, migrations }: { day: string; migrations: readonly string[] }) => context.backups!.make(day, migrations),
    settle: (work, context) => markSystem(work, 'backup', context.now()),
    giveUp: nothing,
  } satisfies JobHandler<PayloadOf<'backup'>, { day: string; migrations: readonly string[] }>,
  clipForms: clipFormsHandler,
  dropMedia: deleteMediaHandler,
  remind: remindHandler,
  tidy: cleanUpHandler,
} satisfies {
  // A handler only ever gets back what its own `prepare` returned.
  [Kind in LeasedKind]: JobHandler<PayloadOf<Kind>, unknown>;
};
