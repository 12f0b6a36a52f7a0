import { thingsOf } from '@/core/library';
import { screen } from '@/app/screen';
import { viewBench } from '@/server/tasks/viewBench';
import { Bench } from '@/ui/desk/bench/Bench.client';
import { usualKnobs } from '@/ui/desk/bench/usualLevels';
import { cardIn } from '@/ui/desk/rounds/roundsAddress';
import { Shell } from '@/ui/desk/frame/Shell';
import { copyTaskAction, dropDraftAction, keepDraftAction, setShelfAction, shelveTaskAction, versionAction } from '../actions';

type Search = Promise<Record<string, string | string[] | undefined>>;

export default async function BenchPage({ params, searchParams }: { params: Promise<{ slug: string }>; searchParams: Search }) {
  const { slug } = await params;
  const back = cardIn(await searchParams);
  return screen(async (actor, context) => {
    const { library, ...view } = await viewBench(context, actor, slug);
    const usual = await usualKnobs();
    return (
      <Shell here="/tasks" actor={actor}>
        <Bench
          usual={usual}
          back={back}
          key={slug}
          view={{ ...view, things: thingsOf(library) }}
          keep={keepDraftAction}
          shelve={shelveTaskAction}
          setShelf={setShelfAction}
          drop={dropDraftAction}
          copy={copyTaskAction}
          versionOf={versionAction}
        />
      </Shell>
    );
  });
}
