import type { z } from 'zod';
import { AppError, type InputIssue } from './errors';

/** What came in, by its schema. @throws AppError invalid with every issue by its place */
export function parseInput<Schema extends z.ZodType>(schema: Schema, raw: unknown): z.output<Schema> {
  const parsed = schema.safeParse(raw);
  if (parsed.success) return parsed.data;
  throw invalid(
    ...parsed.error.issues.map((issue) => ({ path: issue.path.join('.'), code: issue.code === 'custom' ? issue.message : issue.code })),
  );
}

/** A refusal that names what is wrong by its place. */
export function invalid(...issues: readonly InputIssue[]): AppError<'invalid'> {
  return new AppError('invalid', { issues });
}
