import { SKINS, type Skin } from '../vocabulary';
import type { TaskContent } from './taskContent';

/** A task in another skin: title and story change, the mechanics and so its series of data do not. */
export function dressedIn(task: TaskContent, skin: Skin): TaskContent {
  const dress = task.skins[skin];
  return dress ? { ...task, title: dress.title, story: dress.story } : task;
}

/** The skins that a task can be shown in. */
export function skinsOf(task: Pick<TaskContent, 'skins'>): Skin[] {
  return SKINS.filter((skin) => skin === SKINS[0] || task.skins[skin]);
}
