import { answerWith, type Job } from '@/app/screen';
import { policyForFile } from '@/server/exchange/policyPack';
import { dictionaryForFile, tableForFile } from '@/server/exchange/tablesForFile';
import { schoolYearForFile } from '@/server/settings/schoolYear';

interface File {
  readonly name: string;
  readonly text: string;
}

/** Files beside the tables: by name of the request, file name and type. */
const FILES: Readonly<Record<string, { readonly type: string; readonly job: Job<File> }>> = {
  dictionary: { type: 'text/csv', job: async () => ({ ...dictionaryForFile(), name: 'dictionary.csv' }) },
  policy: {
    type: 'application/json',
    job: async (actor, context) => ({ name: 'policy-pack.json', text: await policyForFile(context, actor) }),
  },
  'school-year': {
    type: 'text/calendar',
    job: async (actor, context) => ({ name: 'school-year.ics', text: await schoolYearForFile(context, actor) }),
  },
};

/** A table of the actor's children as CSV, what its columns mean, the rules of the workplace, or its school year. */
export async function GET(request: Request): Promise<Response> {
  const what = new URL(request.url).searchParams.get('what') ?? '';
  const known = Object.hasOwn(FILES, what) ? FILES[what]! : null;
  const table: Job<File> = async (actor, context) => {
    const { name, text } = await tableForFile(context, actor, { table: what });
    return { name: `${name}.csv`, text };
  };
  return answerWith(
    known?.job ?? table,
    ({ name, text }) =>
      new Response(text, {
        headers: {
          'content-type': `${known?.type ?? 'text/csv'}; charset=utf-8`,
          'content-disposition': `attachment; filename="${name}"`,
        },
      }),
  );
}
