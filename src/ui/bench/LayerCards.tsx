'use client';

import clsx from 'clsx';
import { DropdownMenu } from 'radix-ui';
import { useRef, type ReactNode } from 'react';
import { kindOf } from '@/core/layers/registry';
import { newText } from '@/core/layers/text';
import { newWash } from '@/core/layers/fill';
import { isRecolour } from '@/core/layers/recolour';
import { addLayer } from '@/core/site/edit';
import type { Ground, Layer } from '@/core/site/model';
import { faceName, fontOf } from '@/core/text/fonts';
import { useAssetUrl } from '../hooks/useAssetUrl';
import { Button } from '../shared/Button';
import { layerActions } from './benchCommands';
import { newId } from './edits';
import { FileButton } from './FileButton';
import { TextureFace } from './questions/colour/TextureControls';
import { useBench } from './useBench';

/** The layers as a row of cards from back to front, stepping up towards the front. */
export function LayerCards() {
  const bench = useBench(), { picture, selected, site } = bench;
  const { ground, layers } = picture;
  const step = Math.min(8, 32 / Math.max(1, layers.length));
  const at = layers.findIndex((l) => l.id === selected?.id);
  return (
    <section aria-label="Layers, back to front" className="flex h-full min-w-0 flex-col px-3.5 py-2">
      <div className="flex h-[26px] items-center justify-between"><h2 className="caption">Layers, back to front</h2><AddLayer /></div>
      <ol className="quiet-scroll flex min-h-0 grow items-end gap-1 overflow-x-auto overflow-y-hidden px-0.5 pb-2">
        <li className="shrink-0">
          <Card
            name="Ground" figure={ground.type === 'colour' ? ground.colour : ground.type} current={false} hidden={false} onSelect={() => { bench.select(undefined); bench.ask(3); }}
            face={<div className={clsx('h-full', ground.type === 'none' && 'see-through')} style={ground.type === 'none' ? undefined : { background: groundCss(ground) }} />}
          />
        </li>
        {layers.map((layer, i) => (
          <li key={layer.id} className="shrink-0" style={{ marginBottom: (i + 1) * step }}>
            <Card
              name={kindOf(layer).name(layer)} figure={layer.hidden ? 'hidden' : kindOf(layer).figure(layer)} current={layer.id === selected?.id} hidden={layer.hidden}
              onSelect={() => { bench.select(layer.id); bench.ask(questionOf(layer, i)); }} face={<Face layer={layer} backdrop={ground.type === 'colour' ? ground.colour : site.pages[0].ground} />}
            />
          </li>
        ))}
      </ol>
      <div className="flex gap-1.5 pt-1">
        <Button disabled={at < 1} onClick={() => selected && layerActions.move(bench, selected, -1)}>Send back</Button>
        <Button disabled={at < 0 || at === layers.length - 1} onClick={() => selected && layerActions.move(bench, selected, 1)}>Bring forward</Button>
        <Button disabled={!selected} onClick={() => selected && layerActions.hide(bench, selected)}>{selected?.hidden ? 'Show' : 'Hide'}</Button>
        <Button disabled={!selected} onClick={() => selected && layerActions.remove(bench, selected)}>Remove</Button>
      </div>
    </section>
  );
}

/** A ground as the browser can draw it on a card. */
function groundCss(ground: Exclude<Ground, { type: 'none' }>): string {
  if (ground.type === 'colour') return ground.colour;
  const stops = [...ground.stops].sort((a, b) => a.at - b.at).map((s) => `${s.colour} ${s.at * 100}%`).join(', ');
  return ground.shape === 'radial' ? `radial-gradient(in ${ground.space}, ${stops})` : `linear-gradient(${ground.angle}deg in ${ground.space}, ${stops})`;
}

/** The question under which a layer's own controls are. */
const questionOf = (layer: Layer, index: number): number => (layer.kind === 'fill' || layer.kind === 'texture' || isRecolour(layer) ? 3 : layer.kind === 'photo' && index === 0 ? 2 : 4);

