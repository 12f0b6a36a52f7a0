declare module 'silabea' {
  export function getSilabas(word: string): { readonly numeroSilaba: number };
}
