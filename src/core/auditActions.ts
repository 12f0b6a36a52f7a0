/** Everything that the trail of looks and changes knows. A new act gets its name here, and its words in messages/desk.en.json. */
export const AUDIT_ACTIONS = [
  'yard.viewed',
  'rounds.viewed',
  'post.viewed',
  'child.viewed',
  'builder.viewed',
  'family.viewed',
  'draft.saved',
  'program.sent',
  'home.changed',
  'decision.up',
  'decision.down',
  'decision.hold',
  'decision.read',
  'decision.wrote',
  'decision.later',
  'decision.seen',
  'decision.lifted',
  'decision.keptClosed',
  'decision.takenOut',
  'decision.undone',
  'link.sent',
  'link.revoked',
  'message.triedAgain',
  'text.settled',
  'report.taken',
  'report.corrected',
  'child.deleted',
  'password.changed',
  'person.invited',
  'invitation.takenBack',
  // Stands in trails that were kept before the demo was lived through the use cases.
  'demo.loaded',
] as const;
export type AuditAction = (typeof AUDIT_ACTIONS)[number];

/** What an entry tells beside its action: codes and numbers, never a sentence. */
export type AuditDetail = Readonly<Record<string, string | number>>;
