import type { HomeMaterial, TaskContent } from '../tasks';

/** Every thing that the tasks use, or take in place of another, once each by its id, in the order of its English name. */
export function thingsOf(tasks: readonly TaskContent[]): HomeMaterial[] {
  const things = new Map<string, HomeMaterial>();
  const add = (thing: HomeMaterial) => things.get(thing.id) ?? things.set(thing.id, thing);
  for (const material of tasks.flatMap((task) => task.materials)) {
    const { id, name, shape, hazards, allergens, textures } = material;
    add({ id, name, hazards, allergens, textures, ...(shape ? { shape } : {}) });
  }
  for (const substitute of tasks.flatMap((task) => task.materials).flatMap((material) => material.substitutes)) {
    const { id, en, es, shape, hazards, allergens, textures } = substitute;
    if (id) add({ id, name: { en, es }, hazards, allergens, textures, ...(shape ? { shape } : {}) });
  }
  return [...things.values()].sort((a, b) => a.name.en.localeCompare(b.name.en, 'en'));
}
