import type { LocalText } from '../text';
import type { TaskSettings } from './settings';

type WordsFor<Key extends keyof TaskSettings> = Readonly<Record<Extract<NonNullable<TaskSettings[Key]>, string>, LocalText>>;

/** Sentences that a setting adds for the family. They are words of a task, frozen with it, so they are kept with the tasks. */
export const SETTING_WORDS: {
  readonly helpBy: WordsFor<'helpBy'>;
  readonly hands: Omit<WordsFor<'hands'>, 'preferred'>;
  readonly grasp: WordsFor<'grasp'>;
  readonly accuracy: WordsFor<'accuracy'>;
  readonly promptFading: WordsFor<'promptFading'>;
  /** How a coat is put on: stands for `{coat}` in a step. */
  readonly coat: WordsFor<'coat'>;
  /** How a mark is made, by the usual level: stands for `{mark}` in a step. */
  readonly mark: Readonly<Record<'guided' | 'traced' | 'imitated' | 'copied' | 'remembered', LocalText>>;
} = {
  helpBy: {
    hand: {
      en: 'If it is hard, put your hand on top and do it as one.',
      es: 'Si se le hace difícil, ponga su mano encima y háganlo juntos.',
    },
    wrist: {
      en: 'If it is hard, hold the wrist still. Leave the hand free.',
      es: 'Si se le hace difícil, sujete la muñeca. Deje la mano libre.',
    },
    tool: {
      en: 'If it is hard, go to the easy tool. Do not hold the hand.',
      es: 'Si se le hace difícil, use el objeto más fácil. No tome la mano.',
    },
  },
  hands: {
    bothInTurn: { en: 'Do a turn with one hand, then a turn with the other.', es: 'Hagan un turno con una mano y otro con la otra.' },
    acrossMiddle: {
      en: 'Lay the pile on the other side, so the arm has to cross.',
      es: 'Ponga el montón al otro lado. Así el brazo tiene que cruzar.',
    },
  },
  grasp: {
    anyPinch: { en: 'Any pinch that works is fine.', es: 'Está bien tomarlo como pueda con los dedos.' },
    threeFingers: { en: 'Thumb and two fingers hold it.', es: 'Lo sujetan el pulgar y dos dedos.' },
  },
  accuracy: {
    lineKept: { en: 'It counts when it stays on the line.', es: 'Cuenta si sigue la línea.' },
    closeEnough: { en: 'It counts when it is near the line.', es: 'Cuenta si queda cerca de la línea.' },
  },
  mark: {
    guided: { en: 'Your hand guides the hand.', es: 'Su mano guía la mano.' },
    traced: { en: '{child} goes over the line.', es: '{child} repasa la línea.' },
    imitated: { en: 'You do one first. {child} watches, then does it too.', es: 'Primero hágalo usted. {child} mira y luego lo hace.' },
    copied: { en: 'Show a card. {child} does the same.', es: 'Muestre una tarjeta. {child} hace lo mismo.' },
    remembered: {
      en: 'Show a card, then turn it over. {child} does it from memory.',
      es: 'Muestre una tarjeta y dele la vuelta. {child} lo hace de memoria.',
    },
  },
  coat: {
    floorFlip: {
      en: 'The coat lies on the floor, collar at the feet: arms in, then over the head.',
      es: 'El abrigo está en el piso, con el cuello en los pies: brazos dentro y luego por encima de la cabeza.',
    },
    oneArm: { en: 'One arm in, reach behind, then the other arm.', es: 'Un brazo, la otra mano busca atrás, luego el otro brazo.' },
    hoodFirst: { en: 'The hood goes on the head first, then the arms.', es: 'Primero va la capucha en la cabeza, luego los brazos.' },
  },
  promptFading: {
    mostToLeast: { en: 'Help a lot at first. Then help less each time.', es: 'Al inicio ayude mucho. Luego ayude menos cada vez.' },
    leastToMost: { en: 'Wait and count to five. Then help just a bit.', es: 'Espere y cuente hasta cinco. Luego ayude solo un poco.' },
  },
};
