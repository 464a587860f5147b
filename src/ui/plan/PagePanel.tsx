'use client';

import { Plus, X } from 'lucide-react';
import type { Draft } from 'immer';
import { screenHeightAt } from '@/core/measure/layoutPage';
import { newBand } from '@/core/site/newBand';
import { backgroundOf, editPage } from '@/core/site/pages';
import type { Page } from '@/core/site/model/page';
import type { Site } from '@/core/site/model/site';
import type { Session } from '../hooks/useSession';
import { Button, IconButton } from '../shared/Button';
import { Choose } from '../shared/Choose';
import { CommitField } from '../shared/CommitField';
import { Group } from '../shared/Group';
import { Row } from '../shared/Row';
import { Switch } from '../shared/Switch';
import { BandTitle } from '../page/BandTitle';
import { ColourSquare, Pixels } from '../shared/PageFields';
import { PageGroup } from './PageGroup';

interface Props {
  session: Session;
  site: Site;
  page: Page;
  onPage(pageId: string): void;
}

function bandWidth(band: Page['band']): 'none' | 'boxed' | 'wide' {
  if (!band) {
    return 'none';
  }
  return band.boxed ? 'boxed' : 'wide';
}

/**
 * How the page is laid out: content width, columns, header, title band, sections, length; and the
 * pages there are.
 */
