'use client';

import { plainTone } from '@/core/recolour/tone';
import { editLayer } from '@/core/site/edit';
import type { HueLayer, Reach, RecolourLayer, ToneLayer, TwoToneLayer } from '@/core/site/model';
import { Button } from '../../../shared/Button';
import { ColourField } from '../../../shared/ColourField';
import { NumberRow, Row, Switch } from '../../../shared/fields';
import { useBench } from '../../useBench';

/** Strength and reach, which every recolouring has. */
function Common({ layer, children }: { layer: RecolourLayer; children?: React.ReactNode }) {
  const { picture, commit, preview } = useBench();
  const change = (part: Partial<RecolourLayer>) => editLayer<RecolourLayer>(picture.id, layer.id, part);
  return (
    <>
      <NumberRow label="Strength" value={layer.opacity * 100} min={0} max={100} unit="%" onPreview={(v) => preview(change({ opacity: v / 100 }))} onCommit={(v) => commit(`Strength ${Math.round(v)}%`, change({ opacity: v / 100 }))} />
      <Row label="Reach">
        <Switch<Reach> label="Reach" value={layer.reach} choices={[{ value: 'below', label: 'everything below' }, { value: 'beneath', label: 'only the layer beneath' }]} onChange={(reach) => commit(reach === 'below' ? 'Reach everything below' : 'Reach only the layer beneath', change({ reach }))} />
        {children}
      </Row>
    </>
  );
}

const percents = [['brightness', 'Brightness'], ['contrast', 'Contrast'], ['saturation', 'Saturation']] as const;

export function ToneControls({ tone }: { tone: ToneLayer }) {
  const { picture, commit, preview } = useBench();
  const change = (part: Partial<ToneLayer>) => editLayer<ToneLayer>(picture.id, tone.id, part);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-x-4 [&_label]:w-[72px]">
      {percents.map(([key, label]) => <NumberRow key={key} label={label} value={tone[key] * 100} min={0} max={200} unit="%" onPreview={(v) => preview(change({ [key]: v / 100 }))} onCommit={(v) => commit(`${label} ${Math.round(v)}%`, change({ [key]: v / 100 }))} />)}
      <NumberRow label="Warmth" value={tone.warmth * 100} min={-100} max={100} unit="" onPreview={(v) => preview(change({ warmth: v / 100 }))} onCommit={(v) => commit(`Warmth ${Math.round(v)}`, change({ warmth: v / 100 }))} />
      <NumberRow label="Greyscale" value={tone.greyscale * 100} min={0} max={100} unit="%" onPreview={(v) => preview(change({ greyscale: v / 100 }))} onCommit={(v) => commit(`Greyscale ${Math.round(v)}%`, change({ greyscale: v / 100 }))} />
      <NumberRow label="Invert" value={tone.invert * 100} min={0} max={100} unit="%" onPreview={(v) => preview(change({ invert: v / 100 }))} onCommit={(v) => commit(`Invert ${Math.round(v)}%`, change({ invert: v / 100 }))} />
      <div className="col-span-2"><Common layer={tone}><Button onClick={() => commit('Tone as it was', change(plainTone))}>As it was</Button></Common></div>
    </div>
  );
}

export function TwoToneControls({ layer }: { layer: TwoToneLayer }) {
  const { picture, site, commit, preview } = useBench(), theme = site.theme.colours;
  const change = (part: Partial<TwoToneLayer>) => editLayer<TwoToneLayer>(picture.id, layer.id, part);
  return (
    <>
      <Row label="Darks"><ColourField label="Darks" value={layer.dark} theme={theme} onPreview={(dark) => preview(change({ dark }))} onCommit={(dark) => commit('Darks of the two-tone', change({ dark }))} /></Row>
      <Row label="Lights"><ColourField label="Lights" value={layer.light} theme={theme} onPreview={(light) => preview(change({ light }))} onCommit={(light) => commit('Lights of the two-tone', change({ light }))} /></Row>
      <Common layer={layer}><Button onClick={() => commit('Change the two tones about', change({ dark: layer.light, light: layer.dark }))}>Change about</Button></Common>
    </>
  );
}

export function HueControls({ layer }: { layer: HueLayer }) {
  const { picture, site, commit, preview } = useBench();
  const change = (part: Partial<HueLayer>) => editLayer<HueLayer>(picture.id, layer.id, part);
  return (
    <>
      <Row label="Towards"><ColourField label="Hue" value={layer.colour} theme={site.theme.colours} onPreview={(colour) => preview(change({ colour }))} onCommit={(colour) => commit('Hue', change({ colour }))} /></Row>
      <Common layer={layer} />
      <p className="text-soft">All hues turn to that of this colour; how light each place is stays as it is.</p>
    </>
  );
}
