import type { PartProps } from './taskProps';

/** Instruction of a step, in its own words. */
export function How({ content, step, words }: Pick<PartProps, 'content' | 'step' | 'words'>) {
  const here = content.ladder.steps[step - 1];
  return here ? <p className="sheet mt-3 text-[1.06rem] font-bold">{words.local(here.how)}</p> : null;
}
