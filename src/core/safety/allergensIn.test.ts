import { allergensIn } from '.';

it.each([
  ['wheat', ['wheat']],
  ['Wheat: rash', ['wheat']],
  ['PEANUTS, hives', ['peanut']],
  ['tree nuts', ['treeNuts', 'peanut']],
  ['gluten', ['wheat']],
  ['eggs and dairy', ['milk', 'egg']],
  ['látex', ['latex']],
  ['rubber bands', ['latex']],
  ['kiwi', []],
  ['fisherman', []],
  ['nutmeg', []],
  ['soybean', []],
])('“%s” names %j', (words, named) => {
  expect(allergensIn(words)).toEqual(named);
});
