import { LANGUAGES } from '../text';
import { dangerIn } from '.';
import { DANGER_LANGUAGES } from './dangerWords';

// Sentences of our own, as caregivers write them (no published source).
describe('words of danger', () => {
  it.each([
    'He swallowed a washer and is choking, bleeding thumb',
    'he SWOLOWED a bead',
    'shes chocking on it',
    'His finger is swollen.',
    'cant breathe',
    "she couldn't breathe for a moment",
    'I think she broke her wrist',
    'his finger may be broken',
    'There was blood on the paper',
    'she stuck a pea up her nose',
    'He cut his thumb with the scissors',
    'it hurts when he squeezes',
    'He turned blue',
    'bumped his head on the table',
    'my hand... it hert a lot',
    'He is not choking any more',
    'Se tragó una tuerca',
    'Se esta ahogando',
    'le sale sangre del dedo',
    'tiene el dedo hinchado',
    'No puede respirar',
    'Se rompió el brazo',
    'Se cortó',
    'le duele la mano',
    'Se lastimó',
    'se metió un frijol en la nariz',
    'Il a avalé une perle',
    'Il s’est blessé au doigt',
    'Il y a du sang',
    'Elle a mal au poignet',
    'le doigt est enflé',
    'Engoliu uma tampinha',
    'O dedo ficou roxo',
    'Machucou a mão',
    'doeu muito',
    'بلع قطعة صغيرة',
    'يده تؤلمه',
    'خرج دم من إصبعه',
    'إصبعها متورم',
    'لا يستطيع التنفس',
  ])('are found: %s', (text) => {
    expect(dangerIn(text)).not.toEqual([]);
  });

  it.each(['no crane today. her hand hurts', 'No, it hurts', 'la grúa no. le duele la mano', 'hoy no, le dolía el dedo', 'A8\nB no\npain'])(
    'hears what hurts behind a "no" that is of something else: %s',
    (said) => expect(dangerIn(said)).not.toEqual([]),
  );

  it.each([
    'The red crayon broke, so we used the blue one in his left hand.',
    'We cut along the line with the right hand, ten times',
    'Pinched with finger and thumb, good',
    'The band broke twice. Great fun!',
    'It did not hurt',
    'No pain today',
    'nothing hurt at all',
    'The line was faint; a one inch strip',
    'chocolate was the treat',
    'No le duele nada',
    'se rompió el crayón rojo',
    'Corta bien con la mano derecha',
    'muy bien, 8 de 10',
    'He sang all the while.',
    'Salió mal, pero se rió',
    'Samuel was blessed with patience, ten inches long',
    'Pas de douleur',
    'Il n’a pas mal',
    'pas mal du tout !',
    'Não doeu nada',
    'cortou bem na linha',
    'لعب بالدمية وكان سعيدا',
    'لا يؤلم',
    'عشر مرات، ممتاز',
    '',
    '👍👍',
  ])('are not read into: %s', (text) => {
    expect(dangerIn(text)).toEqual([]);
  });

  it('are known in every language that families are written to', () => {
    expect(LANGUAGES.filter((language) => !DANGER_LANGUAGES.includes(language))).toEqual([]);
  });
});
