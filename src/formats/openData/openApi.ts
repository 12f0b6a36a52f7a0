import { z } from 'zod';
import { pageSchema, pageOptionsSchema } from './rowSchema';
import { OPEN_TABLES } from './tables';

const FAULTS = {
  '401': 'The key is missing, unknown, revoked or expired.',
  '422': 'after or most can’t be taken.',
  '429': 'Too many requests. Retry-After has the seconds to wait.',
  '503': 'The records are away, or many people are here at once: ask again.',
} as const;

/** The read-only interface as an OpenAPI 3.1 document (https://spec.openapis.org/oas/v3.1.0), made of the schemas by which it answers. */
export function writeOpenApi(origin: string): Record<string, unknown> {
  const options = z.toJSONSchema(pageOptionsSchema, { io: 'input' }) as { properties: Record<string, { description?: string }> };
  const parameters = Object.entries(options.properties).map(([name, { description, ...schema }]) => ({
    name,
    in: 'query',
    required: false,
    description,
    schema,
  }));
  const faults = Object.fromEntries(Object.entries(FAULTS).map(([status, description]) => [status, { description }]));
  return {
    openapi: '3.1.0',
    info: {
      title: 'Yard Steps, for a district’s own reports',
      version: '1',
      description: 'Read only. Rows have no names and no comments. A student has the same number in every table.',
    },
    servers: [{ url: `${origin}/api/v1` }],
    security: [{ key: [] }],
    components: { securitySchemes: { key: { type: 'http', scheme: 'bearer' } } },
    paths: Object.fromEntries(
      Object.values(OPEN_TABLES).map((table) => [
        `/${table.name}`,
        {
          get: {
            operationId: table.name,
            summary: table.meaning,
            parameters,
            responses: {
              '200': { description: 'A page of rows.', content: { 'application/json': { schema: z.toJSONSchema(pageSchema(table)) } } },
              ...faults,
            },
          },
        },
      ]),
    ),
  };
}