export function PagePanel({ session, site, page, onPage }: Props) {
  const set = (label: string, change: (page: Draft<Page>) => void) =>
    session.commit(label, editPage(page.id, change));
  const { content, body, band } = page;
  const background =
    page.background.type === 'own' ? `own ${page.background.slot}` : page.background.type;
  const backgrounds = site.slots.filter((s) => s.kind === 'background');
  return (
    <div className="flex flex-col gap-3 p-3">
      <datalist id="theme-colours">
        {site.theme.colours.map((c, i) => (
          <option key={i} value={c.hex}>
            {c.name}
          </option>
        ))}
      </datalist>
      <PageGroup session={session} site={site} page={page} onPage={onPage}>
        <Row tight label="Background">
          <Choose
            label="Background of the page"
            className="min-w-0 grow"
            value={background}
            choices={[
              {
                value: 'default',
                label: 'the site’s default',
                hint: site.slots.find((s) => s.id === site.defaultBackground)?.name ?? 'none yet',
              },
              ...backgrounds.map((s) => ({ value: `own ${s.id}`, label: s.name, hint: 'its own' })),
              { value: 'none', label: 'none, the colour alone' },
            ]}
            onChange={(v) =>
              set('Background of the page', (p) => {
                p.background = v.startsWith('own ')
                  ? { type: 'own', slot: v.slice(4) }
                  : { type: v === 'none' ? 'none' : 'default' };
              })
            }
          />
        </Row>
        <Row tight label="Ground">
          <ColourSquare
            label="Colour under the background"
            value={page.ground}
            site={site}
            onCommit={(hex) =>
              set('Colour of the page', (p) => {
                p.ground = hex;
              })
            }
          />
          {backgroundOf(site, page) === null && (
            <span className="text-soft">no picture lies on it</span>
          )}
        </Row>
      </PageGroup>

      <Group title="Content width">
        <Row tight label="At most">
          <Pixels
            label="Content width"
            value={content.px}
            empty={content.percent !== null}
            onCommit={(px) =>
              set(px === null ? 'Content width in percent' : `Content ${px} px`, (p) => {
                p.content.px = px;
              })
            }
          />
          <CommitField
            label="Content width in percent"
            className="w-[64px] shrink-0"
            suffix="%"
            value={content.percent === null ? '' : String(content.percent)}
            onCommit={(text) => {
              const value =
                text.trim() === '' ? null : Number(text.replace('%', '').replace(',', '.'));
              if (value === null && content.px === null) {
                return 'Expected px, percent, or both.';
              }
              if (value !== null && !(value >= 1 && value <= 100)) {
                return `Expected 1 to 100 %, found “${text}”.`;
              }
              set(value === null ? 'Content width in px' : `Content ${value}%`, (p) => {
                p.content.percent = value;
              });
            }}
          />
          <span className="text-soft">the lesser counts</span>
        </Row>
      </Group>

      <Group title="Columns">
        <Row tight label="Columns">
          <Switch
            label="Columns"
            value={String(body.sidebars.length + 1)}
            choices={['1', '2', '3'].map((value) => ({ value, label: value }))}
            onChange={(v) =>
              set(`${v} columns`, (p) => {
                const wanted = Number(v) - 1;
                while (p.body.sidebars.length > wanted) {
                  p.body.sidebars.pop();
                }
                while (p.body.sidebars.length < wanted) {
                  p.body.sidebars.push({
                    side: p.body.sidebars[0]?.side === 'right' ? 'left' : 'right',
                    width: 240,
                    slot: null,
                  });
                }
              })
            }
          />
        </Row>
        {body.sidebars.map((sidebar, i) => (
          <Row tight key={i} label={`Sidebar ${i + 1}`}>
            <Switch
              label={`Side of sidebar ${i + 1}`}
              value={sidebar.side}
              choices={[
                { value: 'left', label: 'left' },
                { value: 'right', label: 'right' },
              ]}
              onChange={(side) =>
                set(`Sidebar at the ${side}`, (p) => {
                  p.body.sidebars[i].side = side;
                })
              }
            />
            <Pixels
              label={`Width of sidebar ${i + 1}`}
              value={sidebar.width}
              onCommit={(px) =>
                set(`Sidebar ${px} px`, (p) => {
                  p.body.sidebars[i].width = px ?? sidebar.width;
                })
              }
            />
            <span className="min-w-0 truncate text-soft">
              {site.slots.find((s) => s.id === sidebar.slot)?.name ?? 'no slot'}
            </span>
          </Row>
        ))}
      </Group>

      <Group title="From top to bottom">
        <Row tight label="Bar">
          <Pixels
            label="Height of the bar"
            value={page.bar.height}
            least={0}
            onCommit={(px) =>
              set('Height of the bar', (p) => {
                p.bar.height = px ?? 0;
              })
            }
          />
          <ColourSquare
            label="Colour of the bar"
            value={page.bar.colour}
            site={site}
            onCommit={(hex) =>
              set('Colour of the bar', (p) => {
                p.bar.colour = hex;
              })
            }
          />
        </Row>
        <Row tight label="Title band">
          <Switch
            label="Title band"
            value={bandWidth(band)}
            choices={[
              { value: 'none', label: 'none' },
              { value: 'boxed', label: 'boxed' },
              { value: 'wide', label: 'full width' },
            ]}
            onChange={(v) =>
              set('Title band', (p) => {
                if (v === 'none') {
                  p.band = null;
                } else if (p.band) {
                  p.band.boxed = v === 'boxed';
                } else {
                  p.band = { ...newBand(p, p.name), boxed: v === 'boxed' };
                }
              })
            }
          />
          {band && (
            <Pixels
              label="Height of the title band"
              value={band.height}
              onCommit={(px) =>
                set('Height of the title band', (p) => {
                  if (p.band && px) {
                    p.band.height = px;
                  }
                })
              }
            />
          )}
        </Row>
        {band && (
          <div className="flex gap-2">
            <span className="w-[76px] shrink-0 pt-1">Title</span>
            <BandTitle session={session} site={site} page={page} band={band} />
          </div>
        )}
        <Row tight label="Body">
          <Pixels
            label="Height of the body"
            value={body.height}
            onCommit={(px) =>
              set('Height of the body', (p) => {
                if (px) {
                  p.body.height = px;
                }
              })
            }
          />
          <ColourSquare
            label="Colour of the body"
            value={body.colour}
            site={site}
            onCommit={(hex) =>
              set('Colour of the body', (p) => {
                p.body.colour = hex;
              })
            }
          />
          <span className="inline-flex shrink-0">
            <Button
              className="rounded-r-none px-2"
              aria-label="A short page"
              onClick={() =>
                set('A short page', (p) => {
                  p.body.height = 300;
                })
              }
            >
              short
            </Button>
            <Button
              className="-ml-px rounded-l-none px-2"
              aria-label="A long page"
              onClick={() =>
                set('A long page', (p) => {
                  p.body.height = screenHeightAt(1440) * 2;
                })
              }
            >
              long
            </Button>
          </span>
        </Row>
        {page.sections.map((section, i) => (
          <Row tight key={i} label={`Section ${i + 1}`}>
            <Pixels
              label={`Height of section ${i + 1}`}
              value={section.height}
              onCommit={(px) =>
                set('Height of a section', (p) => {
                  if (px) {
                    p.sections[i].height = px;
                  }
                })
              }
            />
            <ColourSquare
              label={`Colour of section ${i + 1}`}
              value={section.colour}
              site={site}
              onCommit={(hex) =>
                set('Colour of a section', (p) => {
                  p.sections[i].colour = hex;
                })
              }
            />
            <span className="min-w-0 grow truncate text-soft">
              {site.slots.find((s) => s.id === section.dividerSlot)?.name ?? 'no divider'}
            </span>
            <IconButton
              label={`Remove section ${i + 1}`}
              className="border-transparent"
              onClick={() =>
                set(`Remove section ${i + 1}`, (p) => {
                  p.sections.splice(i, 1);
                })
              }
            >
              <X size={14} />
            </IconButton>
          </Row>
        ))}
        <Button
          className="self-start"
          disabled={page.sections.length >= 8}
          onClick={() =>
            set('Add a section', (p) => {
              p.sections.push({
                height: 320,
                colour: site.theme.colours[0]?.hex ?? p.bar.colour,
                ink: p.bar.ink,
                heading: 'Another section',
                dividerSlot: null,
              });
            })
          }
        >
          <Plus size={13} aria-hidden />
          Section
        </Button>
      </Group>
    </div>
  );
}
