import { silhouetteOf } from '@/core/divider/silhouette';
import { coloursOfPicture } from '@/core/ownPage/look';
import { openPages } from '@/core/ownPage/openPages';
import { straightEdges } from '@/core/ownPage/picturePointing';
import { readSurvey } from '@/core/ownPage/readSurvey';
import { rulesNamingFiles } from '@/core/ownPage/ruleText';
import { openTheme } from '@/core/theme/openTheme';
import { serve, type ServerScope } from './channel';
import type { ThemeCalls } from './protocol';

serve<ThemeCalls>(self as unknown as ServerScope, {
  open: ({ files }) => ({ answer: openTheme(files) }),
  pages: ({ files }) => ({ answer: openPages(files) }),
  survey: ({ text }) => ({ answer: readSurvey(text) }),
  rules: ({ sheets }) => ({ answer: sheets.map(rulesNamingFiles) }),
  outline: ({ raster }) => ({ answer: silhouetteOf(raster) ?? null }),
  picture({ raster }) {
    const edges = straightEdges(raster);
    return {
      answer: { colours: coloursOfPicture(raster), edges },
      transfer: [edges.upright.buffer as ArrayBuffer, edges.level.buffer as ArrayBuffer],
    };
  },
});
