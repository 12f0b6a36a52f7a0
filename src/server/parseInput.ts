import type { z } from 'zod';
import { AppError, type InputIssue } from './errors';

/** A message of our own schemas is a code, which has its words in messages/; one of the library is a sentence. */
const A_CODE = /^[a-z]+[A-Za-z]*$/;

/** Parses input by its schema. @throws AppError invalid with every issue by its place */
export function parseInput<Schema extends z.ZodType>(schema: Schema, raw: unknown): z.output<Schema> {
  const parsed = schema.safeParse(raw);
  if (parsed.success) return parsed.data;
  throw invalid(
    ...parsed.error.issues.map(({ path, code, message }) => ({ path: path.join('.'), code: A_CODE.test(message) ? message : code })),
  );
}

/** A refusal that names what is wrong by its place. */
export function invalid(...issues: readonly InputIssue[]): AppError<'invalid'> {
  return new AppError('invalid', { issues });
}
