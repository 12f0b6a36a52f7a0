import Link from 'next/link';
import { FhirPanel, type FhirActs } from './FhirPanel.client';

interface Props extends FhirActs {
  readonly child: { readonly id: number; readonly name: string };
}

/** Shows another record system's data on a student, before anything is imported. */
export function FhirScreen({ child, preview, take }: Props) {
  return (
    <div className="max-w-[860px]">
      <p>
        <Link className="link" href={`/students/${child.id}`}>
          {child.name}
        </Link>
      </p>
      <h1 className="mt-1 text-[24px]">Import HL7 FHIR</h1>
      <p className="mt-1 text-soft">
        Goals and a care plan from another record system. You see everything first, including what could not be read. Goals are saved as
        written. Tasks are added to the draft program, where the safety check looks at them before anything is sent.
      </p>
      <FhirPanel childId={child.id} childName={child.name} preview={preview} take={take} />
    </div>
  );
}
