import { Doing, LooksRight, Standing, Table } from '../../task/TaskInstructions';
import { Onward } from '../frame/Onward';
import { ShownClips } from '../shown/ShownClips';
import { How } from './How';
import { instructions, type PartProps } from './taskProps';

/** Shows how it is done and what it looks like when it is right. */
export function LookScreen(props: PartProps) {
  const { t } = props.words;
  return (
    <section id="look" className="screen" aria-labelledby="look-title">
      <h2 id="look-title" data-heading="" tabIndex={-1} className="mt-4 text-[1.2rem]">
        {t('flow.look')}
      </h2>
      <LookPart {...props} />
      <ShownClips clips={props.found.shown} child={props.view.child} token={props.token} words={props.words} />
      <button type="button" className="press mt-3" data-reads="look-text" hidden>
        {t('flow.readAloud')}
      </button>
      <Onward to="do" words={props.words}>
        {t('flow.toDo')}
      </Onward>
    </section>
  );
}

/** Parts that depend on the step. */
export function LookPart(props: PartProps) {
  const { content, step, words } = props;
  const about = instructions(props);
  return (
    <div data-part="look" id="look-text">
      {content.story && <p className="mt-1">{words.local(content.story)}</p>}
      <How content={content} step={step} words={words} />
      <Standing {...about} />
      <Table {...about} />
      <Doing {...about} />
      <LooksRight {...about} />
    </div>
  );
}