function Card({ name, figure, face, current, hidden, onSelect }: { name: string; figure: string; face: ReactNode; current: boolean; hidden: boolean; onSelect(): void }) {
  return (
    <button
      type="button" aria-pressed={current} onClick={onSelect} title={name}
      className={clsx('block w-[68px] rounded-sm border bg-sheet p-1.5 text-left hover:border-soft focus-visible:-outline-offset-1', current ? 'border-act bg-act-wash outline-1 outline-act' : 'border-line', hidden && 'opacity-55')}
    >
      <div className="h-10 overflow-hidden">{face}</div>
      <div className="mt-1 truncate">{name}</div>
      <div className="figure truncate text-[11px] text-soft">{figure}</div>
    </button>
  );
}

function Face({ layer, backdrop }: { layer: Layer; backdrop: string }) {
  switch (layer.kind) {
    case 'photo': return <PhotoFace assetId={layer.assetId} />;
    case 'fill': return <div className="h-full bg-board"><div className="h-full" style={{ background: layer.colour, opacity: layer.opacity }} /></div>;
    case 'tone': return <div className="grid h-full grid-cols-4">{[0.25, 0.5, 0.75, 1].map((v) => <div key={v} style={{ background: `hsl(${30 + 20 * layer.warmth} ${20 * layer.saturation}% ${Math.min(100, v * 80 * layer.brightness)}%)` }} />)}</div>;
    case 'twotone': return <div className="h-full" style={{ background: `linear-gradient(90deg, ${layer.dark}, ${layer.light})` }} />;
    case 'hue': return <div className="grid h-full grid-cols-3">{[0.35, 0.7, 1].map((v) => <div key={v} style={{ background: layer.colour, filter: `brightness(${v + 0.3})` }} />)}</div>;
    case 'texture': return <div className="grid h-full place-items-center bg-white"><TextureFace name={layer.texture} /></div>;
    case 'text': return (
      <div className="flex h-full items-center justify-center overflow-hidden whitespace-nowrap" style={{ background: backdrop, color: layer.colour, fontFamily: `"${faceName(fontOf(layer.font))}"`, fontWeight: layer.weight, fontSize: 13 }}>
        {layer.words.split('\n')[0]}
      </div>
    );
  }
}

export function PhotoFace({ assetId }: { assetId: string }) {
  const url = useAssetUrl(assetId);
  // A plain image of the owner's own bytes; there is nothing for a server to make smaller.
  // eslint-disable-next-line @next/next/no-img-element
  return url ? <img src={url} alt="" className="h-full w-full object-cover" /> : <div className="h-full bg-board" />;
}

function AddLayer() {
  const bench = useBench(), { picture, slot, site } = bench;
  const files = useRef<HTMLInputElement>(null);
  const light = site.theme.colours.find((c) => c.name === 'slip')?.hex ?? '#ffffff';
  const add = (label: string, layer: Layer, question: number) => { bench.commit(label, addLayer(picture.id, layer)); bench.select(layer.id); bench.ask(question); };
  const addWash = () => add('Add a wash', newWash(newId(), site.theme.colours[0]?.hex ?? '#3b4a45'), 3);
  const addText = () => add('Add a text', newText(newId(), 'Your words', site.theme.headingFont, Math.min(48, Math.round(slot.height * 0.4)), light, Math.round(slot.width / 2), Math.round(slot.height * 0.3)), 4);
  const item = 'cursor-pointer px-3 py-1 outline-none data-[highlighted]:bg-act-wash';
  return (
    <>
      <FileButton ref={files} onFiles={(list) => { if (picture.layers.length) bench.ask(4); void bench.lay(list); }} />
      <DropdownMenu.Root>
        <DropdownMenu.Trigger asChild><Button>+ Add</Button></DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content align="end" sideOffset={2} className="z-40 min-w-32 rounded-sm border border-line bg-white py-1">
            <DropdownMenu.Item onSelect={() => files.current?.click()} className={item}>Photo</DropdownMenu.Item>
            <DropdownMenu.Item onSelect={addWash} className={item}>Wash</DropdownMenu.Item>
            <DropdownMenu.Item onSelect={addText} className={item}>Text</DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
    </>
  );
}
