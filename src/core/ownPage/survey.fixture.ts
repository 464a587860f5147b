import type { FrozenFile } from './frozen';
import type { PageSurvey } from './survey';

/** A page with one header, as a browser might say of it. */
export const surveyed: PageSurvey = {
  pictures: [
    {
      id: '7 background 0',
      as: 'background',
      selector: '.banner',
      pseudo: '',
      layer: 0,
      root: false,
      words: false,
    },
  ],
  parts: [
    { id: 'part 0', as: 'content', selector: '.page', box: 'border' },
    { id: 'part 1', as: 'bar', selector: 'header', box: 'border' },
  ],
  at: [360, 1280, 1920, 2560].map((width) => ({
    width,
    height: 1500,
    placed: new Map([
      [
        '7 background 0',
        {
          rect: { x: 0, y: 64, width: Math.min(width, 1020), height: 204 },
          source: 'frozen:0',
          natural: undefined,
          laid: {
            repeat: 'no-repeat',
            position: '50% 50%',
            size: 'cover',
            attachment: 'scroll',
            origin: 'padding-box',
            clip: 'border-box',
          },
          rule: 0,
        },
      ],
    ]),
    parts: new Map([
      ['part 0', { x: 0, y: 64, width: Math.min(width, 1020), height: 1300 }],
      ['part 1', { x: 0, y: 0, width, height: 64 }],
    ]),
  })),
  rules: [{ sheet: 'frozen:1', selector: '.banner', within: [], line: 12 }],
  occlusions: new Map([['7 background 0', { share: 0.25, by: '.page' }]]),
  look: {
    width: 1280,
    height: 1500,
    page: 'rgb(59, 74, 69)',
    boxes: [
      {
        rect: { x: 130, y: 64, width: 1020, height: 1300 },
        colour: 'rgb(239, 233, 220)',
        on: undefined,
        bar: false,
      },
    ],
    texts: [
      {
        rect: { x: 160, y: 400, width: 600, height: 60 },
        words: 'Twice a year',
        letters: 90,
        colour: 'rgb(43, 42, 38)',
        on: 0,
        size: 17,
        weight: 400,
        family: 'Archivo',
        as: 'text',
        bar: false,
      },
    ],
    borders: [],
  },
};

export const bannerFile: FrozenFile = {
  key: 'frozen:0',
  name: 'banner.jpg',
  path: 'saved/banner.jpg',
  type: 'image/jpeg',
  bytes: new Uint8Array([1, 2, 3]),
  size: { width: 1400, height: 280 },
};
