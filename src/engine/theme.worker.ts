import { silhouetteOf } from '@/core/divider/silhouette';
import { readVisitors } from '@/core/measure/readVisitors';
import { layingPatches } from '@/core/ownPage/cssAddresses';
import { coloursOfPicture } from '@/core/ownPage/look';
import { openPages } from '@/core/ownPage/openPages';
import { straightEdges } from '@/core/ownPage/picturePointing';
import { readSurvey } from '@/core/ownPage/readSurvey';
import { rulesNamingFiles } from '@/core/ownPage/ruleText';
import { loneRules } from '@/core/theme/loneRules';
import { openTheme } from '@/core/theme/openTheme';
import { decodeStylesheet } from '@/core/theme/sheetText';
import { readThemeColours } from '@/core/theme/tokens';
import { serve, type ServerScope } from './channel';
import type { ThemeCalls } from './protocol';

serve<ThemeCalls>(self as unknown as ServerScope, {
  open: ({ files }) => ({ answer: openTheme(files) }),
  pages: ({ files }) => ({ answer: openPages(files) }),
  survey: ({ text }) => ({ answer: readSurvey(text) }),
  layingPatches: ({ came, frozen }) => ({ answer: layingPatches(came, frozen) }),
  loneRules: ({ sheets }) => ({ answer: sheets.map(loneRules) }),
  rules: ({ sheets }) => ({ answer: sheets.map(rulesNamingFiles) }),
  colours: ({ name, bytes }) => ({ answer: readThemeColours(name, decodeStylesheet(name, bytes)) }),
  visitors: ({ name, bytes }) => ({ answer: readVisitors(name, decodeStylesheet(name, bytes)) }),
  // The reader of font files is large, and few owners ever need it.
  font: async ({ name, bytes }) => ({
    answer: (await import('@/core/text/readFont')).readFont(name, bytes),
  }),
  outline: ({ raster }) => ({ answer: silhouetteOf(raster) ?? null }),
  picture({ raster }) {
    const edges = straightEdges(raster);
    return {
      answer: { colours: coloursOfPicture(raster), edges },
      transfer: [edges.upright.buffer as ArrayBuffer, edges.level.buffer as ArrayBuffer],
    };
  },
});
