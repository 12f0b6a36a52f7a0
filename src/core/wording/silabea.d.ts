declare module 'silabea' {
  const silabea: { getSilabas(word: string): { readonly numeroSilaba: number } };
  export default silabea;
}
