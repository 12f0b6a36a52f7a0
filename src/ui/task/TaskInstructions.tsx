import { safeSubstitutes } from '@/core/safety';
import { isNeededAt, linesAt, mapsFor, whenDone, type PlacedThing, type Recipe } from '@/core/tasks';
import type { LocalText } from '@/core/text';
import { languagesOf } from '@/core/library';
import type { FamilyWords } from '../shared/familyWords';
import { GoodOneDrawing } from './GoodOneDrawing';
import { cautionLines } from './cautionLines';
import { TableMapDrawing } from './TableMapDrawing';
import type { InstructionProps } from './instructionProps';

/** A caregiver looks for so much beside the count. Common practice, no source. */
export const MOST_WATCHED = 2;

/** How a task is done at one step, as the family reads it, all of it below each other: beside the therapist's bench. */
export function TaskInstructions(props: InstructionProps) {
  return (
    <>
      <Standing {...props} />
      <Needed {...props} />
      <Table {...props} />
      <Doing {...props} />
      <LooksRight {...props} />
      <WatchOut {...props} />
    </>
  );
}

/** Says how the step is graded, why it helps, and what fades within it. */
export function Standing({ content, step, words: { t, local, language } }: InstructionProps) {
  // A step's own words tell what is new; where everything stands is read from its grade.
  const standing = content.knobs.flatMap(({ knob, levels }) => levels[content.ladder.steps[step - 1]?.grade[knob] ?? 0] ?? []);
  const fading = content.ladder.steps[step - 1]?.fading;
  const inEnglish = !languagesOf([content]).includes(language);
  return (
    <>
      {inEnglish && <p className="mt-2 font-bold">{t('safetyInEnglish')}</p>}
      <p className="mt-2">
        <strong>{t('asItStands')}</strong> {standing.map(local).join(' · ')}
      </p>
      {fading && <p>{t('fading', { first: fading.first, what: local(fading) })}</p>}
      {content.why && <p className="mt-1 text-soft">{local(content.why)}</p>}
    </>
  );
}

/** Lists the things needed at this step, with substitutes and recipes. */
export function Needed({ content, step, child, words, pieces }: InstructionProps) {
  const { t, local } = words;
  const needed = content.materials.filter((material) => isNeededAt(material, step));
  if (needed.length === 0) return null;
  return (
    <>
      <h2 className="mt-4 text-[1.06rem]">{t('need')}</h2>
      <ul className="list-disc ps-5">
        {needed.map((material, index) => (
          <li key={index}>
            {local(material.name)}
            {material.count > 1 && ` × ${material.count}`}
            {material.optional && <span className="text-soft"> ({t('optional')})</span>}
            <OrElse what={safeSubstitutes(content, material, child.care)[0]} words={words} />
            {material.recipe && <RecipeSaid recipe={material.recipe} words={words} />}
          </li>
        ))}
      </ul>
      {pieces > 0 && <p>{t('prepare', { pieces })}</p>}
    </>
  );
}

/** The table from above, for this child's hand: two maps where it is done both ways. */
export function Table({ content, step, child, words: { t, local } }: InstructionProps) {
  const maps = mapsFor(content, child.hand, step);
  if (maps.length === 0) return null;
  const placeWords = (place: PlacedThing) => t(`side.${place.side}`, { what: local(place.what) });
  return (
    <>
      <h2 className="mt-4 text-[1.06rem]">{t('table')}</h2>
      {maps.length > 1 && <p>{t('bothWays', { name: child.calledName })}</p>}
      {maps.map(({ hand, places }) => (
        <figure key={hand}>
          {maps.length > 1 && hand !== 'unsettled' && <figcaption className="font-bold">{t(`mapHand.${hand}`)}</figcaption>}
          <TableMapDrawing
            places={places}
            wordsOf={(place) => local(place.what)}
            hand={hand}
            label={places.map(placeWords).join('. ')}
            childName={child.calledName}
          />
          {hand === 'unsettled' && <p className="text-soft">{t('unsettled', { name: child.calledName })}</p>}
          {whenDone(places) && (
            <details className="mt-1">
              <summary className="touch inline-block underline underline-offset-4">{t('tableDone')}</summary>
              <TableMapDrawing
                places={whenDone(places)!}
                wordsOf={(place) => local(place.what)}
                hand={hand}
                label={whenDone(places)!.map(placeWords).join('. ')}
                childName={child.calledName}
                isDone
              />
            </details>
          )}
        </figure>
      ))}
    </>
  );
}

