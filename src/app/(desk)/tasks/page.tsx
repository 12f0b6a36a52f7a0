import { SKILLS, SKINS } from '@/core/vocabulary';
import { BUNDLES, thingsOf, type TaskOptions } from '@/core/library';
import { screen } from '@/app/screen';
import { viewLibrary } from '@/server/tasks/viewLibrary';
import { LibraryScreen } from '@/ui/desk/tasks/LibraryScreen';
import { Shell } from '@/ui/desk/frame/Shell';
import { importPackAction, startTaskAction } from './actions';

type Address = Promise<Record<string, string | string[] | undefined>>;

export default async function LibraryPage({ searchParams }: { searchParams: Address }) {
  const address = await searchParams;
  return screen(async (actor, context) => {
    const view = await viewLibrary(context, actor);
    const made = typeof address.made === 'string' ? address.made : null;
    return (
      <Shell here="/tasks" actor={actor}>
        <LibraryScreen
          tasks={view.tasks}
          inEditor={view.inEditor}
          things={thingsOf(view.tasks.map((task) => task.content))}
          options={optionsFrom(address)}
          made={made}
          acts={{ mayMake: view.mayMake, start: startTaskAction, importPack: importPackAction }}
        />
      </Shell>
    );
  });
}

function optionsFrom(address: Awaited<Address>): TaskOptions {
  const text = (name: string) => (typeof address[name] === 'string' ? address[name].slice(0, 80) : '');
  const number = (name: string) => (/^\d{1,2}$/.test(text(name)) ? Number(text(name)) : undefined);
  const atHand = ['hand1', 'hand2', 'hand3'].map(text).filter(Boolean);
  return {
    search: text('search'),
    skill: SKILLS.find((skill) => skill === text('skill')),
    ageYears: number('age'),
    mostMinutes: number('minutes'),
    noScissors: text('noScissors') === 'yes',
    noFood: text('noFood') === 'yes',
    skin: SKINS.find((skin) => skin === text('skin')),
    atHand: atHand.length ? atHand : undefined,
    bundle: BUNDLES.find(({ id }) => id === text('bundle'))?.id,
  };
}
