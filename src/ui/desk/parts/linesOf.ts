/** Yields the lines of a job while it runs. @throws Error with its words where it was refused */
export async function* linesOf<Line>(address: string, form: FormData, signal: AbortSignal): AsyncGenerator<Line> {
  const options = new URLSearchParams([...form].map(([name, value]): [string, string] => [name, String(value)]));
  const answer = await fetch(`${address}?${options}`, { signal });
  if (!answer.ok || !answer.body) throw new Refused(await answer.text());
  const reader = answer.body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  for (let read = await reader.read(); !read.done; read = await reader.read()) {
    const lines = `${rest}${read.value}`.split('\n');
    rest = lines.pop() ?? '';
    for (const line of lines) yield JSON.parse(line) as Line;
  }
}

/** Its message is what is told to people. */
export class Refused extends Error {}
