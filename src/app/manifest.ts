import type { MetadataRoute } from 'next';
import { served } from '@/served/address';

/** How the application is installed (W3C Web Application Manifest), and which files it opens. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Soyez',
    short_name: 'Soyez',
    description: 'Page pictures, exact to the pixel and at home in their page.',
    start_url: served('/'),
    display: 'standalone',
    background_color: '#f3f3f2',
    theme_color: '#fcfcfb',
    icons: [{ src: served('/icon.svg'), sizes: 'any', type: 'image/svg+xml' }],
    file_handlers: [{ action: served('/'), accept: { 'application/x-soyez': ['.soyez'] } }],
  };
}
