import { ownPath } from '@/app/ownPath';
import { screen } from '@/app/screen';
import { Shell } from '@/ui/desk/frame/Shell';
import { ConfirmForm } from '@/ui/desk/accounts/ConfirmForm';
import { confirmAction } from './actions';

export default async function ConfirmPage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const next = ownPath((await searchParams).next);
  return screen(async (actor) => (
    <Shell here="/settings" actor={actor}>
      <ConfirmForm action={confirmAction} next={next} />
    </Shell>
  ));
}
