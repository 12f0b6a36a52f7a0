import { makeTemplate } from './templateDatabase';

/** `makeTemplate.ts ADDRESS`: the database that every test bed is a copy of. */
await makeTemplate(process.argv[2]!);
