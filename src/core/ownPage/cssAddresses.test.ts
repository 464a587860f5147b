import fc from 'fast-check';
import { areApart, patched, type TextPatch } from '../files/textPatch';
import { addressPatches, exchangeAddresses, withAddressesOf } from './cssAddresses';

/** Parts of a sheet; # stands for a colour that changes. */
const part = fc.constantFrom(
  'a{color:#;background:url(i/a.png) #}',
  'b{background:url("b b.png"),#}',
  '@media print{c{border-image:image-set("c.png" 1x) 1;color:#}}',
  '/* url(no.png) # */',
  'd{content:"url(no.png)";color:#}',
  'e{--x:#;mask:src("e.svg")}',
);

test('addresses put in and colours put in, one after the other or at once, come to the same', () => {
  fc.assert(
    fc.property(fc.array(part, { maxLength: 20 }), (parts) => {
      const sheet = parts.join('\n');
      let key = 0;
      const frozen = exchangeAddresses(sheet, () => `frozen:${key++}`);
      const colours = [...sheet.matchAll(/#/g)].map(({ index }, i): TextPatch => {
        return { from: index, to: index + 1, text: `#${String(i).padStart(6, '0')}` };
      });
      const addresses = addressPatches(sheet, frozen)!;
      expect(addresses).toHaveLength(key);
      expect(patched(sheet, addresses)).toBe(frozen);
      const both = [...addresses, ...colours];
      expect(areApart(both)).toBe(true);
      expect(patched(sheet, both)).toBe(withAddressesOf(patched(sheet, colours), frozen));
    }),
  );
});

test('addresses of a sheet that has others are not put in, nor where it brings another sheet in', () => {
  const sheet = 'a{background:url(a.png)}';
  expect(addressPatches(sheet, 'a{}')).toBeUndefined();
  expect(withAddressesOf(sheet, 'a{}')).toBeUndefined();
  const imports = '@import "b.css";';
  expect(withAddressesOf(imports, imports)).toBeUndefined();
});
