'use client';

import { ExternalLink } from 'lucide-react';
import Link from 'next/link';
import type { HandOver } from '@/core/handover/produce';
import { kilobytes } from '@/core/readings/say';
import type { Site } from '@/core/site/model/site';
import { rehearsalAddress, useRehearsal } from '../hooks/useRehearsal';
import { Button } from '../shared/Button';
import { Group } from '../shared/Group';
import { notify } from '../shared/notices';
import { VerdictMark } from '../shared/VerdictMark';

const clock = (at: number): string =>
  new Date(at).toLocaleTimeString('en-GB', {
    hour: '2-digit',
    minute: '2-digit',
    second: '2-digit',
  });

/**
 * The pages as the stand-in host serves them, what it did to the files, and what has changed since.
 */
export function RehearsalPanel({ site, made }: { site: Site; made: HandOver | undefined }) {
  const { host, at, changed, busy, rehearse, empty } = useRehearsal(site);
  const go = async () => {
    if (!made) {
      return;
    }
    // The tab is opened while the click still counts as one; it is sent on once the host has
    // everything.
    const tab = window.open('about:blank', `rehearsal-${site.id}`);
    const refused = await rehearse(made);
    if (refused) {
      tab?.close();
      notify('bad', refused);
      return;
    }
    const first = made.files.find(
      (f) => f.path.endsWith('.html') && f.path !== 'markup.html' && f.path !== 'credits.html',
    )!;
    if (tab) {
      tab.location.href = rehearsalAddress(site.id, first.path);
    } else {
      notify('done', 'Uploaded. The browser did not open a tab; the pages are listed here.');
    }
  };
  const notes = host?.uploads.filter((u) => u.notes.length > 0) ?? [];
  return (
    <Group
      title="Rehearsal"
      aside={
        host && (
          <Button className="h-[22px]" onClick={() => void empty()}>
            Empty the host
          </Button>
        )
      }
    >
      <Button variant="main" disabled={!made || busy} onClick={() => void go()}>
        <ExternalLink size={13} aria-hidden />
        {busy && 'Uploading…'}
        {!busy && (host ? 'Rehearse again' : 'Rehearse')}
      </Button>
      <p className="text-soft">
        The pages at a real address, served by a stand-in for your host. Nothing leaves this
        machine.
      </p>
      {at !== undefined && (
        <p
          role="status"
          data-testid="changed"
          className={changed.length > 0 ? 'text-warn' : 'text-act'}
        >
          <VerdictMark verdict={changed.length > 0 ? 'look' : 'holds'} />
          {changed.length > 0
            ? `Changed since your last rehearsal at ${clock(at)}: ${changed.slice(0, 4).join(', ')}${changed.length > 4 ? ` and ${changed.length - 4} more` : ''}.`
            : `As you rehearsed it at ${clock(at)}.`}
        </p>
      )}
      {at !== undefined && !host && (
        <p className="text-soft">The host has been emptied or started anew: rehearse again.</p>
      )}
      {host && (
        <>
          <ul aria-label="Rehearsed pages">
            {host.pages.map((p) => (
              <li key={p.path}>
                <a
                  className="inline-block py-1 text-act underline"
                  href={rehearsalAddress(site.id, p.path)}
                  target={`rehearsal-${site.id}`}
                >
                  {p.name}
                </a>
              </li>
            ))}
          </ul>
          {site.pages.some((p) => p.own && p.own.from !== 'picture') && (
            <Link href={`/sites/${site.id}/before-after`} className="text-act underline">
              Before and after, side by side
            </Link>
          )}
          {notes.map((u) => (
            <p key={u.path} className="text-warn">
              <VerdictMark verdict="look" />
              {u.path}: {u.notes.join(' ')}
            </p>
          ))}
          <details>
            <summary className="cursor-pointer text-soft">
              {host.uploads.length} files uploaded, {kilobytes(host.bytes)}
            </summary>
            <ul aria-label="Uploads" className="mt-1">
              {host.uploads.map((u) => (
                <li key={u.path} className="flex gap-2">
                  <span className="min-w-0 grow truncate" title={u.path}>
                    {u.path}
                  </span>
                  <span className="shrink-0 text-soft">{u.change}</span>
                  <span className="shrink-0 figure text-soft">{clock(u.at)}</span>
                </li>
              ))}
            </ul>
          </details>
        </>
      )}
    </Group>
  );
}
