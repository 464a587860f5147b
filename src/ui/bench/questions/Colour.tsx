'use client';

import { blendModes, type BlendMode } from '@/core/raster/blend';
import { newWash } from '@/core/layers/fill';
import { addLayer, editLayer, editPicture } from '@/core/site/edit';
import type { FillLayer } from '@/core/site/model';
import { Button } from '../../shared/Button';
import { ColourField } from '../../shared/ColourField';
import { Choose, Group, NumberRow, Row, Switch } from '../../shared/fields';
import { newId } from '../edits';
import { useBench } from '../useBench';

/** What colour: the ground, and the wash laid over what is below it. */
export function Colour() {
  const bench = useBench(), { picture, site, selected, commit, preview } = bench;
  const { ground } = picture, theme = site.theme.colours;
  const washes = picture.layers.filter((l): l is FillLayer => l.kind === 'fill');
  const wash = selected?.kind === 'fill' ? selected : washes.at(-1);
  const setGround = (colour: string) => editPicture(picture.id, (p) => { p.ground = { type: 'colour', colour }; });
  const addWash = () => {
    // Over the photo and under the words, where it is wanted nearly always.
    const under = picture.layers.filter((l) => l.kind !== 'text').at(-1), layer = newWash(newId(), theme[0]?.hex ?? '#3b4a45');
    commit('Add a wash', under ? addLayer(picture.id, layer, under.id) : editPicture(picture.id, (p) => { p.layers.unshift(layer); }));
    bench.select(layer.id);
  };
  return (
    <>
      <Group title="Ground">
        <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
          <Switch
            label="Ground" value={ground.type} choices={[{ value: 'colour', label: 'Colour' }, { value: 'none', label: 'See-through' }]}
            onChange={(type) => commit(type === 'none' ? 'Ground see-through' : 'Ground a colour', type === 'none' ? editPicture(picture.id, (p) => { p.ground = { type: 'none' }; }) : setGround(theme[0]?.hex ?? '#ffffff'))}
          />
          {ground.type === 'colour' && <ColourField label="Ground colour" value={ground.colour} theme={theme} onPreview={(hex) => preview(setGround(hex))} onCommit={(hex) => commit('Change the ground', setGround(hex))} />}
        </div>
      </Group>
      <Group title="Wash" className="mt-2" aside={<Button onClick={addWash}>+ Wash</Button>}>
        {wash ? <WashControls wash={wash} /> : <p className="text-soft">A wash lays a colour over the photo; lower its strength until the picture shows through.</p>}
      </Group>
    </>
  );
}

function WashControls({ wash }: { wash: FillLayer }) {
  const { picture, site, commit, preview } = useBench();
  const change = (part: Partial<FillLayer>) => editLayer<FillLayer>(picture.id, wash.id, part);
  return (
    <>
      <Row label="Colour"><ColourField label="Wash colour" value={wash.colour} theme={site.theme.colours} onPreview={(colour) => preview(change({ colour }))} onCommit={(colour) => commit('Colour of the wash', change({ colour }))} /></Row>
      <NumberRow label="Strength" value={wash.opacity * 100} min={0} max={100} unit="%" onPreview={(v) => preview(change({ opacity: v / 100 }))} onCommit={(v) => commit(`Wash at ${Math.round(v)}%`, change({ opacity: v / 100 }))} />
      <Row label="Blend mode"><Choose<BlendMode> label="Blend mode" className="w-44" value={wash.blend} choices={blendModes.map((value) => ({ value, label: value }))} onChange={(blend) => commit(`Blend ${blend}`, change({ blend }))} /></Row>
    </>
  );
}
