export { teacherLinkByHash, teacherLinksOf } from './read';
export type { TeacherLink } from './read';
export { addTeacherLink, revokeTeacherLinksOf } from './write';
