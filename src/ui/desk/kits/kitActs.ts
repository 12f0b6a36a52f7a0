import type { WordedAction } from '../parts/ActionForm.client';

export interface KitActs {
  readonly pack: WordedAction;
  readonly unpack: WordedAction;
  readonly handOver: WordedAction;
  readonly cameBack: WordedAction;
  readonly count: WordedAction;
}
