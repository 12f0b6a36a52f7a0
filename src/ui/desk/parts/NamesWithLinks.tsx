import Link from 'next/link';

interface Named {
  readonly childId: number;
  readonly name: string;
}

/** Names in a line, each a way to what is to be done about it. */
export function NamesWithLinks<Person extends Named>({
  people,
  hrefOf,
}: {
  people: readonly Person[];
  hrefOf: (person: Person) => string;
}) {
  return people.map((person, index) => (
    <span key={person.childId}>
      {index > 0 && ', '}
      <Link href={hrefOf(person)} prefetch={false} className="link">
        {person.name}
      </Link>
    </span>
  ));
}
