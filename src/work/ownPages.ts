import type { FrozenPage, LeftKind } from '@/core/ownPage/frozen';
import type { PageSurvey } from '@/core/ownPage/survey';
import { surveyText } from '@/core/ownPage/surveyText';
import type { OwnPage, OwnPageOrigin } from '@/core/site/model/ownPage';

type Bytes = Uint8Array<ArrayBuffer>;

export interface PagePorts {
  /** Stores a file. @returns its id */
  store(bytes: Bytes): Promise<string>;
  /** @throws Error where there is no such file */
  read(assetId: string): Promise<Bytes>;
  /** A survey out of its text. @throws Error where it is none */
  survey(text: string): Promise<PageSurvey>;
}

/** A page that was opened, with what a browser said of it. */
export interface ReadPage {
  readonly page: FrozenPage;
  readonly survey: PageSurvey;
}

/** Of what was left out, so much is kept with the page. */
const mostLeft = 200;
const mostName = 400;

const short = (name: string): string => name.slice(0, mostName);

/** Stores everything a page is made of. @returns what the site keeps of it, with no place yet */
export async function keepPage(
  from: OwnPageOrigin,
  file: string,
  { page, survey }: ReadPage,
  ports: Pick<PagePorts, 'store'>,
): Promise<OwnPage> {
  const text = (value: string) => ports.store(new TextEncoder().encode(value));
  const files = [];
  for (const { key, name, path, type, bytes, size, original } of page.files) {
    files.push({
      key,
      name: short(name),
      path: short(path),
      type,
      assetId: await ports.store(bytes),
      size: size ?? null,
      original: original ? await ports.store(original) : null,
    });
  }
  return {
    from,
    file: short(file),
    title: short(page.title),
    document: await text(page.html),
    original: page.original ? await ports.store(page.original) : null,
    files,
    left: page.left.slice(0, mostLeft).map(({ what, name }) => ({ what, name: short(name) })),
    missing: page.missing.slice(0, mostLeft).map(short),
    survey: await text(surveyText(survey)),
    places: [],
    inks: [],
  };
}

/** The page out of what the site keeps. @throws Error where something of it is not there */
export async function openKeptPage(
  own: OwnPage,
  ports: Pick<PagePorts, 'read' | 'survey'>,
): Promise<ReadPage> {
  const text = async (assetId: string) => new TextDecoder().decode(await ports.read(assetId));
  const [html, survey, ...files] = await Promise.all([
    text(own.document),
    text(own.survey).then(ports.survey),
    ...own.files.map(async ({ key, name, path, type, assetId, size }) => ({
      key,
      name,
      path,
      type,
      bytes: await ports.read(assetId),
      size: size ?? undefined,
    })),
  ]);
  return {
    page: {
      title: own.title,
      html,
      files,
      left: own.left.map(({ what, name }) => ({ what: what as LeftKind, name })),
      missing: own.missing,
    },
    survey,
  };
}