/** Describes what the helper does, what the child does, and what to say when the child gets stuck. */
export function Doing({ content, step, child, words: { t, local } }: InstructionProps) {
  const lines = (list: 'helperSteps' | 'childSteps' | 'cues') => linesAt(content, list, step).map(local);
  return (
    <>
      <Said who={t('youDo')} texts={[...lines('helperSteps'), ...lines('cues')]} />
      <Said who={t('childDoes', { name: child.calledName })} texts={lines('childSteps')} />
      {content.stuck && <p className="mt-2">{t('stuck', { what: local(content.stuck) })}</p>}
    </>
  );
}

export function LooksRight({ content, step, child, words }: InstructionProps) {
  const { t, local } = words;
  const watched = (content.watchFor ?? []).slice(0, MOST_WATCHED);
  return (
    <>
      <Said who={t('looksRight')} texts={linesAt(content, 'looksRight', step).map(local)} />
      <Pictures {...{ content, step, child, words }} />
      {watched.length > 0 && <p className="mt-1">{t('lookFor', { what: watched.map((item) => t(`watchItems.${item}`)).join(' · ') })}</p>}
    </>
  );
}

/** Draws what a good one looks like, for the working hand; both ways where the preference is not established. */
function Pictures({ content, step, child, words: { t } }: Pick<InstructionProps, 'content' | 'step' | 'child' | 'words'>) {
  const pictures = (content.pictures ?? []).filter(({ steps }) => !steps || (steps.from <= step && step <= steps.to));
  const hands = child.hand === 'unsettled' ? [true, false] : [child.hand === 'left'];
  return pictures.map(({ picture }) => (
    <figure key={picture}>
      {hands.map((isLeft) => (
        <GoodOneDrawing key={String(isLeft)} picture={picture} isLeft={isLeft} label={t(`pictures.${picture}`)} />
      ))}
      <figcaption className="text-soft" aria-hidden="true">
        {t(`pictures.${picture}`)}
      </figcaption>
    </figure>
  ));
}

export function WatchOut(props: InstructionProps) {
  const [supervision, ...lines] = cautionLines(props);
  return (
    <div className="watch mt-3">
      <h2 className="font-text text-[1rem] font-bold">{props.words.t('watchOut')}</h2>
      <ul className="list-disc ps-5">
        {supervision && <li className="font-bold">{supervision}</li>}
        {lines.map((line, index) => (
          <li key={index}>{line}</li>
        ))}
      </ul>
    </div>
  );
}

function RecipeSaid({ recipe, words: { t, local } }: { recipe: Recipe; words: FamilyWords }) {
  const made = [...recipe.amounts, ...recipe.moves].map(local).join(' ');
  return (
    <span className="block text-[0.88rem]">
      {t('makeIt', { what: made })}
      {recipe.grownUp.length > 0 && <strong className="block">{t('grownUp', { what: recipe.grownUp.map(local).join(' ') })}</strong>}
      {recipe.keeps && <span className="block text-soft">{local(recipe.keeps)}</span>}
    </span>
  );
}

/** Only what was judged safe for this child is ever printed after “or”. */
function OrElse({ what, words: { t, local } }: { what: LocalText | undefined; words: FamilyWords }) {
  return what ? <span className="text-soft"> ({t('orElse', { what: local(what) })})</span> : null;
}

function Said({ who, texts }: { who: string; texts: readonly string[] }) {
  if (texts.length === 0) return null;
  return (
    <div className="mt-3">
      <h2 className="font-text text-[1rem] font-bold">{who}</h2>
      <ol className="list-decimal ps-5">
        {texts.map((text, index) => (
          <li key={index}>{text}</li>
        ))}
      </ol>
    </div>
  );
}
