import type { FrozenPage } from '@/core/ownPage/frozen';
import { bannerFile, surveyed } from '@/core/ownPage/survey.fixture';
import { readSurvey } from '@/core/ownPage/readSurvey';
import { keepPage, openKeptPage } from './ownPages';

type Bytes = Uint8Array<ArrayBuffer>;

const page: FrozenPage = {
  title: 'Töpferei',
  html: '<!doctype html><html><head></head><body>Öffnungszeiten</body></html>',
  files: [bannerFile],
  left: [{ what: 'script', name: 'x'.repeat(9000) }],
  missing: ['gone.png'],
};

function memory() {
  const files = new Map<string, Bytes>();
  return {
    files,
    store: async (bytes: Bytes) => {
      const id = String(files.size).padStart(64, '0');
      files.set(id, bytes);
      return id;
    },
    survey: async (text: string) => readSurvey(text),
    read: async (id: string) => {
      const bytes = files.get(id);
      if (!bytes) {
        throw new Error(`Expected the file ${id}, found none.`);
      }
      return bytes;
    },
  };
}

test('a page is the same after it was kept, and long names are cut', async () => {
  const ports = memory();
  const own = await keepPage('page', 'home.html', { page, survey: surveyed }, ports);
  expect(own).toMatchObject({ from: 'page', file: 'home.html', title: 'Töpferei', places: [] });
  expect(own.left[0].name).toHaveLength(400);
  const read = await openKeptPage(own, ports);
  expect(read.survey).toEqual(surveyed);
  expect(read.page).toEqual({ ...page, left: own.left });
});

test('a file that is gone is said', async () => {
  const ports = memory();
  const own = await keepPage('page', 'home.html', { page, survey: surveyed }, ports);
  ports.files.delete(own.files[0].assetId);
  await expect(openKeptPage(own, ports)).rejects.toThrow(/^Expected the file/);
});
