'use client';

import Link from 'next/link';
import type { ReactNode } from 'react';
import { slotsWith } from '@/core/handover/credits';
import { kilobytes } from '@/core/readings/say';
import { asksForCredit, licenceOf, licences, licenceWords } from '@/core/shelf/licences';
import { editShelf, takeOffShelf } from '@/core/site/edit';
import type { ShelfItem } from '@/core/site/model/shelf';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { useSmallPicture } from '../hooks/useSmallPicture';
import { libraryAddress, type LibraryPicture } from '../hooks/useLibrary';
import type { Session } from '../hooks/useSession';
import { Button } from '../shared/Button';
import { Choose } from '../shared/Choose';
import { CommitField } from '../shared/CommitField';
import { Row } from '../shared/Row';

/** Slots a picture can be laid in: the one that was come from first. */
function LayIn({
  site,
  target,
  busy = false,
  onLay,
}: {
  site: Site;
  target: Slot | undefined;
  busy?: boolean;
  onLay(slot: Slot): void;
}) {
  const slots = target ? [target, ...site.slots.filter((s) => s.id !== target.id)] : site.slots;
  if (slots.length === 0) {
    return <p className="text-soft">The site has no slot yet that it could be laid in.</p>;
  }
  return (
    <div className="flex flex-wrap gap-1.5">
      {slots.map((slot, i) => (
        <Button
          key={slot.id}
          variant={i === 0 && target ? 'main' : 'plain'}
          disabled={busy}
          onClick={() => onLay(slot)}
        >
          {i === 0 && target ? `Lay in ${slot.name}` : slot.name}
        </Button>
      ))}
    </div>
  );
}

function Preview({ url }: { url: string | undefined }) {
  return (
    <div className="grid h-[200px] place-items-center border-b border-hair see-through">
      {url && <img src={url} alt="" className="max-h-[200px] max-w-full object-contain" />}
    </div>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="flex flex-col gap-1.5">
      <h2 className="caption">{title}</h2>
      {children}
    </section>
  );
}

export function ShelfDetails({
  session,
  site,
  item,
  target,
  onLay,
  onGone,
}: {
  session: Session;
  site: Site;
  item: ShelfItem;
  target: Slot | undefined;
  onLay(item: ShelfItem, slot: Slot): void;
  onGone(): void;
}) {
  const url = useSmallPicture(item.assetId, 'screen');
  const used = slotsWith(site, item.assetId);
  const known = licenceOf(item.licence);
  const field = (label: string, key: 'name' | 'maker' | 'source' | 'subject' | 'date') => (
    <Row tight label={label}>
      <CommitField
        words
        label={label}
        className="min-w-0 grow"
        value={item[key]}
        onCommit={(text) => {
          if (key === 'name' && !text.trim()) {
            return 'Give it a name.';
          }
          if (key === 'date' && text.trim() && !/^\d{4}-\d{2}-\d{2}$/.test(text.trim())) {
            return `Expected a day such as 2026-11-25, found “${text}”.`;
          }
          session.commit(
            `${label} of ${item.name}`,
            editShelf(item.assetId, { [key]: text.trim().slice(0, 200) }),
          );
        }}
      />
    </Row>
  );
  return (
    <>
      <Preview url={url} />
      <div className="flex flex-col gap-3.5 p-3.5">
        <p className="figure text-soft">
          {item.width} × {item.height} px, {item.format.toUpperCase()}, {kilobytes(item.bytes)}
        </p>
        <Part title="Who and whose">
          {field('Name', 'name')}
          {field('Maker', 'maker')}
          {field('Source', 'source')}
          <Row tight label="Licence">
            <Choose
              label="Licence"
              className="min-w-0 grow"
              value={known ? item.licence : 'unknown'}
              choices={[
                { value: 'unknown', label: item.licence && !known ? item.licence : 'not known' },
                ...licences.map((l) => ({
                  value: l.id,
                  label: l.title,
                  hint: l.asksForCredit ? 'asks for credit' : undefined,
                })),
              ]}
              onChange={(v) =>
                session.commit(
                  `Licence of ${item.name}`,
                  editShelf(item.assetId, { licence: v === 'unknown' ? '' : v }),
                )
              }
            />
          </Row>
          {field('Date', 'date')}
          {field('Subject', 'subject')}
          <label className="flex items-center gap-2 py-0.5">
            <input
              type="checkbox"
              className="accent-act"
              checked={item.rightsChecked}
              onChange={(e) =>
                session.commit(
                  `Rights of ${item.name}`,
                  editShelf(item.assetId, { rightsChecked: e.target.checked }),
                )
              }
            />
            I have made sure that it may be used
          </label>
          {known?.asksForCredit && (
            <p className={item.maker ? 'text-soft' : 'text-bad'}>
              {item.maker
                ? `The credit goes into the hand-over: ${item.maker} is named.`
                : '× The licence asks for a credit, and no maker is named.'}
              {known.shareAlike && ' What comes of it must be under the same licence.'}
            </p>
          )}
        </Part>
        <Part title="Where it is">
          {used.length === 0 ? (
            <p className="text-soft">In no slot.</p>
          ) : (
            <ul className="flex flex-wrap gap-x-3">
              {used.map((s) => (
                <li key={s.id}>
                  <Link className="underline" href={`/sites/${site.id}/slots/${s.id}`}>
                    {s.name}
                  </Link>
                </li>
              ))}
            </ul>
          )}
        </Part>
        <Part title="Lay it in">
          <LayIn site={site} target={target} onLay={(slot) => onLay(item, slot)} />
        </Part>
        <Button
          variant="bad"
          className="self-start"
          disabled={used.length > 0}
          title={used.length ? 'It is used; take it out of its slots first' : undefined}
          onClick={() => {
            session.commit(`Remove ${item.name} from the shelf`, takeOffShelf(item.assetId));
            onGone();
          }}
        >
          Remove from the shelf
        </Button>
      </div>
    </>
  );
}

export function LibraryDetails({
  site,
  picture,
  target,
  busy,
  onTake,
}: {
  site: Site;
  picture: LibraryPicture;
  target: Slot | undefined;
  busy: boolean;
  onTake(picture: LibraryPicture, slot?: Slot): void;
}) {
  const known = licenceOf(picture.licence);
  const rows = [
    ['Maker', picture.maker],
    ['Licence', licenceWords(picture.licence)],
    ['Date', picture.date],
    ['Subject', picture.subject],
    ['Size', `${picture.width} × ${picture.height} px`],
  ];
  return (
    <>
      <Preview url={libraryAddress(picture)} />
      <div className="flex flex-col gap-3.5 p-3.5">
        <h2 className="font-semibold">{picture.title}</h2>
        <dl className="grid grid-cols-[76px_1fr] gap-y-1">
          {rows.map(([term, value]) => (
            <div key={term} className="contents">
              <dt className="text-soft">{term}</dt>
              <dd>{value}</dd>
            </div>
          ))}
        </dl>
        <p className="text-soft">
          {asksForCredit(picture.licence)
            ? 'Its licence asks for a credit; it will be in the hand-over.'
            : 'No credit is asked for.'}
          {known?.url && (
            <>
              {' '}
              <span className="break-all">{known.url}</span>
            </>
          )}
        </p>
        {busy ? (
          <p role="status">Fetching it…</p>
        ) : (
          <Button className="self-start" onClick={() => onTake(picture)}>
            Put on the shelf
          </Button>
        )}
        <Part title="Put on the shelf and lay in">
          <LayIn site={site} target={target} busy={busy} onLay={(slot) => onTake(picture, slot)} />
        </Part>
      </div>
    </>
  );
}
