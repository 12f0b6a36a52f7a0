import { answerWith } from '@/app/screen';
import { exportChild } from '@/server/exchange/exportChild';
import { exportFhir } from '@/server/exchange/exportFhir';
import { childPage } from '@/ui/desk/exchange/childPage';
import { criterionWords } from '@/ui/desk/goals/goalWords';

/** Everything that is kept of a child in one file: `?as=json` as data, `?as=fhir` as an HL7 FHIR R4 bundle, else to read. */
export async function GET(request: Request, { params }: { params: Promise<{ childId: string }> }): Promise<Response> {
  const childId = Number((await params).childId);
  const as = new URL(request.url).searchParams.get('as');
  const asData = as === 'json';
  if (as === 'fhir') return asFhir(childId);
  return answerWith(
    (actor, context) => exportChild(context, actor, childId),
    async (all) => {
      const [body, type, end] = asData
        ? [JSON.stringify(all, null, 1), 'application/json', 'json']
        : [await childPage(all), 'text/html', 'html'];
      const headers = { 'content-type': `${type}; charset=utf-8`, 'content-disposition': `attachment; filename="child-${childId}.${end}"` };
      return new Response(body, { headers });
    },
  );
}

function asFhir(childId: number): Promise<Response> {
  return answerWith(
    (actor, context) => exportFhir(context, actor, childId, criterionWords),
    (bundle) =>
      new Response(JSON.stringify(bundle, null, 1), {
        headers: {
          'content-type': 'application/fhir+json; charset=utf-8',
          'content-disposition': `attachment; filename="child-${childId}.fhir.json"`,
        },
      }),
  );
}
