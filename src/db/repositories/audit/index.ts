export { auditChain } from './chain';
export type { ChainFault, ChainState } from './chain';
export { keepAuditMonths, layAuditByMonths } from './partitions';
export { auditOf, ownTrail, workplaceTrail } from './read';
export type { AuditRow } from './read';
export { appendAudit, deleteAuditBefore } from './write';
export type { AuditEntry } from './write';
