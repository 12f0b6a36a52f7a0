import { z } from 'zod';
import { drawSheet } from '@/core/worksheets';
import { sheetSpecSchema } from '@/core/tasks';
import { readOutline, type ReadOutline } from '@/formats';
import { requireMay } from '../access';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { AppError } from '../errors';
import { parseInput } from '../parseInput';
import { changePlanned } from '../programs/changePlanned';
import { storeDraft } from '../tasks/taskDrafts';
import { viewTaskEditor } from '../tasks/viewTaskEditor';

export type { ReadOutline };

const fields = { slug: z.string().max(80), step: z.coerce.number().int().min(1).max(12), spec: sheetSpecSchema };
const NAMED = { isLeft: false, name: 'A', language: 'en', isLarge: false } as const;
const NO_WORDS = { name: '', title: '', how: '', check: '' };

function requireDrawn(spec: z.infer<typeof sheetSpecSchema>): void {
  const drawn = drawSheet({ spec, paper: 'letter', audience: NAMED, words: NO_WORDS });
  if (!drawn.ok) throw new AppError('invalid', { issues: drawn.issues.map(({ code }) => ({ path: 'spec', code })) });
}

/**
 * Puts a sheet into a step of the program that is being written for a child: what was sent stays as it was till the next one goes out.
 * @throws AppError notFound where the program has no such task; invalid where the sheet can't be drawn
 */
export async function putSheetForChild(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const { childId, slug, step, spec } = parseInput(z.object({ ...fields, childId: z.coerce.number().int().positive() }), raw);
  requireDrawn(spec);
  await changePlanned(context, actor, { childId, slug }, (choices) => ({
    ...choices,
    sheets: { ...choices.sheets, [String(step)]: spec },
  }));
}

/** Lays a sheet onto the bench, at a step of one's own task. It is in the library once the task is put there. @throws AppError notFound, notAllowed, invalid */
export async function addSheetToDraft(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const { slug, step, spec } = parseInput(z.object(fields), raw);
  requireMay(actor, 'makeTasks');
  requireDrawn(spec);
  const { content } = await viewTaskEditor(context, actor, slug);
  if (!content.ladder.steps[step - 1]) throw new AppError('notFound');
  const steps = content.ladder.steps.map((each, index) => (index === step - 1 ? { ...each, sheet: spec } : each));
  await storeDraft(context, actor, { ...content, ladder: { ...content.ladder, steps } });
}

const outlineSchema = z.object({ file: z.string().max(300_000), sizeMm: z.coerce.number().min(15).max(180) });

/** Reads an outline of one's own from the text of an SVG file. Nothing of the file is kept. @throws AppError invalid */
export async function outlineFromFile(_context: Context, _actor: PersonActor, raw: unknown): Promise<ReadOutline> {
  const { file, sizeMm } = parseInput(outlineSchema, raw);
  return readOutline(file, sizeMm);
}
