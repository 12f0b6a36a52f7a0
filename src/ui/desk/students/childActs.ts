import type { WordedAction } from '../parts/ActionForm.client';
import type { ChangeHome } from './HomeAndSettings.client';

export interface ChildActs {
  readonly changeHome: ChangeHome;
  readonly revokeLink: WordedAction;
  readonly sendLink: WordedAction;
  readonly newLink: WordedAction;
  readonly share: WordedAction;
  readonly rest: WordedAction;
  readonly leave: WordedAction;
  readonly comeBack: WordedAction;
  readonly deleteChild: WordedAction;
}
