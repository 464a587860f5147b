import { openPages } from '@/core/ownPage/openPages';
import { openTheme } from '@/core/theme/openTheme';
import { serve, type ServerScope } from './channel';
import type { ThemeCalls } from './protocol';

serve<ThemeCalls>(self as unknown as ServerScope, {
  open: ({ files }) => ({ answer: openTheme(files) }),
  pages: ({ files }) => ({ answer: openPages(files) }),
});
