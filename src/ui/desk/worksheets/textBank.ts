import type { LocalText } from '@/core/text';

/** Short texts to copy, by the ages that they are usually right for. Which age: common practice, no source. */
export const TEXT_BANK: readonly { readonly years: string; readonly text: LocalText }[] = [
  { years: '5–6', text: { en: 'up | on | in', es: 'sí | no | yo' } },
  { years: '5–6', text: { en: 'saw | cup | sand', es: 'pala | vaso | arena' } },
  { years: '6–7', text: { en: 'The crane is up.', es: 'La grúa está arriba.' } },
  { years: '6–7', text: { en: 'I fix the gate.', es: 'Arreglo la puerta.' } },
  { years: '6–7', text: { en: 'The sand is wet.', es: 'La arena está mojada.' } },
  { years: '7–8', text: { en: 'Ten posts stand in a row.', es: 'Diez postes están en fila.' } },
  { years: '7–8', text: { en: 'We need six bolts. | Bring a box.', es: 'Faltan seis tornillos. | Trae una caja.' } },
  { years: '7–8', text: { en: 'The wheel turns. | The rope winds up.', es: 'La rueda gira. | La soga se enrolla.' } },
  {
    years: '8–9',
    text: { en: 'The roof is dry now. | Each tile has its place.', es: 'El techo ya está seco. | Cada teja tiene su lugar.' },
  },
  { years: '8–9', text: { en: 'Measure twice. | Then cut once.', es: 'Mide dos veces. | Luego corta una vez.' } },
  {
    years: '9–10',
    text: {
      en: 'The crew met at nine. | They read the plan. | Then they built the wall.',
      es: 'El equipo llegó a las nueve. | Leyó el plano. | Luego levantó el muro.',
    },
  },
];
