export { auditOf } from './read';
export type { AuditRow } from './read';
export { appendAudit, dropAuditBefore } from './write';
export type { AuditEntry } from './write';
