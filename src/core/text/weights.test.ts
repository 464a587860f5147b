import { applyEdit, setFonts, setFontWeights } from '../site/edit';
import { newSite } from '../site/newSite';
import { themeFace } from './fonts';
import { weightName, weightsOf } from './weights';

test('the words are those of CSS Fonts 4 (from memory); what has none is told by its figure', () => {
  expect([100, 400, 700, 900, 350].map(weightName)).toEqual([
    'Thin',
    'Regular',
    'Bold',
    'Black',
    'Weight 350',
  ]);
});

test('a font offers what it has, and the weight it stands in', () => {
  expect(weightsOf({ weights: [400, 700] }, 500)).toEqual([400, 500, 600, 700]);
  expect(weightsOf({ weights: [200, 800] }, 350)).toEqual([200, 300, 350, 400, 500, 600, 700, 800]);
  expect(weightsOf({ weights: [400, 400] }, 400)).toEqual([400]);
});

test('a weight stays with the site while its font has not got it, and is shown in the nearest', () => {
  const bold = [
    setFontWeights({ headings: 900, text: 300 }),
    setFonts({ headings: 'lora' }),
  ].reduce(applyEdit, newSite('s', 'page', 'Veldrin'));
  expect(themeFace(bold, 'headings')).toMatchObject({ font: { id: 'lora' }, weight: 700 });
  expect(themeFace(bold, 'text')).toMatchObject({ font: { id: 'archivo' }, weight: 300 });
  const back = applyEdit(bold, setFonts({ headings: 'archivo' }));
  expect(themeFace(back, 'headings').weight).toBe(900);
});
